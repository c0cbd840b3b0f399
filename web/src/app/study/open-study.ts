import { computed, effect, inject, Injectable, linkedSignal, signal, untracked } from '@angular/core';
import {
  type Command,
  copyStudy,
  freeName,
  keepTrial,
  neckOf,
  type ReadingRequest,
  type SaidReading,
  type Section,
  setTempo,
  type Shape,
  type Study,
  type Trial,
} from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import { Compute } from '../compute/compute';
import { type Place, Store, type StudyRow, Writes } from '../data';
import { Collection, type Conflict } from './collection';

export type SaveState = 'saved' | 'saving' | 'conflict' | 'gone' | 'failed' | 'refused';
export type Preview = Trial;
/** No stored row has it: an edit of a version that another tab's has overtaken is never taken for one of theirs. */
const OVERTAKEN = -1;
/** Changes of one kind that follow each other so fast are undone in one step. */
const ONE_STEP_MS = 900;
const MOST_UNDONE = 200;

/** The study that every place shows: commands with undo and redo, saved as it is made. */
@Injectable({ providedIn: 'root' })
export class OpenStudy {
  private readonly store = inject(Store);
  private readonly collection = inject(Collection);
  private readonly compute = inject(Compute);

  private readonly current = signal<Study | null>(null);
  private readonly past = signal<readonly Study[]>([]);
  private readonly future = signal<readonly Study[]>([]);
  private readonly sectionChoice = signal('');
  private readonly writes = inject(Writes);
  private lastStep = { key: '', at: 0 };
  /** The open study was deleted in another tab. */
  private readonly gone = signal(false);
  private readonly said = new Subject<string>();
  /** Why a gesture changed nothing, in words. */
  readonly refusals = this.said.asObservable();

  private readonly previewed = signal<Preview | null>(null);

  readonly study = this.current.asReadonly();
  /** Something tried out in place of the written script; it is shown and heard, and not stored. */
  readonly preview = this.previewed.asReadonly();
  /** The open section as it is stored, whatever is tried out. */
  readonly written = computed(() => {
    const sections = this.current()?.sections ?? [];
    return sections.find((s) => s.id === this.sectionChoice()) ?? sections[0] ?? null;
  });
  readonly section = computed(() => {
    const written = this.written();
    const preview = this.previewed();
    if (!written || !preview) return written;
    return { ...written, ...sectionPart(preview) };
  });
  /** The study's shapes, with those that are tried out. */
  readonly shapes = computed((): readonly Shape[] => [
    ...(this.current()?.shapes ?? []),
    ...(this.previewed()?.shapes ?? []),
  ]);
  /** The study's capo, or that of what is tried out. */
  readonly capo = computed(() => this.previewed()?.capo ?? this.current()?.capo ?? 0);
  /** The player's neck with the capo on. */
  readonly neck = computed(() => neckOf(this.collection.profile(), this.capo()));
  /** This tab's own version that waits for a choice. */
  readonly conflict = computed((): Conflict | null => {
    const id = this.current()?.id;
    const key = id === undefined ? '' : this.store.unsettledKey(id);
    return this.collection.conflicts().find((c) => c.key === key) ?? null;
  });
  readonly saved = computed((): SaveState => {
    if (this.gone()) return 'gone';
    if (this.conflict()) return 'conflict';
    if (this.writes.failing()) return 'failed';
    if (this.writes.refused()) return 'refused';
    // Where the player stands is stored too, and no work.
    return this.writes.pending().some((o) => o.kind !== 'settings') ? 'saving' : 'saved';
  });
  /** What of the storage's refusal can be said. */
  readonly refusedWhy = computed(() => this.writes.refused()?.why ?? '');
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);
  private readonly request = computed((): ReadingRequest | null => {
    const study = this.current();
    const section = this.section();
    if (!study || !section) return null;
    return {
      section,
      shapes: this.shapes(),
      tuning: study.tuning,
      capo: this.capo(),
      profile: this.collection.profile(),
      cells: this.collection.ownCells(),
    };
  });
  /** What the worker found about the open section; the one before stays until the next arrives. */
  readonly reading = computed(() => {
    const answered = this.compute.answered();
    return answered && answered.request.section.id === this.section()?.id ? answered.reading : null;
  });
  /** Faults and findings belong to the text as it stands. */
  readonly settled = computed(() => this.compute.answered()?.request === this.request());

  /** The reading of what is written; it stays while something else is tried out. */
  readonly writtenReading = linkedSignal<SaidReading | null, SaidReading | null>({
    source: () => (this.previewed() || !this.settled() ? null : this.reading()),
    computation: (reading, before) => reading ?? before?.value ?? null,
  });

  constructor() {
    effect(() => {
      const request = this.request();
      if (request) untracked(() => this.compute.ask(request));
    });
    this.collection.changed.subscribe((places) => this.follow(places));
  }

  /** Opens a study: this tab's own version where one waits for a choice. */
  open(row: StudyRow, section = '') {
    const key = this.store.unsettledKey(row.id);
    const study = this.collection.conflicts().find((c) => c.key === key)?.mine ?? row.study;
    this.current.set(study);
    this.gone.set(false);
    this.past.set([]);
    this.future.set([]);
    this.chooseSection(section || (study.sections[0]?.id ?? ''));
  }
  chooseSection(id: string) {
    this.previewed.set(null);
    this.sectionChoice.set(id);
    this.collection.set({ studyId: this.current()?.id ?? '', sectionId: id });
  }
  close() {
    this.current.set(null);
    this.gone.set(false);
  }

  /**
   * What is being tried out is kept first, for commands are made on what is seen.
   * @param key commands with the same key that follow within a moment become one step of undo
   */
  apply(command: Command, key = '') {
    this.keepPreview();
    this.run(command, key);
  }
  /** A command on what lies beside the script, such as tempo and ladder: what is tried out stays so. */
  adjust(command: Command, key = '') {
    this.run(command, key);
  }
  private run(command: Command, key: string) {
    const before = this.current();
    if (!before) return;
    const refusal = command.refusal?.(before);
    if (refusal) return this.said.next(refusal.message);
    const after = command(before);
    if (after === before) return;
    const now = performance.now();
    const joined =
      key !== '' && key === this.lastStep.key && now - this.lastStep.at < ONE_STEP_MS && this.future().length === 0;
    this.lastStep = { key, at: now };
    if (!joined) this.past.update((p) => [...p, before].slice(-MOST_UNDONE));
    this.future.set([]);
    this.put(after);
  }
  /** Shows and plays something else in place of the script; null goes back to what is written. */
  tryOut(preview: Preview | null) {
    this.previewed.set(preview);
  }
  /** What was tried out becomes the script, as one step of undo. */
  keepPreview() {
    const preview = this.previewed();
    const id = this.written()?.id;
    if (!preview || !id) return;
    this.previewed.set(null);
    this.apply(keepTrial(id, preview));
  }
  undo() {
    this.previewed.set(null);
    this.step(this.past, this.future);
  }
  redo() {
    this.step(this.future, this.past);
  }
  private step(from: typeof this.past, to: typeof this.past) {
    const next = from().at(-1);
    const now = this.current();
    if (!next || !now) return;
    from.update((list) => list.slice(0, -1));
    to.update((list) => [...list, now]);
    this.lastStep = { key: '', at: performance.now() };
    this.put(next);
  }
  /** When the study was last changed here, on the clock of the page. */
  changedAt(): number {
    return this.canUndo() ? this.lastStep.at : 0;
  }
  /** The way back from what was just done; it says false when something was changed since. */
  wayBack(): () => boolean {
    const after = this.current();
    return () => {
      const still = this.current() === after;
      if (still) this.undo();
      return still;
    };
  }

  /** The tempo is not part of what is tried out. */
  setTempo(bpm: number) {
    const section = this.section();
    if (section) this.adjust(setTempo(section.id, bpm), `tempo ${section.id}`);
  }

  private put(study: Study) {
    this.current.set(study);
    if (this.gone()) return;
    const revision = this.conflict() ? OVERTAKEN : (this.collection.row(study.id)?.revision ?? 0);
    this.collection.saveStudy(study, { revision });
  }

  /** Until everything is stored, or storage has refused. */
  flush(): Promise<void> {
    return this.writes.settled();
  }

  /** Rows have become others without this study's own doing: another tab's edit, an import, a deletion. */
  private follow(places: readonly Place[] | null) {
    const study = this.current();
    if (!study || this.conflict()) return;
    if (places && !places.some((p) => p.table === 'studies' && p.id === study.id)) return;
    const row = this.collection.row(study.id);
    this.gone.set(!row);
    if (row && row.study !== study && JSON.stringify(row.study) !== JSON.stringify(study)) this.takeOver(row.study);
  }
  /** Shows another version; what was there is one step of undo away. */
  private takeOver(study: Study) {
    const before = this.current();
    this.previewed.set(null);
    if (before) this.past.update((p) => [...p, before].slice(-MOST_UNDONE));
    this.future.set([]);
    this.lastStep = { key: '', at: performance.now() };
    this.current.set(study);
  }

  /** Shows what another tab has stored. Mine is one step of undo away, and in the bin. */
  async takeTheirs(conflict: Conflict) {
    const row = await this.store.readStudy(conflict.id);
    this.collection.settle(conflict, null);
    await this.writes.settled();
    const open = this.current()?.id === conflict.id;
    if (row) this.collection.takeRow(row);
    if (open && row) this.takeOver(row.study);
    else if (open) this.gone.set(true);
  }
  /** Keeps own changes: as a study beside the one that another tab has stored, or in its place when it is deleted. */
  keepMine(conflict: Conflict): Study {
    const { mine, id } = conflict;
    const theirs = this.collection.row(id);
    const names = this.collection.studies().map((r) => r.study.name);
    const kept = theirs ? copyStudy(mine, crypto.randomUUID(), freeName(mine.name, names)) : mine;
    const section = mine.sections.findIndex((s) => s.id === this.sectionChoice());
    this.collection.settle(conflict, kept);
    const row = this.collection.row(kept.id);
    if (row) this.open(row, kept.sections[section]?.id);
    return kept;
  }
  /** A study that another tab has deleted goes back to the shelf as it stands here. */
  restore() {
    const study = this.current();
    if (!study || !this.gone()) return;
    this.gone.set(false);
    this.collection.saveStudy(study, { revision: 0 });
  }
}
/** What of a preview belongs to the section; shapes and capo are the study's. */
function sectionPart({ script, stepsPerCount, start, stopped, harmony, cycle }: Preview): Partial<Section> {
  return {
    script,
    stepsPerCount,
    start,
    ...(stopped ? { stopped } : {}),
    ...(harmony ? { harmony } : {}),
    ...(cycle ? { cycle } : {}),
  };
}
