import { computed, inject, Injectable, signal } from '@angular/core';
import {
  clampBpm,
  cleanName,
  climb,
  type DueCheck,
  isAbout,
  LONGEST_SESSION_MINUTES,
  type LogEntry,
  MOST_PASSES,
  nextTempo,
  type PracticePass,
  type Rung,
  type Section,
} from '@ruffle-wheel/core';
import { PiecePlaying } from '../../parts/piece-playing';
import { InTime } from '../../parts/in-time';
import { SectionPlaying } from '../../parts/section-playing';
import { Transport } from '../../sound/transport';
import { ownFirst } from '../../data/demo';
import { Collection, OpenStudy } from '../../study';
import { newId } from '../../data/new-id';
import { today } from '../../data/today';

/** A pass may be marked this much of its length before its end. */
const EARLY = 0.06;
/** Shorter playing without a mark leaves no line in the logbook. */
const SHORTEST_MINUTES = 0.5;
/** While it plays, the line is written anew so often: minutes without a mark count too. */
const WRITE_EVERY_MS = 15_000;

/** A block of a plan, as it is played. */
export interface FollowedBlock {
  readonly plan: string;
  readonly block: number;
  /** None: as the ladder has it. */
  readonly bpm: number | null;
  /** The study's form from end to end. */
  readonly form: boolean;
  /** The ladder does not climb above it: the tempo at which it hurt; Infinity where nothing did. */
  readonly most: number;
}

/** One stretch of practice on the open section: its passes, its ladder, and the line it leaves in the logbook. */
@Injectable({ providedIn: 'root' })
export class PracticeSession {
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly transport = inject(Transport);
  private readonly playing = inject(SectionPlaying);
  private readonly piece = inject(PiecePlaying);
  private readonly time = inject(InTime);

  private entryId = '';
  private sectionId = '';
  /** What is practised, as it was called when the session began: it stays so when another study is opened. */
  private practised: Pick<LogEntry, 'studyId' | 'studyName' | 'sectionName' | 'sectionId' | 'drill'> | null = null;
  private writing: ReturnType<typeof setInterval> | undefined;
  private startedAt = '';
  private playedMs = 0;
  private playingSince: number | null = null;
  /** The ladder counts from here after the player has set another tempo by hand. */
  private base = { bpm: 0, pass: 0 };
  /** Which pass since it began to play was marked last; each is marked once, when it is over. */
  private marked = 0;
  private readonly made = signal<readonly PracticePass[]>([]);
  private readonly painNoted = signal(false);
  private readonly lastWritten = signal<LogEntry | null>(null);
  readonly passes = this.made.asReadonly();
  readonly pain = this.painNoted.asReadonly();
  readonly written = this.lastWritten.asReadonly();
  private readonly going = signal(false);
  readonly running = this.going.asReadonly();
  readonly rung = signal<Rung | null>(null);

  /** The drill practised in place of the section as written. */
  readonly drill = signal<string | null>(null);
  /** Its key, by which the logbook knows it again. */
  readonly drillKey = signal<string | null>(null);
  /** Under which name the logbook keeps it: a drill climbs its own ladder. */
  readonly label = computed(() => {
    const name = this.open.section()?.name ?? '';
    return cleanName(this.drill() ? `${name} · ${this.drill() ?? ''}` : name);
  });

  /** A check that was asked for, cold: its tempo, and what it is of. */
  private readonly asked = signal<Pick<DueCheck, 'sectionId' | 'drill' | 'bpm'> | null>(null);
  /** The tempo of the one cold pass that comes next; null where what is open is simply practised. */
  readonly cold = computed(() => {
    const asked = this.asked();
    const here = asked?.sectionId === this.open.section()?.id && asked?.drill === this.drillKey();
    return here && asked ? asked.bpm : null;
  });
  askCold(check: Pick<DueCheck, 'sectionId' | 'drill' | 'bpm'> | null) {
    this.asked.set(check);
  }
  private isCold = false;
  /** The block of a plan that is followed: its tempo, and where its line belongs. */
  readonly follows = signal<FollowedBlock | null>(null);
  private followed: FollowedBlock | null = null;
  /** The hand was tense. */
  readonly tense = signal(false);
  noteTension(tense: boolean) {
    this.tense.set(tense);
    if (this.entryId) this.write();
  }
  /** Words or the count are spoken over it. */
  readonly spoke = signal(false);
  noteSpoken(spoken: boolean) {
    this.spoke.set(spoken);
    if (this.entryId) this.write();
  }
  private wishedTempo: number | null = null;
  /** The next line begins at this tempo, whatever the logbook says. */
  askTempo(bpm: number) {
    this.close();
    this.wishedTempo = bpm;
    this.open.setTempo(bpm);
  }
  /** Whether the line that is open is about this; where none is, it is about anything. */
  isOn(sectionId: string, drill: string | null): boolean {
    if (!this.entryId || !this.practised || this.followed?.form) return true;
    return this.practised.sectionId === sectionId && (this.practised.drill ?? null) === drill;
  }

  /** Where to begin today, from what the logbook says of this section. */
  readonly today = computed(() => {
    const study = this.open.study();
    const section = this.open.section();
    if (!study || !section) return null;
    const what = {
      studyId: study.id,
      sectionId: section.id,
      drill: this.drillKey(),
      sectionName: this.label(),
    };
    const own = ownFirst(this.collection.log().filter((e) => isAbout(e, what) && e.id !== this.entryId));
    return nextTempo(own, section.ladder, today());
  });

  /** A new line for what is practised now, if the one that is open is not about it. */
  private async openLine(): Promise<void> {
    const section = this.open.section();
    await this.collection.wholeLog();
    if (!section || (this.sectionId === section.id && this.entryId)) return;
    this.entryId = newId();
    this.isCold = this.cold() !== null;
    this.sectionId = section.id;
    this.followed = this.follows();
    const study = this.open.study();
    const drill = this.drillKey();
    const part = { sectionName: this.label(), sectionId: section.id, ...(drill ? { drill } : {}) };
    this.practised = study && {
      studyId: study.id,
      studyName: study.name,
      // A form from end to end is of no section.
      ...(this.followed?.form ? { sectionName: cleanName(study.name) } : part),
    };
    this.tense.set(false);
    this.spoke.set(false);
    this.startedAt = new Date().toISOString();
    this.playedMs = 0;
    this.made.set([]);
    this.painNoted.set(false);
    this.lastWritten.set(null);
  }
  async begin() {
    const section = this.open.section();
    if (!section || this.going()) return;
    this.going.set(true);
    const before = this.entryId;
    await this.openLine();
    if (before !== this.entryId) {
      const tempo = this.followed?.bpm ?? this.cold() ?? this.wishedTempo ?? this.today()?.bpm ?? section.ladder.start;
      this.wishedTempo = null;
      this.base = { bpm: tempo, pass: 0 };
      this.rung.set(climb(section.ladder, [], tempo));
      if (!this.followed?.form) this.open.setTempo(tempo);
    }
    this.playingSince = performance.now();
    this.marked = 0;
    await (this.followed?.form ? this.piece.play() : this.playing.play());
    if (!this.transport.running()) {
      this.going.set(false);
      this.playingSince = null;
      return;
    }
    clearInterval(this.writing);
    this.writing = setInterval(() => this.write(), WRITE_EVERY_MS);
  }

  /** The pass that could be marked now, from 1; what ends by itself has been played once. */
  private passOver(): number {
    const at = this.transport.progress();
    if (at !== null) return Math.floor(at + EARLY);
    return this.transport.running() ? 0 : 1;
  }
  /**
   * Marks the pass just played; the ladder sets the tempo of the next.
   * @returns false while none is over that has no mark yet
   */
  mark(clean: boolean): boolean {
    const section = this.open.section();
    if (!section || !this.going()) return false;
    const pass = this.passOver();
    if (pass <= this.marked) return false;
    this.marked = pass;
    if (!this.followed?.form && section.bpm !== (this.rung()?.bpm ?? section.bpm))
      this.base = { bpm: section.bpm, pass: this.made().length };
    const speed = this.time.speed();
    this.made.update((p) => [...p, { bpm: clampBpm(section.bpm * speed), clean }].slice(0 - MOST_PASSES));
    // Of a cold check the first pass counts: it is over with it.
    if (this.isCold) {
      this.asked.set(null);
      void this.finish();
      return true;
    }
    // A form has the tempi of its sections.
    if (!this.followed?.form && speed === 1) this.climbOn(section);
    // Slower than it stands says nothing of the ladder: it counts on from the next pass.
    else if (speed !== 1) this.base = { bpm: section.bpm, pass: this.made().length };
    this.write();
    return true;
  }
  private climbOn(section: Section) {
    const climbed = climb(section.ladder, this.made().slice(this.base.pass), this.base.bpm);
    const rung = { ...climbed, bpm: clampBpm(Math.min(climbed.bpm, this.followed?.most ?? Infinity)) };
    this.rung.set(rung);
    if (rung.bpm !== section.bpm) this.open.setTempo(rung.bpm);
  }
  /** The last mark was none: the ladder stands as it did before it, and the pass can be marked anew. */
  takeBack() {
    const section = this.open.section();
    const last = this.made().at(-1);
    if (!section || !last) return;
    this.made.update((p) => p.slice(0, -1));
    this.marked = Math.max(0, this.marked - 1);
    if (this.base.pass > this.made().length) this.base = { ...this.base, pass: this.made().length };
    if (!this.followed?.form) this.climbOn(section);
    this.write();
  }

  /** Pain is noted, and the session ends with it; noted before one has begun, it is a line of its own. */
  async notePain() {
    if (!this.entryId) await this.openLine();
    this.painNoted.set(true);
    if (this.going()) return this.finish();
    this.lastWritten.set(this.write());
    await this.collection.settled();
  }

  /** Stops and writes what was played; going on afterwards lengthens the same line. */
  async finish() {
    if (!this.going()) return;
    this.going.set(false);
    clearInterval(this.writing);
    this.transport.stop();
    if (this.playingSince !== null) this.playedMs += performance.now() - this.playingSince;
    this.playingSince = null;
    this.lastWritten.set(this.write());
    await this.collection.settled();
  }
  /** The line as it stands: a tab that is closed in the middle of a session has left it in the logbook. */
  private write(): LogEntry | null {
    const here = this.practised;
    const playing = this.playingSince === null ? 0 : performance.now() - this.playingSince;
    const minutes = Math.min(LONGEST_SESSION_MINUTES, Math.round((this.playedMs + playing) / 6_000) / 10);
    if (!here || !this.entryId) return null;
    if (this.made().length === 0 && minutes < SHORTEST_MINUTES && !this.painNoted()) return null;
    const entry: LogEntry = {
      id: this.entryId,
      ...here,
      startedAt: this.startedAt,
      minutes,
      passes: this.made(),
      pain: this.painNoted(),
      ...(this.isCold ? { cold: true } : {}),
      ...(this.tense() ? { tension: true } : {}),
      ...(this.spoke() ? { spoken: true } : {}),
      ...(this.followed ? { plan: this.followed.plan, block: this.followed.block } : {}),
    };
    this.collection.saveLog(entry);
    return entry;
  }

  /** The next begin opens a new line. */
  close() {
    this.entryId = '';
    this.rung.set(null);
    this.made.set([]);
    this.lastWritten.set(null);
    this.tense.set(false);
    this.spoke.set(false);
  }
}
