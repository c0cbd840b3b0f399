import { computed, inject, Injectable, signal } from '@angular/core';
import {
  type BLOCK_ENDS,
  conditionOf,
  cycleLength,
  type PlannedBlock,
  type PlanNote,
  isOfSet,
  restOf,
  type SessionPlan,
  type Study,
  TICKS_PER_COUNT,
} from '@ruffle-wheel/core';
import { Compute } from '../../compute/compute';
import { ownFirst } from '../../data/demo';
import { newId } from '../../data/new-id';
import { today } from '../../data/today';
import { InTime } from '../../parts/in-time';
import { Transport } from '../../sound/transport';
import { Collection, OpenStudy } from '../../study';
import { PracticeSession } from './session';

const TICK_MS = 250;
/** After its time a pass is waited for so long. */
const LAST_PASS_SECONDS = 30;
/** A form is waited for so long. */
const LAST_FORM_SECONDS = 300;
/** A form that ends with so little time left is not begun again. */
const FORM_AGAIN_SECONDS = 60;
/** The next block is announced so many bars ahead, and never more or less than so many seconds. */
const ANNOUNCED_BARS = 2;
const ANNOUNCED = { least: 5, most: 15, silent: 8 } as const;
/** A pause that is longer is no lateness: the player has come back. */
const LONGEST_PAUSE_MS = 10 * 60_000;
/** The rest is planned anew when it is late by so many minutes, and this many are left. */
const LATE_MINUTES = 1;
const LEAST_LEFT = 3;

type End = (typeof BLOCK_ENDS)[number];

/** Today's planned session, followed block by block: hands on the guitar, the blocks come by themselves. */
@Injectable({ providedIn: 'root' })
export class PlanRun {
  private readonly collection = inject(Collection);
  private readonly open = inject(OpenStudy);
  private readonly session = inject(PracticeSession);
  private readonly compute = inject(Compute);
  private readonly transport = inject(Transport);
  private readonly time = inject(InTime);

  /** The plan that was made or taken up here; else today's that is not played to its end. */
  private readonly chosen = signal<string | null>(null);
  private readonly putAway = signal<ReadonlySet<string>>(new Set());
  readonly plan = computed((): SessionPlan | null => {
    const all = this.collection.plans().filter((p) => !this.putAway().has(p.id));
    const open = (p: SessionPlan) => p.startedAt.slice(0, 10) === today() && p.blocks.some((b) => !b.done);
    return all.find((p) => p.id === this.chosen()) ?? [...all].sort(latestFirst).find(open) ?? null;
  });
  /** What is said of the plan that was just made. */
  readonly notes = signal<readonly PlanNote[]>([]);
  /** The block that is played or comes next; -1 when all are over. */
  readonly at = computed(() => this.plan()?.blocks.findIndex((b) => !b.done) ?? -1);
  readonly block = computed((): PlannedBlock | null => this.plan()?.blocks[this.at()] ?? null);
  readonly after = computed((): PlannedBlock | null => this.plan()?.blocks[this.at() + 1] ?? null);
  private readonly minded = signal(false);
  /** It is what beginning means now: just made, or paused, and nothing else was taken up since. */
  readonly ready = computed(() => this.minded() && this.at() >= 0);
  private readonly going = signal(false);
  /** Time runs. */
  readonly on = this.going.asReadonly();
  private readonly spent = signal(0);
  /** A piece of a set lasts as long as it is slower; everything else has its minutes. */
  private readonly pace = computed(() => {
    const block = this.block();
    return block?.kind === 'form' && isOfSet(block) ? this.time.speed() : 1;
  });
  /** Seconds that the block has left. */
  readonly left = computed(() => Math.max(0, (this.block()?.minutes ?? 0) * 60 - this.spent()) / this.pace());
  readonly tense = signal(false);
  /** It is time to say what comes next. */
  readonly announced = computed(() => this.going() && this.left() <= this.ahead());
  /** Told when a block can't be opened, and when the rest was fitted into less time. */
  readonly said = signal<{ readonly gone: PlannedBlock } | { readonly late: number } | null>(null);

  /** How a block is opened: by the place, while it is there. @returns false where what it is about is gone */
  opener: ((block: PlannedBlock) => Promise<boolean>) | null = null;
  private timer: ReturnType<typeof setInterval> | undefined;
  private before = 0;
  private overAt: { readonly pass: number; readonly spent: number } | null = null;
  private turning = false;
  /** Milliseconds that the session has taken so far, with its short pauses. */
  private used = 0;
  private pausedAt: number | null = null;

  private ahead(): number {
    const section = this.open.section();
    if (!section || !this.session.running()) return ANNOUNCED.silent;
    const bars = (ANNOUNCED_BARS * (cycleLength(section.cycle) / TICKS_PER_COUNT) * 60) / section.bpm;
    return Math.min(ANNOUNCED.most, Math.max(ANNOUNCED.least, bars));
  }

  /** Plans a session from what is open, the log and the goals. */
  async make(minutes: number) {
    await this.pause();
    await this.collection.wholeLog();
    const [study, section] = [this.open.study(), this.open.written()];
    const made = await this.compute.planSession({
      minutes,
      studies: this.collection.studies().map((row) => row.study),
      log: ownFirst(this.collection.log()),
      goals: this.collection.goals(),
      courses: this.collection.courses(),
      today: today(),
      hands: [this.collection.profile()],
      ...(study && section ? { open: { studyId: study.id, sectionId: section.id } } : {}),
    });
    this.takenUp(minutes, made.blocks, made.notes);
  }
  /** Pieces one after the other. @returns false where none has anything to be played */
  async makeSet(studies: readonly Study[]): Promise<boolean> {
    await this.pause();
    const blocks = await this.compute.planSet(studies);
    if (blocks.length === 0) return false;
    this.takenUp(
      blocks.reduce((sum, b) => sum + b.minutes, 0),
      blocks,
      [],
    );
    return true;
  }
  private takenUp(minutes: number, blocks: readonly PlannedBlock[], notes: readonly PlanNote[]) {
    const plan: SessionPlan = { id: newId(), startedAt: new Date().toISOString(), minutes, blocks };
    this.collection.savePlan(plan);
    this.chosen.set(plan.id);
    this.minded.set(true);
    this.notes.set(notes);
    this.forget();
    this.used = 0;
    this.pausedAt = null;
  }
  private forget() {
    this.spent.set(0);
    this.tense.set(false);
    this.overAt = null;
  }
  /** Something else was taken up. */
  leave() {
    this.minded.set(false);
    this.session.follows.set(null);
  }
  /** The plan is not followed any more; what was done of it stays in the logbook. */
  async dismiss() {
    await this.pause();
    const plan = this.plan();
    if (plan) this.putAway.update((ids) => new Set([...ids, plan.id]));
    this.leave();
    this.session.close();
    this.notes.set([]);
    this.forget();
  }

  async toggle() {
    if (this.going()) await this.pause();
    else await this.start();
  }
  async start() {
    if (this.going() || this.at() < 0) return;
    this.minded.set(true);
    const pause = this.pausedAt === null ? 0 : performance.now() - this.pausedAt;
    if (pause < LONGEST_PAUSE_MS) this.used += pause;
    this.pausedAt = null;
    this.going.set(true);
    this.before = performance.now();
    clearInterval(this.timer);
    this.timer = setInterval(() => void this.tick(), TICK_MS);
    await this.turn(() => this.openBlock());
  }
  async pause() {
    if (!this.going()) return;
    this.going.set(false);
    this.pausedAt = performance.now();
    clearInterval(this.timer);
    await this.session.finish();
  }

  /** On to the next block: this one is done as far as it was played. */
  goOn(): Promise<void> {
    return this.over(this.howItWent());
  }
  skip(): Promise<void> {
    return this.over('skipped');
  }
  /** A minute less of it, never less than it has had. */
  shorten() {
    const [plan, n, block] = [this.plan(), this.at(), this.block()];
    if (!plan || !block) return;
    const had = Math.ceil((this.spent() / 60) * 2) / 2;
    const minutes = Math.max(0.5, had, block.minutes - 1);
    this.put(plan, (b, i) => (i === n ? { ...b, minutes } : b));
  }
  /** The next block first, this one after it. */
  async swap() {
    const [plan, n, after] = [this.plan(), this.at(), this.after()];
    if (plan && after) await this.takeUp(n + 1);
  }
  /** A block is played now, whether it was done, skipped or is still to come; those before it come after. */
  async takeUp(n: number) {
    const [plan, at] = [this.plan(), this.at()];
    const block = plan?.blocks[n];
    if (!plan || !block || n === at) return;
    this.minded.set(true);
    const again = { ...block };
    delete again.done;
    const others = plan.blocks.filter((b) => b !== block);
    const to = at < 0 ? others.length : others.filter((b) => b.done).length;
    await this.turn(async () => {
      await this.endSound();
      this.collection.savePlan({ ...plan, blocks: [...others.slice(0, to), again, ...others.slice(to)] });
      if (this.going()) await this.openBlock();
    });
  }
  noteTension() {
    this.tense.update((t) => !t);
    this.session.noteTension(this.tense());
  }

  /** One thing after another: while a block is being opened or left, time does not end it again. */
  private async turn(what: () => Promise<void>) {
    if (this.turning) return;
    this.turning = true;
    try {
      await what();
    } finally {
      this.turning = false;
      this.before = performance.now();
    }
  }
  private async endSound() {
    await this.session.finish();
    this.session.close();
    this.session.follows.set(null);
    this.session.askCold(null);
    this.forget();
  }
  private put(plan: SessionPlan, change: (b: PlannedBlock, n: number) => PlannedBlock) {
    this.collection.savePlan({ ...plan, blocks: plan.blocks.map(change) });
  }
  private howItWent(): End {
    const last = this.session.follows() ? this.session.passes().at(-1) : undefined;
    return last && !last.clean ? 'not clean' : 'clean';
  }
  private async over(end: End) {
    await this.turn(async () => {
      const [plan, n] = [this.plan(), this.at()];
      if (!plan || n < 0) return;
      const done = { minutes: Math.round((this.spent() / this.pace() / 60) * 10) / 10, end, tension: this.tense() };
      await this.endSound();
      this.put(plan, (b, i) => (i === n ? { ...b, done } : b));
      if (this.going()) await this.openBlock();
    });
  }
  /** What comes next sounds, or is silence with its time. */
  private async openBlock(): Promise<void> {
    this.planAnew();
    const [plan, block, n] = [this.plan(), this.block(), this.at()];
    if (!plan || !block) {
      this.going.set(false);
      clearInterval(this.timer);
      return;
    }
    if (!block.about) return;
    if (!(await this.opener?.(block))) {
      this.said.set({ gone: block });
      this.put(plan, (b, i) => (i === n ? { ...b, done: { minutes: 0, end: 'skipped', tension: false } } : b));
      return this.openBlock();
    }
    const { pain } = conditionOf(ownFirst(this.collection.log()), today());
    const most = pain?.bpm ?? Infinity;
    this.session.follows.set({ plan: plan.id, block: n, bpm: block.bpm, form: block.kind === 'form', most });
    await this.session.begin();
  }
  /** What is left of the plan is fitted into the time that is left, where that is late. */
  private planAnew() {
    const plan = this.plan();
    if (!plan) return;
    // A set is played as it is.
    if (plan.blocks.some(isOfSet)) return;
    const [over, rest] = [plan.blocks.filter((b) => b.done), plan.blocks.filter((b) => !b.done)];
    const wanted = rest.reduce((sum, b) => sum + b.minutes, 0);
    const left = Math.floor((plan.minutes - this.used / 60_000) * 2) / 2;
    if (wanted - left < LATE_MINUTES || left < LEAST_LEFT) return;
    this.collection.savePlan({ ...plan, blocks: [...over, ...restOf(rest, left)] });
    this.said.set({ late: left });
  }

  private async tick() {
    if (!this.going() || this.turning) return;
    const now = performance.now();
    const ms = now - this.before;
    this.before = now;
    this.used += ms;
    this.spent.update((s) => s + (ms / 1_000) * this.pace());
    const { session } = this;
    const sounds = session.follows() !== null;
    // Stopped by hand, ended by pain, or a check that has had its pass.
    if (sounds && !session.running())
      return this.block()?.kind === 'check' && session.passes().length > 0 ? this.goOn() : this.pause();
    if (sounds && session.follows()?.form && !this.transport.running()) return this.formEnded();
    if (this.left() > 0) return;
    if (!sounds || this.passEnded()) await this.goOn();
  }
  /** A form that is over is played again while there is time. */
  private async formEnded() {
    if (this.transport.state() !== 'stopped') return;
    if (this.left() < FORM_AGAIN_SECONDS) return this.goOn();
    await this.turn(async () => {
      await this.session.finish();
      await this.session.begin();
    });
  }
  /** Whether the pass that was under way when the time was over has come to its end. */
  private passEnded(): boolean {
    const pass = Math.floor(this.transport.progress() ?? -1);
    this.overAt ??= { pass, spent: this.spent() };
    const most = this.session.follows()?.form ? LAST_FORM_SECONDS : LAST_PASS_SECONDS;
    return pass > this.overAt.pass || this.spent() - this.overAt.spent > most;
  }
}
const latestFirst = (a: SessionPlan, b: SessionPlan): number => b.startedAt.localeCompare(a.startedAt);
