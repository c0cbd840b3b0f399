import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { askedDrill, drillList, type SaidDrill, type SectionDrill, sectionDrills } from '@ruffle-wheel/core';
import { AskedDrills, Collection, OpenStudy } from '../../study';
import { sayDrills } from '../../words/said/drills';
import { PracticeSession } from './session';

/** What is practised: a section, or a drill of it by its key. */
interface Asked {
  readonly studyId: string;
  readonly sectionId: string;
  readonly drill: string | null;
}
/** A drill of a section that is just opened is there once its moves have been read; after so long it is not. */
const READ_MS = 4_000;

/** The drills of the open section, and the one that is practised in its place. */
@Injectable()
export class DrillChoice {
  private readonly open = inject(OpenStudy);
  private readonly session = inject(PracticeSession);
  private readonly collection = inject(Collection);
  private readonly askedKeys = signal<readonly string[]>([]);
  /** Drills made from the section as written, for as long as its script stays the same. */
  readonly drills = computed((): readonly (SectionDrill & SaidDrill)[] => {
    const written = this.open.written();
    if (!written) return [];
    const moves = this.open.writtenReading()?.moves ?? [];
    const study = this.open.study();
    // Bars and joints that another place has asked for stand before those that every section has.
    if (!study) return [];
    const own = drillList(written, study, this.collection.profile(), moves);
    const elsewhere = this.askedKeys().filter((key) => !own.some((d) => d.key === key));
    const all = sectionDrills(written, this.collection.profile(), moves, study.cells);
    const asked = elsewhere.flatMap(
      (key) => askedDrill(written, study, key, moves) ?? all.find((d) => d.key === key) ?? [],
    );
    return sayDrills([...asked, ...own]);
  });
  /** Drills asked for by another place, to be taken one after another; all there are when none were. */
  private readonly queue = signal<readonly string[]>([]);
  readonly queued = computed(() => {
    const n = this.queue().indexOf(this.session.drill() ?? '');
    return n < 0 || this.queue().length < 2 ? null : { n: n + 1, of: this.queue().length };
  });
  /** What the chosen one is for; '' as written. */
  readonly why = computed(() => this.drills().find((d) => d.name === this.session.drill())?.why ?? '');
  /** Waits until a drill is among those there are. */
  private waiting: { readonly key: string; readonly found: (name: string) => void } | null = null;
  /** Of what the drill that is chosen was made. */
  private madeOf = '';

  constructor() {
    const keys = inject(AskedDrills).take();
    this.askedKeys.set(keys);
    const drills = this.drills();
    const asked = keys.flatMap((key) => drills.find((d) => d.key === key)?.name ?? []);
    this.queue.set(asked);
    if (asked[0]) this.choose(asked[0]);
    // What is written may become another while a drill is chosen: by undo, in another tab, with another section.
    effect(() => {
      const drills = this.drills();
      untracked(() => {
        this.followWritten();
        const name = drills.find((d) => d.key === this.waiting?.key)?.name;
        if (name !== undefined) this.waiting?.found(name);
      });
    });
  }
  /** The drill that is chosen, made anew where something else is written now; it ends where nothing of it is left. */
  private followWritten() {
    const key = this.session.drillKey();
    if (key === null || this.writtenText() === this.madeOf) return;
    this.choose(this.drills().find((d) => d.key === key)?.name ?? '');
  }
  private writtenText(): string {
    const { id = '', script = '', chart = '', stepsPerCount = 0 } = this.open.written() ?? {};
    return JSON.stringify([id, script, chart, stepsPerCount]);
  }

  /** Takes a drill by its name; '' is the section as written. */
  choose(name: string) {
    const drill = this.drills().find((d) => d.name === name);
    this.session.drillKey.set(drill?.key ?? null);
    if (!drill) {
      this.session.drill.set(null);
      return this.open.drill(null);
    }
    // Another drill begins at the section's tempo, the same one goes on at its own.
    if (this.session.drill() !== drill.name) this.open.drill(null);
    this.madeOf = this.writtenText();
    this.open.drill(drill.make());
    this.session.drill.set(drill.name);
  }
  /** The next of the drills asked for, or of all; after the last comes the first. */
  next() {
    const names = this.queue().length > 1 ? this.queue() : this.drills().map((d) => d.name);
    const n = names.indexOf(this.session.drill() ?? '');
    const next = names[(n + 1) % names.length];
    if (next) this.choose(next);
  }
  /**
   * Opens what is to be practised.
   * @returns false where the study, its section or the drill is gone; a section stands open as written then
   */
  async take({ studyId, sectionId, drill }: Asked): Promise<boolean> {
    const row = this.collection.row(studyId);
    if (!row?.study.sections.some((s) => s.id === sectionId)) return false;
    if (row.id !== this.open.study()?.id) this.open.open(row, sectionId);
    else if (sectionId !== this.open.section()?.id) this.open.chooseSection(sectionId);
    if (drill === null) this.choose('');
    else this.askedKeys.set([drill]);
    if (drill === null) return true;
    const name = this.drills().find((d) => d.key === drill)?.name ?? (await this.whenThere(drill));
    this.choose(name);
    return name !== '';
  }
  /** Opens a study as it is written. @returns false where it is gone */
  takeStudy(studyId: string): boolean {
    const row = this.collection.row(studyId);
    if (!row) return false;
    if (row.id !== this.open.study()?.id) this.open.open(row);
    this.choose('');
    return true;
  }
  private whenThere(key: string): Promise<string> {
    return new Promise((resolve) => {
      const found = (name: string) => {
        clearTimeout(late);
        this.waiting = null;
        resolve(name);
      };
      const late = setTimeout(() => found(''), READ_MS);
      this.waiting?.found('');
      this.waiting = { key, found };
    });
  }
  /** The section as written, for whoever leaves. */
  leave() {
    this.session.drill.set(null);
    this.session.drillKey.set(null);
    this.open.drill(null);
  }
}
