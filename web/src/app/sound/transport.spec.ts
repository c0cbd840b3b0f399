import { TestBed } from '@angular/core/testing';
import { countInPlan, cycleById, frameOf, bpm, ticks, TICKS_PER_COUNT, type TimedSound } from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import { heardPlace, START_ENGINE, Transport } from './transport';

const RATE = 48_000;
class FakeEngine {
  readonly tick = new Subject<void>();
  readonly peak = new Subject<number>();
  readonly rate = RATE;
  frame = 1_000;
  readonly played: TimedSound[] = [];
  volumes: Record<string, number> = {};
  silenced = 0;
  get heardFrame() {
    return this.frame;
  }
  resume = () => Promise.resolve();
  play = (sounds: readonly TimedSound[]) => void this.played.push(...sounds);
  takeBack = (frame: number) => {
    const kept = this.played.filter((s) => (s.stroke ?? s.frame) < frame);
    this.played.splice(0, this.played.length, ...kept);
  };
  setVolume = (v: string, level: number) => void (this.volumes[v] = level);
  silence = () => void this.silenced++;
  /** Lets the audio clock run and the scheduler tick every 25 ms. */
  run(seconds: number) {
    for (let n = 0; n < seconds * 40; n++) {
      this.frame += RATE / 40;
      this.tick.next();
    }
  }
}

describe('transport', () => {
  let engine: FakeEngine;
  let transport: Transport;
  const cycle = cycleById('tangos')!;
  const plan = countInPlan(cycle);
  const clicks = () => engine.played.filter((t) => t.sound.kind === 'click').map((t) => t.frame);
  beforeEach(() => {
    engine = new FakeEngine();
    TestBed.configureTestingModule({ providers: [{ provide: START_ENGINE, useValue: () => Promise.resolve(engine) }] });
    transport = TestBed.inject(Transport);
    transport.load(() => plan, plan);
  });
  afterEach(() => transport.stop());

  it('hands out every sound once, each at exactly its frame, loop after loop', async () => {
    await transport.play(120, false);
    engine.run(10);
    const start = clicks()[0]!;
    expect(clicks().length).toBeGreaterThanOrEqual(20);
    clicks().forEach((f, n) => expect(f).toBe(start + frameOf(ticks(n * TICKS_PER_COUNT), bpm(120), RATE)));
  });
  it('lends itself to another plan, heard at once, and gives the section’s back in silence', async () => {
    const lent = { ...plan, sounds: plan.sounds.filter((s) => s.kind === 'click') };
    await transport.lend(lent, 120);
    engine.run(4);
    expect(transport.running()).toBe(true);
    expect(new Set(engine.played.map((t) => t.sound.kind))).toEqual(new Set(['click']));
    // Another that follows at once is the only one that sounds.
    const claps = { ...plan, sounds: plan.sounds.filter((s) => s.kind === 'clap') };
    engine.played.length = 0;
    await Promise.all([transport.lend(lent, 120), transport.lend(claps, 120)]);
    engine.run(4);
    expect(new Set(engine.played.map((t) => t.sound.kind))).toEqual(new Set(['clap']));
    await transport.lend(null);
    expect(transport.running()).toBe(false);
    await transport.play(120, false);
    engine.run(4);
    expect(new Set(engine.played.map((t) => t.sound.kind))).toEqual(new Set(['click', 'clap']));
  });
  it('plays another plan once to its end, tells places of its own, and gives the section’s back', async () => {
    const once = { ...plan, sounds: plan.sounds.filter((s) => s.kind === 'click') };
    await transport.playInstead(once, 120, { round: false, countIn: false, placeIn: (at) => at + 1_000_000 });
    // Its tempo is its own.
    transport.setTempo(60);
    engine.run(1);
    expect(transport.heard()).toBeGreaterThanOrEqual(1_000_000);
    engine.run(10);
    expect(engine.played).toHaveLength(4);
    expect(clicks()[1]! - clicks()[0]!).toBe(RATE / 2);
    transport.stop();
    engine.played.length = 0;
    await transport.play(120, false);
    engine.run(4);
    expect(new Set(engine.played.map((t) => t.sound.kind))).toEqual(new Set(['click', 'clap']));
  });
  it('plays another plan round and round whatever the loop says, until it is stopped', async () => {
    transport.loop = false;
    const placeIn = (at: number) => at;
    await transport.playInstead(plan, 120, { round: true, countIn: false, placeIn });
    engine.run(6);
    expect(clicks().length).toBeGreaterThan(8);
    expect(transport.heard()).toBeLessThan(plan.length);
    // Its tempo may be changed while it plays.
    transport.setTempo(240);
    engine.run(2);
    expect(clicks().at(-1)! - clicks().at(-2)!).toBe(RATE / 4);
  });
  it('at half its speed every sound has twice its time, to the sample, and a new tempo is halved too', async () => {
    transport.setSpeed(0.5);
    await transport.play(120, false);
    engine.run(4);
    const [start = 0] = clicks();
    clicks().forEach((f, n) => expect(f).toBe(start + frameOf(ticks(n * TICKS_PER_COUNT), bpm(60), RATE)));
    transport.setTempo(240);
    engine.run(3);
    expect(clicks().at(-1)! - clicks().at(-2)!).toBe(RATE / 2);
    transport.setSpeed(1);
    engine.run(3);
    expect(clicks().at(-1)! - clicks().at(-2)!).toBe(RATE / 4);
  });
  it('a piece keeps its own tempo, and goes at half of it when that is asked', async () => {
    await transport.playInstead(plan, 120, { round: false, countIn: false, placeIn: (at) => at });
    engine.run(0.6);
    transport.setTempo(300);
    transport.setSpeed(0.5);
    engine.run(6);
    expect(clicks()[1]! - clicks()[0]!).toBe(RATE / 2);
    expect(clicks().at(-1)! - clicks().at(-2)!).toBe(RATE);
  });
  it('counts in for one turn before the music, without a gap', async () => {
    transport.load(() => ({ ...plan, sounds: plan.sounds.filter((s) => s.kind === 'clap') }), plan);
    await transport.play(60, true);
    expect(transport.state()).toBe('counting in');
    engine.run(6);
    expect(clicks()).toHaveLength(4);
    const music = engine.played.filter((t) => t.sound.kind === 'clap' && t.frame >= clicks()[0]! + 4 * RATE);
    expect(music[0]?.frame).toBe(clicks()[0]! + 5 * RATE);
  });
  it('under a page that does nothing for 300 ms the music goes on, sound by sound', async () => {
    await transport.play(400, false);
    engine.run(1);
    const before = engine.frame;
    // What was handed on lasts longer than that.
    expect(Math.max(...clicks())).toBeGreaterThan(before + 0.3 * RATE);
    engine.frame += Math.round(0.3 * RATE);
    engine.run(2);
    const start = clicks()[0]!;
    clicks().forEach((f, n) => expect(f).toBe(start + frameOf(ticks(n * TICKS_PER_COUNT), bpm(400), RATE)));
  });
  it('a new tempo, and another plan, are heard at once: what was handed on for later is taken back', async () => {
    await transport.play(120, false);
    engine.run(2);
    transport.setTempo(240);
    const changed = engine.frame;
    engine.run(2);
    const after = clicks().filter((f) => f > changed + 0.06 * RATE);
    // The count that is under way ends sooner; from the next one on they are a quarter of a second apart.
    expect(after[1]! - after[0]!).toBe(RATE / 4);
    expect(after[0]! - changed).toBeLessThan(0.45 * RATE);
    transport.load(() => ({ ...plan, sounds: [] }), plan);
    const emptied = engine.frame;
    engine.run(2);
    expect(engine.played.filter((t) => t.frame > emptied + 0.07 * RATE)).toEqual([]);
  });
  it('of a strum that has begun no string is taken back', async () => {
    const strum = [0, 15, 30].map((delayMs, n) => ({
      ...{ kind: 'pluck' as const, at: ticks(0), string: (n + 1) as 1, midi: 60 as never, gain: 1, delayMs },
      ...{ damping: 'none' as const, touch: 'flick' as const },
    }));
    transport.load(() => ({ ...plan, sounds: strum }), plan);
    await transport.play(60, false);
    const frames = engine.played.map((t) => t.frame);
    engine.takeBack(frames[1]!);
    expect(engine.played.map((t) => t.frame).slice(0, 3)).toEqual(frames.slice(0, 3));
  });
  it('takes up a new tempo from the next stretch on', async () => {
    await transport.play(60, false);
    engine.run(2);
    transport.setTempo(120);
    engine.run(6);
    const gaps = clicks()
      .map((f, n, all) => f - (all[n - 1] ?? f))
      .slice(1);
    expect(gaps[0]).toBe(RATE);
    expect(gaps.at(-1)).toBe(RATE / 2);
  });
  it('stops at once and silences what was handed out', async () => {
    await transport.play(60, false);
    transport.stop();
    expect(engine.silenced).toBe(1);
    const before = engine.played.length;
    engine.run(1);
    expect(engine.played.length).toBe(before);
    expect(transport.heard()).toBeNull();
  });
  it('without the loop the plan is played once', async () => {
    transport.loop = false;
    await transport.play(240, false);
    engine.run(4);
    expect(clicks()).toHaveLength(4);
  });
  it('remembers volumes set before there was sound', async () => {
    transport.setVolume('claps', 0.1);
    await transport.play(60, false);
    expect(engine.volumes['claps']).toBe(0.1);
  });
  it('says in words when there is no sound to be had', async () => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [{ provide: START_ENGINE, useValue: () => Promise.reject(new Error('none')) }],
    });
    const silent = TestBed.inject(Transport);
    silent.load(() => plan, plan);
    await silent.play(60, false);
    expect(silent.error()).toMatch(/no sound/);
    expect(silent.state()).toBe('stopped');
  });
  it('taps give a tempo', () => {
    transport.tap(0);
    transport.tap(500);
    expect(transport.tap(1000)).toBe(120);
  });
});

describe('what is heard', () => {
  it('is told as turn, place and count; before the music it counts in', () => {
    const turn = 12 * TICKS_PER_COUNT;
    expect(heardPlace(turn + 3.5 * TICKS_PER_COUNT, turn)).toMatchObject({ turn: 1, count: 3, countingIn: false });
    expect(heardPlace(0 - TICKS_PER_COUNT, turn)).toMatchObject({ turn: 0, count: 11, countingIn: true });
    expect(heardPlace(null, turn)).toBeNull();
  });
});
