import { computed, effect, inject, Injectable, linkedSignal, signal, untracked } from '@angular/core';
import {
  type AccentCycle,
  type Command,
  type Harmony,
  copyStudy,
  freeName,
  neckOf,
  putShape,
  type Reading,
  type ReadingRequest,
  type Section,
  setTempo,
  type Shape,
  type StoppedNote,
  type Study,
} from '@ruffle-wheel/core';
import { Compute } from '../compute/compute';
import { Store, type StudyRow } from '../data';
import { Collection } from './collection';

export type SaveState = 'saved' | 'saving' | 'conflict' | 'failed';
export interface Preview {
  readonly script: string;
  readonly stepsPerCount: number;
  readonly start: number;
  /** Frets that a line names for its own notes. */
  readonly stopped?: readonly StoppedNote[];
  /** Other shapes, or none, under what is tried out. */
  readonly harmony?: Harmony;
  /** Shapes that it holds and the study does not know yet. */
  readonly shapes?: readonly Shape[];
  /** The cycle in other groups. */
  readonly cycle?: AccentCycle;
  /** Another capo place. */
  readonly capo?: number;
}
const SAVE_AFTER_MS = 300;
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
  /** Revision of each study as last read or saved here. */
  private readonly revisions = new Map<string, number>();
  private storing: Promise<unknown> = Promise.resolve();
  private saveTimer: ReturnType<typeof setTimeout> | undefined;
  private lastStep = { key: '', at: 0 };
  private readonly saveState = signal<SaveState>('saved');

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
  readonly saved = this.saveState.asReadonly();
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
  readonly writtenReading = linkedSignal<Reading | null, Reading | null>({
    source: () => (this.previewed() || !this.settled() ? null : this.reading()),
    computation: (reading, before) => reading ?? before?.value ?? null,
  });

  constructor() {
    effect(() => {
      const request = this.request();
      if (request) untracked(() => this.compute.ask(request));
    });
    this.store.elsewhere.subscribe((stored) => {
      if (stored.kind === 'study' && stored.id === this.current()?.id) void this.takeTheirsIfIdle();
    });
    addEventListener('pagehide', () => void this.flush());
  }

  open(row: StudyRow, section = '') {
    void this.flush();
    this.current.set(row.study);
    this.revisions.set(row.id, row.revision);
    this.past.set([]);
    this.future.set([]);
    this.saveState.set('saved');
    this.chooseSection(section || (row.study.sections[0]?.id ?? ''));
  }
  chooseSection(id: string) {
    this.previewed.set(null);
    this.sectionChoice.set(id);
    this.collection.set({ studyId: this.current()?.id ?? '', sectionId: id });
  }
  close() {
    clearTimeout(this.saveTimer);
    this.current.set(null);
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
    const { shapes = [], capo } = preview;
    this.apply((study) => ({
      ...shapes.reduce((s, shape) => putShape(shape)(s), study),
      ...(capo === undefined ? {} : { capo }),
      sections: study.sections.map((s) => (s.id === id ? { ...s, ...sectionPart(preview) } : s)),
    }));
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
    this.lastStep = { key: '', at: 0 };
    this.put(next);
  }

  /** The tempo is not part of what is tried out. */
  setTempo(bpm: number) {
    const section = this.section();
    if (section) this.adjust(setTempo(section.id, bpm), `tempo ${section.id}`);
  }

  private put(study: Study) {
    this.current.set(study);
    if (this.saveState() === 'conflict') return;
    this.saveState.set('saving');
    clearTimeout(this.saveTimer);
    this.saveTimer = setTimeout(() => void this.save(), SAVE_AFTER_MS);
  }

  /** Saves at once what is still waiting. */
  async flush() {
    if (this.saveState() !== 'saving') return;
    clearTimeout(this.saveTimer);
    await this.save();
  }

  /** Saves follow one another, each with the revision that the one before has left. */
  private save(): Promise<unknown> {
    const study = this.current();
    if (!study) return Promise.resolve();
    this.storing = this.storing.then(async () => {
      try {
        const result = await this.store.saveStudy(study, this.revisions.get(study.id) ?? 0);
        if (result.ok) {
          this.revisions.set(study.id, result.row.revision);
          this.collection.takeSaved(result.row);
          if (this.current() === study) this.saveState.set('saved');
        } else this.saveState.set('conflict');
      } catch {
        this.saveState.set('failed');
      }
    });
    return this.storing;
  }

  private async takeTheirsIfIdle() {
    if (this.saveState() === 'saved') await this.takeTheirs();
    else if (this.saveState() === 'saving') this.saveState.set('conflict');
  }
  /** Shows what another tab has stored; own changes since then go. */
  async takeTheirs() {
    const id = this.current()?.id;
    const row = id ? await this.store.readStudy(id) : null;
    if (row) this.open(row, this.section()?.id);
    else this.saveState.set('saved');
  }
  /** Keeps own changes as a study beside the one that another tab has stored. */
  async keepMineAsCopy() {
    const mine = this.current();
    if (!mine) return;
    const names = this.collection.studies().map((r) => r.study.name);
    const copy = copyStudy(mine, crypto.randomUUID(), freeName(mine.name, names));
    await this.collection.addStudy(copy);
    const row = this.collection.studies().find((r) => r.id === copy.id);
    if (row) {
      this.saveState.set('saved');
      this.open(row);
    }
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
