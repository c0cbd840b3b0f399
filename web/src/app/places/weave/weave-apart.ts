import { inject, linkedSignal, computed } from '@angular/core';
import { type Apart, APART, type Plan, takenApart } from '@ruffle-wheel/core';
import { Compute } from '../../compute/compute';
import { Collection, OpenStudy } from '../../study';

/** What of the section is heard: all of it, one hand, one layer. The page stays whole. */
export class WeaveApart {
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly compute = inject(Compute);
  private readonly sectionId = computed(() => this.open.section()?.id);
  /** The part that is heard; null for the whole. Another section is heard whole. */
  readonly part = linkedSignal<string | undefined, Apart | null>({
    source: this.sectionId,
    computation: () => null,
  });
  /** The next one that the section has; after the last the whole. */
  next() {
    const all = [null, ...APART];
    const from = all.indexOf(this.part());
    const has = [...all.slice(from + 1), null].find((p) => p === null || this.made(p));
    this.part.set(has ?? null);
  }
  /** @returns false where the section has no such part */
  choose(part: Apart | null): boolean {
    if (part !== null && !this.made(part)) return false;
    this.part.set(part);
    return true;
  }
  private made(part: Apart) {
    const [section, study] = [this.open.section(), this.open.study()];
    return section && study ? takenApart(section, study, this.collection.profile(), part) : null;
  }
  /** What is to be played in place of the whole; null for the whole. */
  async plan(): Promise<Plan | null> {
    const [part, request] = [this.part(), this.open.readingRequest()];
    const made = part && this.made(part);
    return made && request ? this.compute.planOf({ ...request, section: { ...request.section, ...made } }) : null;
  }
}
