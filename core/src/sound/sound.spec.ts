import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { bpm, frameOf, midi, ticks, TICKS_PER_COUNT } from '../time/index.js';
import {
  type Anchor,
  countInPlan,
  frameAt,
  Mixer,
  placeAt,
  type Plan,
  type PlanSound,
  renderPlan,
  soundsBetween,
} from './index.js';

const RATE = 48_000;
const pluck = (at: number, string: 1 | 2 | 3 | 4 | 5 | 6, m: number, more: Partial<PlanSound> = {}): PlanSound =>
  ({
    kind: 'pluck',
    at: ticks(at),
    string,
    midi: midi(m),
    gain: 0.8,
    delayMs: 0,
    damping: 'none',
    touch: 'nail',
    ...more,
  }) as PlanSound;
const plan = (sounds: PlanSound[], counts: number): Plan => ({
  sounds,
  length: ticks(counts * TICKS_PER_COUNT),
  turns: 1,
});
const firstSound = (samples: Float32Array, from = 0) => samples.findIndex((v, n) => n >= from && v !== 0);
const energy = (samples: Float32Array, from: number, to: number) =>
  samples.slice(from, to).reduce((sum, v) => sum + v * v, 0);

/** How much a stretch of sound changes from sample to sample, against how loud it is: brightness. */
const edge = (samples: Float32Array) => {
  let change = 0;
  let size = 0;
  for (let n = 1; n < samples.length; n++) {
    change += ((samples[n] ?? 0) - (samples[n - 1] ?? 0)) ** 2;
    size += (samples[n] ?? 0) ** 2;
  }
  return change / size;
};
describe('what touches the string', () => {
  it('is heard: a flick is brighter than a nail, a nail than a leaning finger, that than the thumb’s flesh', () => {
    const bright = (['flick', 'nail', 'rest', 'flesh'] as const).map((touch) =>
      edge(renderPlan(plan([pluck(0, 3, 55, { touch })], 1), { bpm: bpm(60), rate: RATE }).slice(2, 24_000)),
    );
    expect([...bright].sort((a, b) => b - a)).toEqual(bright);
    expect(bright[0]! / bright[3]!).toBeGreaterThan(1.2);
  });
});

describe('sample positions', () => {
  it('an offline render has every onset on exactly its planned sample', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 400 }),
        fc.integer({ min: 0, max: 5039 }),
        fc.constantFrom(44_100, 48_000),
        (tempo, at, rate) => {
          const samples = renderPlan(plan([pluck(at, 3, 60)], 2), { bpm: bpm(tempo), rate });
          expect(firstSound(samples)).toBe(Math.round((at * 60 * rate) / (5040 * tempo)));
        },
      ),
      { numRuns: 25 },
    );
  });
  it.each(['golpe', 'slap', 'clap', 'click'] as const)('a %s begins on its sample', (kind) => {
    const samples = renderPlan(plan([{ kind, at: ticks(2520), gain: 0.9 }], 1), { bpm: bpm(133), rate: RATE });
    expect(firstSound(samples)).toBe(frameOf(ticks(2520), bpm(133), RATE));
  });
  it('the hundredth loop is as exact as the first', () => {
    const p = plan([pluck(1680, 2, 64)], 3);
    const anchor: Anchor = { at: ticks(0), frame: 1000, bpm: bpm(137), rate: RATE };
    const [sound] = soundsBetween(p, anchor, ticks(99 * p.length), ticks(100 * p.length));
    expect(sound?.frame).toBe(1000 + Math.round(((99 * p.length + 1680) * 60 * RATE) / (5040 * 137)));
  });
  it('a change of tempo anchors anew: what follows counts from there', () => {
    const anchor: Anchor = { at: ticks(5040), frame: 24_000, bpm: bpm(60), rate: RATE };
    expect(frameAt(anchor, ticks(10_080))).toBe(24_000 + RATE);
    expect(frameAt(anchor, ticks(5040), 10)).toBe(24_480);
    expect(placeAt(anchor, 24_000 + RATE)).toBe(10_080);
  });
  it('what begins where a window ends belongs to the next one', () => {
    const p = plan([pluck(0, 1, 64), pluck(2520, 2, 60)], 1);
    const anchor: Anchor = { at: ticks(0), frame: 0, bpm: bpm(100), rate: RATE };
    const at = (from: number, to: number) =>
      soundsBetween(p, anchor, ticks(from), ticks(to)).map(({ sound }) => sound.at);
    expect([at(0, 2520), at(2520, 5040), at(2520, 5041), at(2521, 5040)]).toEqual([[0], [2520], [2520, 0], []]);
  });
  it('windows that follow one another hand out every sound once', () => {
    const p = plan([pluck(0, 1, 64), pluck(2520, 2, 60), pluck(5039, 3, 55)], 1);
    const anchor: Anchor = { at: ticks(0), frame: 0, bpm: bpm(100), rate: RATE };
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9000 }), { minLength: 1, maxLength: 12 }), (steps) => {
        let at = 0;
        let n = 0;
        for (const s of steps) n += soundsBetween(p, anchor, ticks(at), ticks((at += s))).length;
        expect(n).toBe(soundsBetween(p, anchor, ticks(0), ticks(at)).length);
      }),
    );
  });
  it('the same plan renders the same samples', () => {
    const p = countInPlan(cycleById('vals')!);
    expect(renderPlan(p, { bpm: bpm(300), rate: 8_000 })).toEqual(renderPlan(p, { bpm: bpm(300), rate: 8_000 }));
  });
});

describe('strings', () => {
  it.each([40, 45, 50, 55, 59, 64, 76])('pitch %i is in tune within 5 cents', (m) => {
    const samples = renderPlan(plan([pluck(0, 3, m)], 2), { bpm: bpm(60), rate: RATE });
    const period = RATE / (440 * 2 ** ((m - 69) / 12));
    // Correlate over many periods: the shift that fits best, found to a fraction by a parabola.
    const rounds = Math.floor(6_000 / period);
    const fit = (shift: number) => {
      let sum = 0;
      for (let n = 4_000; n < 24_000; n++) sum += (samples[n] ?? 0) * (samples[n + shift] ?? 0);
      return sum;
    };
    const near = Math.round(period * rounds);
    let best = near;
    for (let s = near - 40; s <= near + 40; s++) if (fit(s) > fit(best)) best = s;
    expect(Math.abs(1200 * Math.log2(best / (period * rounds)))).toBeLessThan(5);
  });
  it('a stopped string falls silent soon, a let-ring string does not', () => {
    const stop: PlanSound = { kind: 'stop', at: ticks(2520), strings: [3] };
    const ringing = renderPlan(plan([pluck(0, 3, 55)], 2), { bpm: bpm(60), rate: RATE });
    const stopped = renderPlan(plan([pluck(0, 3, 55), stop], 2), { bpm: bpm(60), rate: RATE });
    expect(energy(stopped, 40_000, 60_000)).toBeLessThan(energy(ringing, 40_000, 60_000) / 1000);
  });
  it('a dead stroke dies at once, a palm mute sooner than a free string', () => {
    const at = (damping: string) =>
      energy(
        renderPlan(plan([pluck(0, 3, 55, { damping } as never)], 2), { bpm: bpm(60), rate: RATE }),
        12_000,
        24_000,
      );
    expect(at('left hand')).toBeLessThan(at('palm'));
    expect(at('palm')).toBeLessThan(at('none') / 10);
  });
});

describe('volumes', () => {
  const beats = countInPlan(cycleById('tangos')!);
  it('claps and click are turned down apart', () => {
    const render = (volumes: object) => energy(renderPlan(beats, { bpm: bpm(240), rate: RATE, volumes }), 0, RATE);
    expect(render({ claps: 0, click: 0 })).toBe(0);
    expect(render({ claps: 0, click: 1 })).toBeGreaterThan(0);
    expect(render({ claps: 1, click: 0 })).toBeGreaterThan(0);
  });
  it('silence forgets what was to come', () => {
    const mixer = new Mixer(RATE);
    mixer.schedule([{ frame: 64, sound: pluck(0, 1, 64) }]);
    mixer.silence();
    const out = new Float32Array(256);
    mixer.render(out, 0);
    expect(out.every((v) => v === 0)).toBe(true);
  });
  it('a sound that comes late begins at once rather than never', () => {
    const mixer = new Mixer(RATE);
    mixer.schedule([{ frame: 10, sound: pluck(0, 1, 64) }]);
    const out = new Float32Array(16);
    mixer.render(out, 500);
    expect(out[0]).not.toBe(0);
  });
  it('all six strings and the knocks together stay under full scale', () => {
    const all = [1, 2, 3, 4, 5, 6].map((s) => pluck(0, s as 1, 40 + s * 4, { gain: 0.95 }));
    const samples = renderPlan(plan([...all, { kind: 'golpe', at: ticks(0), gain: 1 }], 1), {
      bpm: bpm(120),
      rate: RATE,
    });
    expect(Math.max(...samples)).toBeLessThan(1);
  });
});
