import { computed, effect, inject, Injector, linkedSignal, type Signal, untracked } from '@angular/core';
import type { HandProfile, OwnCell, ReadingRequest, Section, Study } from '@ruffle-wheel/core';
import { Compute } from '../compute/compute';
import type { PageReading } from '../compute/page-reading';

/** What a reading is asked about. */
export interface ReadingMatter {
  /** The study as it is seen, and its open section. */
  readonly study: Signal<Study | null>;
  readonly section: Signal<Section | null>;
  readonly profile: Signal<HandProfile>;
  readonly cells: Signal<readonly OwnCell[]>;
  /** Something else than what is written is seen. */
  readonly trying: Signal<boolean>;
}

/** What the worker finds about the open section, asked anew whenever something of it changes. */
export class SectionReading {
  private readonly compute = inject(Compute);
  /** What the open section is asked with. */
  readonly request = computed((): ReadingRequest | null => {
    const study = this.matter.study();
    const section = this.matter.section();
    if (!study || !section) return null;
    const { instrument, shapes, cells: called } = study;
    const profile = this.matter.profile();
    return { section, shapes, ...instrument, called, profile, cells: this.matter.cells() };
  });
  /** The one before stays until the next arrives. */
  readonly reading = computed((): PageReading | null => {
    const answered = this.compute.answered();
    return answered && answered.request.section.id === this.matter.section()?.id ? answered.reading : null;
  });
  /** Faults and findings belong to the text as it stands. */
  readonly settled = computed(() => this.compute.answered()?.request === this.request());
  /** The reading of what is written; it stays while something else is tried out. */
  readonly writtenReading = linkedSignal<PageReading | null, PageReading | null>({
    source: () => (this.matter.trying() || !this.settled() ? null : this.reading()),
    computation: (reading, before) => reading ?? before?.value ?? null,
  });

  private readonly injector = inject(Injector);

  /** The reading of what is seen now, once it is there; null where there is nothing to read, or no answer comes. */
  now(): Promise<PageReading | null> {
    return new Promise((resolve) => {
      const watch = effect(
        () => {
          const request = this.request();
          const failed = this.compute.failure()?.request === request;
          if (request && !failed && !this.settled()) return;
          const reading = request && !failed ? this.reading() : null;
          untracked(() => {
            watch.destroy();
            resolve(reading);
          });
        },
        { injector: this.injector, manualCleanup: true },
      );
    });
  }

  constructor(private readonly matter: ReadingMatter) {
    effect(() => {
      const request = this.request();
      if (request) untracked(() => this.compute.ask(request));
    });
  }
}
