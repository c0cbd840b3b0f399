import { computed, inject, Injectable, InjectionToken, signal } from '@angular/core';
import {
  type Anchor,
  bpm,
  frameAt,
  placeAt,
  type Plan,
  soundsBetween,
  tapTempo,
  type Ticks,
  ticks,
  TICKS_PER_COUNT,
  type Volume,
  wrap,
} from '@ruffle-wheel/core';
import { Engine } from './engine';
import { shell as words } from '../words/shell';

/** A plan that stands in for the section's. */
export interface Instead {
  /** Whatever the loop is set to. */
  readonly round: boolean;
  readonly countIn: boolean;
  readonly placeIn: (at: number) => number;
}
/** How far ahead of the loudspeaker sounds are handed to the mixer: the page may be busy for so long. */
const AHEAD_SECONDS = 0.5;
/** What is changed while it plays is heard after so long: what was handed on for later is taken back. */
const CHANGED_AFTER_SECONDS = 0.06;
/** From the key to the first sound. */
const START_SECONDS = 0.06;

export const START_ENGINE = new InjectionToken<() => Promise<Pick<Engine, keyof Engine>>>('START_ENGINE', {
  providedIn: 'root',
  factory: () => () => Engine.start(),
});
export type TransportState = 'stopped' | 'starting' | 'counting in' | 'playing';

/**
 * Plays a plan round and round. The audio clock rules: every sound gets its frame beforehand, and the
 * picture asks which place is being heard.
 */
@Injectable({ providedIn: 'root' })
export class Transport {
  private readonly startEngine = inject(START_ENGINE);
  private engine: Pick<Engine, keyof Engine> | null = null;
  private anchors: Anchor[] = [];
  private made: Plan | null = null;
  private make: (() => Plan) | null = null;
  private lead: Plan | null = null;
  private lent: Plan | null = null;
  /** How a plan is played that stands in for the section's. */
  private instead: Instead | null = null;
  private starts = 0;
  private handedTo = 0;
  private startsAt = 0;
  private readonly volumes: Record<Volume, number> = { guitar: 0.8, claps: 0.5, click: 0.3 };
  private taps: number[] = [];

  private readonly place = signal<number | null>(null);
  private readonly stateNow = signal<TransportState>('stopped');
  private readonly loud = signal(0);
  private readonly failed = signal<string | null>(null);
  readonly state = this.stateNow.asReadonly();
  readonly running = computed(() => this.stateNow() !== 'stopped');
  /** Where the music is heard, in ticks since its start with loops counted on; negative while counting in. */
  readonly heard = this.place.asReadonly();
  /** Loudest sample of the last moments, 0…1. */
  readonly level = this.loud.asReadonly();
  readonly error = this.failed.asReadonly();
  /** Whole loops heard. */
  readonly loops = computed(() => {
    const at = this.place();
    return at === null || at < 0 || !this.plan ? 0 : Math.floor(at / this.plan.length);
  });
  /** How far it has come, in passes: 1.5 = in the middle of the second; null while counting in and while nothing plays. */
  readonly progress = computed(() => {
    const at = this.place();
    return at === null || at < 0 || !this.plan ? null : at / this.plan.length;
  });
  loop = true;
  /** How much of its tempo everything goes at, and the tempo that it has by itself. */
  private speed = 1;
  private tempo = 0;

  /** Made when it is first played. */
  private get plan(): Plan | null {
    return this.lent ?? (this.made ??= this.make?.() ?? null);
  }
  /** Another plan in place of the section's for a while, heard at once; null gives the section's back, and is silent. */
  async lend(plan: Plan | null, tempo = 0) {
    if (!this.lent && !plan) return;
    this.stop();
    this.lent = plan;
    if (plan) await this.play(tempo, false);
  }
  /**
   * Another plan in place of the section's until it is stopped; one that does not go round ends with its end.
   * @param instead.placeIn what is told as heard, for each place of it
   */
  async playInstead(plan: Plan, tempo: number, instead: Instead) {
    this.stop();
    this.lent = plan;
    this.instead = instead;
    await this.play(tempo, instead.countIn);
    if (this.stateNow() === 'stopped') this.giveBack();
  }
  private giveBack() {
    if (!this.instead) return;
    this.lent = this.instead = null;
  }
  /** Puts another plan in; while playing it takes over at once. */
  load(plan: () => Plan, lead: Plan) {
    this.make = plan;
    this.made = null;
    this.lead = lead;
    if (!this.lent) this.handAnew();
  }

  async play(tempo: number, countIn: boolean) {
    const { plan } = this;
    const lead = this.lead ?? this.lent;
    if (!plan || !lead || this.stateNow() !== 'stopped') return;
    this.tempo = tempo;
    const start = ++this.starts;
    this.stateNow.set('starting');
    this.failed.set(null);
    try {
      this.engine ??= await this.begin();
      await this.engine.resume();
    } catch (e) {
      // The part that makes the sound is fetched the first time.
      const fetched = !(e instanceof DOMException && e.name === 'AbortError');
      this.failed.set(fetched ? words.noSound : words.noMixer);
      this.stateNow.set('stopped');
      return;
    }
    // Stopped again while the engine was getting ready.
    if (this.state() !== 'starting' || start !== this.starts) return;
    this.startsAt = countIn ? 0 - lead.length : 0;
    this.handedTo = this.startsAt;
    const frame = this.engine.frame + Math.round(START_SECONDS * this.engine.rate);
    this.anchors = [{ at: ticks(this.startsAt), frame, bpm: bpm(this.tempo * this.speed), rate: this.engine.rate }];
    this.stateNow.set(countIn ? 'counting in' : 'playing');
    this.place.set(this.startsAt);
    this.hand();
    this.follow();
  }

  stop() {
    if (this.stateNow() === 'stopped') return;
    this.stateNow.set('stopped');
    this.place.set(null);
    this.anchors = [];
    this.engine?.silence();
    this.giveBack();
  }

  /** From now on the music goes at another tempo. */
  setTempo(tempo: number) {
    const last = this.anchors.at(-1);
    // A piece has its own tempos.
    if (!last || this.tempo === tempo || this.instead?.round === false) return;
    this.tempo = tempo;
    this.handAnew(tempo * this.speed);
  }
  /** From now on everything goes at so much of its own tempo; what is lent to sound once too. */
  setSpeed(speed: number) {
    if (speed === this.speed) return;
    this.speed = speed;
    if (this.anchors.length) this.handAnew(this.tempo * speed);
  }
  /** What was handed on for later is taken back, and handed on anew as it is now. */
  private handAnew(tempo?: number) {
    const { engine } = this;
    if (!engine || this.anchors.length === 0) return;
    const soon = engine.frame + Math.round(CHANGED_AFTER_SECONDS * engine.rate);
    // A tempo that would only have begun later never does.
    while (this.anchors.length > 1 && (this.anchors.at(-1)?.frame ?? 0) > soon) this.anchors.pop();
    const last = this.anchors.at(-1) as Anchor;
    const at = ticks(Math.max(last.at, Math.ceil(placeAt(last, soon))));
    if (at < this.handedTo) {
      engine.takeBack(frameAt(last, at));
      this.handedTo = at;
    }
    if (tempo !== undefined) {
      const from = ticks(Math.ceil(this.handedTo));
      this.anchors.push({ at: from, frame: frameAt(last, from), bpm: bpm(tempo), rate: last.rate });
    }
    this.hand();
  }
  setVolume(volume: Volume, level: number) {
    this.volumes[volume] = level;
    this.engine?.setVolume(volume, level);
  }
  /** One tap of a tempo; gives the tempo when there are enough taps. */
  tap(now = performance.now()): number | null {
    this.taps = [...this.taps, now].slice(-8);
    return tapTempo(this.taps);
  }

  private async begin() {
    const engine = await this.startEngine();
    for (const v of ['guitar', 'claps', 'click'] as const) engine.setVolume(v, this.volumes[v]);
    engine.tick.subscribe(() => this.hand());
    engine.peak.subscribe((peak) => this.loud.set(peak));
    return engine;
  }

  /** Hands the mixer every sound up to a little ahead of now. */
  private hand() {
    const { engine, plan } = this;
    const lead = this.lead ?? this.lent;
    const anchor = this.anchors.at(-1);
    if (!engine || !plan || !lead || !anchor) return;
    const horizon = Math.floor(placeAt(anchor, engine.frame + AHEAD_SECONDS * engine.rate));
    let to: Ticks = ticks(Math.max(horizon, this.handedTo));
    if (!this.goesRound && to > plan.length) to = ticks(Math.max(this.handedTo, plan.length));
    if (this.handedTo < 0) {
      const shifted: Anchor = { ...anchor, at: ticks(anchor.at + lead.length) };
      const until = ticks(Math.min(0, to) + lead.length);
      engine.play(soundsBetween({ ...lead }, shifted, ticks(this.handedTo + lead.length), until));
      this.handedTo = Math.min(0, to);
    }
    if (to > this.handedTo) {
      engine.play(soundsBetween(plan, anchor, ticks(this.handedTo), to));
      this.handedTo = to;
    }
  }

  private get goesRound(): boolean {
    return this.instead?.round ?? this.loop;
  }
  /** Once a frame of the picture: where is the music heard? */
  private follow() {
    const { engine, plan } = this;
    if (!engine || !plan || this.anchors.length === 0) return;
    const frame = engine.heardFrame;
    while (this.anchors.length > 1 && (this.anchors[1]?.frame ?? Infinity) <= frame) this.anchors.shift();
    const at = Math.max(this.startsAt, placeAt(this.anchors[0] as Anchor, frame));
    this.place.set(at >= 0 && this.instead ? this.instead.placeIn(this.goesRound ? at % plan.length : at) : at);
    if (at >= 0 && this.stateNow() === 'counting in') this.stateNow.set('playing');
    if (!this.goesRound && at >= plan.length) this.stop();
    else requestAnimationFrame(() => this.follow());
  }
}

export interface HeardPlace {
  readonly turn: number;
  /** Ticks into the turn, with fraction. */
  readonly inTurn: number;
  readonly count: number;
  readonly countingIn: boolean;
}
/** Which turn, place and count is heard, for a cycle so long. */
export function heardPlace(at: number | null, turnLength: number): HeardPlace | null {
  if (at === null) return null;
  const inTurn = wrap(at, turnLength);
  return {
    turn: Math.max(0, Math.floor(at / turnLength)),
    inTurn,
    count: Math.floor(inTurn / TICKS_PER_COUNT),
    countingIn: at < 0,
  };
}
