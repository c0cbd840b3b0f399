import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import {
  addSection,
  askedDrill,
  copySection,
  joinKey,
  joinSections,
  LONGEST_FORM,
  moveSection,
  removeSection,
  renameSection,
  setForm,
  splitSection,
  type Study,
  type UnrolledForm,
} from '@ruffle-wheel/core';
import { Compute } from '../../compute/compute';
import { AskedDrills, OpenStudy } from '../../study';
import { Notice } from '../../ui/notice';
import { PiecePlaying } from '../../parts/piece-playing';
import { AsFarAsSeen } from '../../ui/as-far-as-seen';
import { FaultList, type ShownFault } from '../../ui/fault-list';
import { FIELD } from '../../ui/field';
import { weave } from '../../words/weave';
import { sayFaults } from '../../words/said/faults';
import { newId } from '../../data/new-id';

const clock = (seconds: number): string => {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};

const SHOWN_NAMES = 4;

/** The next letter that no section is called. */
function freeLetter({ sections }: Study): string {
  const taken = new Set(sections.map((s) => s.name));
  const letters = Array.from({ length: 26 }, (_, n) => String.fromCharCode(65 + n));
  return letters.find((l) => !taken.has(l)) ?? String(sections.length + 1);
}

/** The order of the sections: as text, as blocks as long as they last, and written out bar by bar and minute by minute. */
@Component({
  selector: 'app-form-panel',
  imports: [FIELD, FaultList, MatButton, AsFarAsSeen],
  templateUrl: './form-panel.html',
  styleUrl: './form-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormPanel {
  /** The bar that the cursor is in, counted from 0: where a section is split. */
  readonly bar = input(0);
  protected readonly words = weave.form;
  protected readonly open = inject(OpenStudy);
  private readonly compute = inject(Compute);
  private readonly asked = inject(AskedDrills);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);
  protected readonly piece = inject(PiecePlaying);
  protected readonly longest = LONGEST_FORM;
  protected readonly text = computed(() => this.open.study()?.form ?? '');
  private readonly form = signal<UnrolledForm | null>(null);
  protected readonly faults = computed(() => sayFaults(this.form()?.faults ?? []));
  /** Names in the form that no section has. */
  protected readonly missing = computed((): string[] => {
    const text = this.text();
    const faults = (this.form()?.faults ?? []).filter((f) => f.code === 'no such section');
    const names = faults.map((f) => text.slice(f.from, f.to).replace(/^"|"$/g, '').replace(/""/g, '"').trim());
    return [...new Set(names)].filter((name) => name !== '').slice(0, SHOWN_NAMES);
  });
  protected readonly whole = computed(() => {
    const form = this.form();
    return form ? { bars: form.bars, time: clock(form.seconds) } : null;
  });
  protected readonly parts = computed(() => {
    const form = this.form();
    const names = new Map(this.open.study()?.sections.map((s) => [s.id, s]));
    let seconds = 0;
    return (form?.parts ?? []).map((p, n, all) => {
      const from = seconds;
      seconds += p.seconds;
      const begins = this.words.begins(p.startsOn, p.startsInBar);
      return {
        n,
        section: p.section,
        before: all[n - 1]?.section ?? '',
        name: names.get(p.section)?.name ?? '',
        bar: p.bar + 1,
        bars: this.words.bars(p.bars),
        time: clock(from),
        begins: (p.startsInBar ?? 1) > 1 ? this.words.turned(begins) : begins,
        here: p.section === this.open.section()?.id,
        share: (100 * p.seconds) / Math.max(1, form?.seconds ?? 1),
      };
    });
  });

  constructor() {
    let newest = 0;
    effect(() => {
      const study = this.open.study();
      if (!study) return;
      const n = ++newest;
      untracked(() => this.compute.unrollForm(study)).then(
        (form) => n === newest && this.form.set(form),
        () => undefined,
      );
    });
  }
  protected type(form: string) {
    this.open.apply(setForm(form), 'form');
  }
  protected fix({ from, to, fix = '' }: ShownFault) {
    this.open.apply(setForm(this.text().slice(0, from) + fix + this.text().slice(to)));
  }
  protected readonly sections = computed(() => {
    const sections = this.open.study()?.sections ?? [];
    const here = this.open.section()?.id;
    return sections.map(({ id, name }, n) => ({
      id,
      name,
      here: id === here,
      first: n === 0,
      last: n === sections.length - 1,
    }));
  });
  /** The last count of one section and the first bar of the next go to Practise. */
  protected practiseJoin(from: string, into: string) {
    const study = this.open.study();
    const section = study?.sections.find((s) => s.id === from);
    const key = joinKey(into);
    if (!study || !section || !askedDrill(section, study, key)) return this.notice.say(this.words.noJoin);
    this.open.chooseSection(from);
    this.asked.ask([key]);
    void this.router.navigateByUrl('/practise');
  }
  protected move(section: string, by: number) {
    this.open.apply(moveSection(section, by));
  }
  protected copy(section: string) {
    this.open.apply(copySection(section, newId()));
  }
  protected split() {
    const section = this.open.section();
    if (section) this.open.apply(splitSection(section.id, this.bar(), newId()));
  }
  protected rename(section: string, name: string) {
    this.open.apply(renameSection(section, name));
  }
  protected add(name?: string) {
    const [study, section] = [this.open.study(), this.open.section()];
    if (!study || !section) return;
    const id = newId();
    this.open.apply(addSection(id, name ?? freeLetter(study), section.cycle));
    if (this.open.study()?.sections.some((s) => s.id === id)) this.open.chooseSection(id);
  }
  protected remove({ id, name }: { readonly id: string; readonly name: string }) {
    this.open.apply(removeSection(id));
    this.notice.withStudyUndo(this.words.removed(name), this.open.wayBack());
  }
  protected join(section: string) {
    this.open.apply(joinSections(section));
  }
}
