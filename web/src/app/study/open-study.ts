import { computed, inject, Injectable, signal } from '@angular/core';
import {
  type Command,
  copyStudy,
  type Fact,
  freeName,
  keepTrial,
  neckOf,
  setTempo,
  type Shape,
  type Study,
  type Trial,
} from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import { Store, type StudyRow, Writes } from '../data';
import type { Change, Conflict } from './change';
import { Collection } from './collection';
import { History, type Way } from './history';
import { SectionReading } from './section-reading';
import { newId } from '../data/new-id';

export type SaveState = 'opening' | 'saved' | 'saving' | 'conflict' | 'gone' | 'failed' | 'refused';
/** No stored row has it: an edit of a version that another tab's has overtaken is never taken for one of theirs. */
const OVERTAKEN = -1;

/** The study that every place shows: commands with undo and redo, saved as it is made. */
@Injectable({ providedIn: 'root' })
export class OpenStudy {
  private readonly store = inject(Store);
  private readonly collection = inject(Collection);

  private readonly current = signal<Study | null>(null);
  private readonly history = new History();
  private readonly sectionChoice = signal('');
  private readonly writes = inject(Writes);
  /** The open study was deleted in another tab. */
  private readonly gone = signal(false);
  private readonly said = new Subject<Fact>();
  /** Why a gesture changed nothing. */
  readonly refusals = this.said.asObservable();

  /** A command not yet kept: it is shown and heard, and not stored. */
  private readonly triedNow = signal<Command | null>(null);
  readonly tried = this.triedNow.asReadonly();
  /** What is tried out is a drill: it is never kept, undo leaves it alone, and its tempo is its own. */
  private readonly drilled = signal<{ readonly section: string; readonly bpm: number | null } | null>(null);

  readonly study = this.current.asReadonly();
  /** Something is tried out in place of what is written. */
  readonly trying = computed(() => this.tried() !== null);
  /** The study as it is seen: with what is tried out. */
  readonly seen = computed((): Study | null => {
    const study = this.current();
    const drilled = this.drilled();
    const tried = study ? (this.tried()?.(study) ?? study) : null;
    return tried && drilled && drilled.bpm !== null ? setTempo(drilled.section, drilled.bpm)(tried) : tried;
  });
  /** The open section as it is stored, whatever is tried out. */
  readonly written = computed(() => this.sectionIn(this.current()));
  readonly section = computed(() => this.sectionIn(this.seen()));
  private sectionIn(study: Study | null) {
    const sections = study?.sections ?? [];
    return sections.find((s) => s.id === this.sectionChoice()) ?? sections[0] ?? null;
  }
  /** The study's shapes, with those that are tried out. */
  readonly shapes = computed((): readonly Shape[] => this.seen()?.shapes ?? []);
  /** The study's capo, or that of what is tried out. */
  readonly capo = computed(() => this.seen()?.instrument.capo ?? 0);
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
    if (this.writes.refusedWhy(this.current()?.id ?? '') !== null) return 'refused';
    if (this.collection.opening()) return 'opening';
    // Where the player stands is stored too, and no work.
    return this.writes.pending().some((o) => o.kind !== 'settings') ? 'saving' : 'saved';
  });
  readonly canUndo = this.history.canUndo;
  readonly canRedo = this.history.canRedo;
  private readonly found = new SectionReading({
    study: this.seen,
    section: this.section,
    profile: this.collection.profile,
    cells: this.collection.ownCells,
    trying: this.trying,
  });
  readonly readingRequest = this.found.request;
  readonly reading = this.found.reading;
  readonly settled = this.found.settled;
  readonly writtenReading = this.found.writtenReading;
  /** The reading of what is seen now, once it is there. */
  readNow() {
    return this.found.now();
  }

  constructor() {
    this.collection.changed.subscribe((change) => this.follow(change));
  }

  /** Opens a study: this tab's own version where one waits for a choice. */
  open(row: StudyRow, section = '', remembered = true) {
    const key = this.store.unsettledKey(row.id);
    const study = this.collection.conflicts().find((c) => c.key === key)?.mine ?? row.study;
    this.current.set(study);
    this.gone.set(false);
    this.history.clear();
    this.chooseSection(section || (study.sections[0]?.id ?? ''), remembered);
  }
  /** @param remembered the next start opens it again */
  chooseSection(id: string, remembered = true) {
    this.endTrial();
    this.sectionChoice.set(id);
    if (remembered) this.collection.set({ studyId: this.current()?.id ?? '', sectionId: id });
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
    if (!this.drilled()) this.keepTried();
    this.run(command, key);
  }
  /**
   * A command on what lies beside the script, such as tempo and ladder: what is tried out stays so.
   * @param whenever joined to the last step where that has the same key, however long ago it was
   */
  adjust(command: Command, key = '', whenever = false) {
    this.run(command, key, whenever);
  }
  private run(command: Command, key: string, whenever = false) {
    const before = this.current();
    if (!before) return;
    const refusal = command.refusal?.(before);
    if (refusal) return this.said.next(refusal);
    const after = command(before);
    if (after === before) return;
    this.history.step(before, key, false, whenever);
    this.put(after);
  }
  /** Shows and plays what a command would make of the study; null goes back to what is written. */
  tryOut(command: Command | null) {
    this.drilled.set(null);
    this.triedNow.set(command);
  }
  private endTrial() {
    this.tryOut(null);
  }
  /**
   * A drill in place of the open section's script, at a tempo of its own once one is set; null ends it.
   * The written section has its own tempo all the while.
   */
  drill(trial: Trial | null) {
    const id = this.written()?.id;
    const before = this.drilled();
    this.tryOut(trial && id ? keepTrial(id, trial) : null);
    if (trial && id) this.drilled.set({ section: id, bpm: before?.section === id ? before.bpm : null });
  }
  /** The same for another script in place of the open section's, and what goes with it. */
  tryTrial(trial: Trial) {
    const id = this.written()?.id;
    if (id) this.tryOut(keepTrial(id, trial));
  }
  /** What was tried out is kept, as one step of undo. */
  keepTried() {
    const command = this.tried();
    if (!command) return;
    this.triedNow.set(null);
    this.apply(command);
  }
  undo() {
    this.go((now) => this.history.undo(now));
  }
  redo() {
    this.go((now) => this.history.redo(now));
  }
  private go(way: (now: Study) => Way | null) {
    if (!this.drilled()) this.triedNow.set(null);
    const now = this.current();
    const next = now ? way(now) : null;
    if (next) this.put(next.study, next.overTheirs);
  }
  /** When the study was last changed here, on the clock of the page. */
  changedAt(): number {
    return this.history.changedAt();
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

  /** The tempo is not part of what is tried out; a drill has its own. */
  setTempo(bpm: number) {
    const section = this.section();
    if (this.drilled()) this.drilled.update((d) => d && { ...d, bpm });
    else if (section) this.adjust(setTempo(section.id, bpm), `tempo ${section.id}`);
  }

  /** @param overTheirs it would take back what another tab has stored since: never without asking */
  private put(study: Study, overTheirs = false) {
    this.current.set(study);
    if (this.gone()) return;
    const revision = overTheirs || this.conflict() ? OVERTAKEN : (this.collection.row(study.id)?.revision ?? 0);
    this.collection.saveStudy(study, { revision });
  }

  /** Until everything is stored, or storage has refused. */
  flush(): Promise<void> {
    return this.writes.settled();
  }

  /** Rows have become others without this study's own doing: another tab's edit, an import, a deletion. */
  private follow({ places, elsewhere }: Change) {
    const study = this.current();
    if (!study || this.conflict()) return;
    if (places && !places.some((p) => p.table === 'studies' && p.id === study.id)) return;
    const row = this.collection.row(study.id);
    this.gone.set(!row);
    if (row && row.study !== study && JSON.stringify(row.study) !== JSON.stringify(study))
      this.takeOver(row.study, elsewhere);
  }
  /** Shows another version; what was there is one step of undo away. */
  private takeOver(study: Study, theirs = false) {
    const before = this.current();
    if (!this.drilled()) this.triedNow.set(null);
    if (before) this.history.step(before, '', theirs);
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
    const kept = theirs ? copyStudy(mine, newId(), freeName(mine.name, names)) : mine;
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
