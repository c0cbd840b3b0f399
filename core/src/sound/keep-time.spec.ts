import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { type Feel, makeSection, makeStudy, type Section } from '../piece/index.js';
import { scoreOf } from '../score/index.js';
import { shape } from '../testing/told-findings.js';
import { bpm, frameOf, ticks, TICKS_PER_COUNT } from '../time/index.js';
import {
  beatsUntil,
  feltAt,
  inTime,
  isSilentAt,
  PLAIN_TIME,
  type Plan,
  piecePlan,
  planPlayback,
  renderPlan,
  soundsBetween,
  type TimeKeeping,
} from './index.js';

const RATES = fc.constantFrom(44_100, 48_000);
const TEMPI = fc.integer({ min: 30, max: 120 });
const four = cycleById('plain-four')!;
const solea = cycleById('solea')!;
const bossa = cycleById('bossa-three-two')!;
const swung = (swing: number, more: Partial<Feel> = {}): Feel => ({ swing, leanMs: 0, ...more });
const section = (over: Partial<Section> = {}): Section => ({
  ...makeSection('s', 'Stair', four),
  stepsPerCount: 2,
  ...over,
});
const study = (s: Section) => ({ ...makeStudy('st', 'Stair'), sections: [s] });
/** The plan of a section as its score sounds, in a time. */
const planned = (s: Section, keeping: Partial<TimeKeeping> = {}, of = study(s)): Plan =>
  inTime(planPlayback(scoreOf(s, of), s), s, of, { ...PLAIN_TIME, ...keeping });
const kinds = (plan: Plan, ...wanted: string[]) => plan.sounds.filter((s) => wanted.includes(s.kind));
/** Where in counts. */
const counts = (sounds: readonly { readonly at: number }[]) => sounds.map((s) => s.at / TICKS_PER_COUNT);
const GUITAR = { claps: 0, click: 0, guitar: 1 };
const CLICK = { claps: 0, click: 1, guitar: 0 };
const CLAPS = { claps: 1, click: 0, guitar: 0 };
/** Frames at which something begins to sound after silence. */
function onsets(samples: Float32Array): number[] {
  const found: number[] = [];
  for (let n = 0; n < samples.length; n++) if (samples[n] !== 0 && (n === 0 || samples[n - 1] === 0)) found.push(n);
  return found;
}
const exact = (count: number, tempo: number, rate: number) => Math.round((count * 60 * rate) / tempo);

describe('swing', () => {
  it('the second step of a pair begins when the first has had its share: two thirds of a count, and three quarters', () => {
    const at = (swing: number) => feltAt(2520, 20_160, { cycle: four, stepsPerCount: 2, feel: swung(swing) });
    expect([at(50), at(75), at(80)]).toEqual([2520, 3780, 4032]);
  });
  it('what lies inside a step is stretched with it, and a pair begins where it is written', () => {
    const at = (place: number) => feltAt(place, 20_160, { cycle: four, stepsPerCount: 2, feel: swung(75) });
    expect([0, 1260, 2520, 3780, 5040, 7560].map(at)).toEqual([0, 1890, 3780, 4410, 5040, 8820]);
  });
  it('triplets do not swing, nor does a pair that the end cuts off', () => {
    expect(feltAt(1680, 20_160, { cycle: four, stepsPerCount: 3, feel: swung(75) })).toBe(1680);
    expect(feltAt(2520, 4000, { cycle: four, stepsPerCount: 2, feel: swung(75) })).toBe(2520);
  });
  it('never turns the order of two places, nor leaves its pair', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 80 }),
        fc.constantFrom(2, 4, 6, 8),
        fc.tuple(fc.nat(20_159), fc.nat(20_159)),
        (swing, stepsPerCount, [a, b]) => {
          const felt = (at: number) => feltAt(at, 20_160, { cycle: four, stepsPerCount, feel: swung(swing) });
          const pair = 10_080 / stepsPerCount;
          expect(Math.sign(felt(a) - felt(b)) * Math.sign(a - b)).toBeGreaterThanOrEqual(0);
          expect(felt(a)).toBeGreaterThanOrEqual(Math.floor(a / pair) * pair);
          expect(felt(a)).toBeLessThanOrEqual((Math.floor(a / pair) + 1) * pair);
        },
      ),
    );
  });
  it('is heard on its sample: a pluck off the beat', () => {
    const s = section({ script: '- i', feel: swung(66) });
    fc.assert(
      fc.property(TEMPI, RATES, (tempo, rate) => {
        const samples = renderPlan(planned(s), { bpm: bpm(tempo), rate, volumes: GUITAR });
        expect(onsets(samples)[0]).toBe(frameOf(ticks(Math.round(5040 * 0.66)), bpm(tempo), rate));
      }),
      { numRuns: 10 },
    );
  });
  it('is heard on its sample: a click on every step, swung', () => {
    fc.assert(
      fc.property(fc.integer({ min: 51, max: 75 }), TEMPI, RATES, (swing, tempo, rate) => {
        const plan = planned(section({ feel: swung(swing) }), { stepsAClick: 1 });
        const samples = renderPlan(plan, { bpm: bpm(tempo), rate, volumes: CLICK });
        const places = [0, 1, 2, 3].flatMap((n) => [n * 5040, Math.round(n * 5040 + (5040 * swing) / 100)]);
        expect(onsets(samples)).toEqual(places.map((at) => frameOf(ticks(at), bpm(tempo), rate)));
      }),
      { numRuns: 10 },
    );
  });
  it('a whole form has each section as it is felt', () => {
    const [a, b] = [
      section({ id: 'a', script: 'p i', feel: swung(75) }),
      section({ id: 'b', name: 'B', script: 'p i' }),
    ];
    const plucks = kinds(piecePlan({ ...makeStudy('st', 'Stair'), sections: [a, b] })!, 'pluck').map((s) => s.at);
    expect(plucks).toContain(3780);
    expect(plucks).not.toContain(2520);
    const half = piecePlan({ ...makeStudy('st', 'Stair'), sections: [b] })!;
    expect(kinds(half, 'pluck').map((s) => s.at)).toContain(2520);
  });
});

describe('leaning', () => {
  it.each([40, -40])('%i ms: the hand is so far from the click, to the sample', (leanMs) => {
    const s = section({ script: '- - i', feel: swung(50, { leanMs }) });
    const play = (volumes: object) => onsets(renderPlan(planned(s), { bpm: bpm(60), rate: 48_000, volumes }));
    expect(play(GUITAR)[0]).toBe(48_000 + leanMs * 48);
    expect(play(CLICK)[1]).toBe(48_000);
  });
});

describe('felt in two', () => {
  it('click and foot are on every second count, and again on the first of the next turn', () => {
    const plan = planned(section({ script: 'p', feel: swung(50, { countsABeat: 2 }) }), { foot: true });
    expect(counts(kinds(plan, 'click'))).toEqual([0, 2]);
    expect(counts(kinds(plan, 'foot'))).toEqual([0, 2]);
    // Three counts: the beat falls on the first of every turn.
    const three = section({ cycle: cycleById('vals')!, script: 'p', feel: swung(50, { countsABeat: 2 }) });
    expect(counts(kinds(planned(three), 'click'))).toEqual([0, 2]);
  });
});

describe('half speed', () => {
  it('every onset is at twice its time, to the sample, and the plan is the same', () => {
    fc.assert(
      fc.property(TEMPI, RATES, (tempo, rate) => {
        const samples = renderPlan(planned(section()), { bpm: bpm(tempo / 2), rate, volumes: CLICK });
        expect(onsets(samples)).toEqual([0, 1, 2, 3].map((n) => exact(2 * n, tempo, rate)));
      }),
      { numRuns: 10 },
    );
  });
});

describe('so many steps on a click', () => {
  it.each([
    [1, [0, 0.25, 0.5, 0.75, 1]],
    [2, [0, 0.5, 1, 1.5, 2]],
    [4, [0, 1, 2, 3]],
    [8, [0, 2]],
  ])('%i of four steps a count', (stepsAClick, places) => {
    const plan = planned(section({ stepsPerCount: 4 }), { stepsAClick });
    expect(counts(kinds(plan, 'click')).slice(0, 5)).toEqual(places);
  });
  it('of triplets too', () => {
    const plan = planned(section({ stepsPerCount: 3 }), { stepsAClick: 1 });
    expect(
      kinds(plan, 'click')
        .map((s) => s.at)
        .slice(0, 4),
    ).toEqual([0, 1680, 3360, 5040]);
  });
});

describe('palmas after the cycle', () => {
  const s = section({ cycle: solea });
  const loud = solea.accents.filter((a) => a.weight >= 0.5).map((a) => a.at / TICKS_PER_COUNT);
  it('the whole cycle: clear on the accents, muffled on every other count', () => {
    const plan = planned(s, { palmas: 'cycle' });
    expect(counts(kinds(plan, 'clap'))).toEqual(loud);
    const all = counts(kinds(plan, 'clap', 'muffled clap'));
    expect(all.filter(Number.isInteger)).toEqual(Array.from({ length: 12 }, (_, n) => n));
    expect(new Set(all).size).toBe(all.length);
  });
  it('against: a second pair of hands between the counts, softer', () => {
    const claps = kinds(planned(s, { palmas: 'against' }), 'clap');
    const second = claps.filter((c) => !loud.includes(c.at / TICKS_PER_COUNT));
    expect(counts(second)).toEqual(Array.from({ length: 12 }, (_, n) => n + 0.5));
    expect(second.every((c) => 'gain' in c && c.gain < 0.5)).toBe(true);
  });
  it('an accent between counts is clapped once, clear, where the second pair would clap too', () => {
    const own = { ...four, accents: [{ at: ticks(2520), weight: 0.9 }] };
    const claps = kinds(planned(section({ cycle: own }), { palmas: 'against' }), 'clap');
    expect(counts(claps)).toEqual([0.5, 1.5, 2.5, 3.5]);
    expect(claps[0]).toMatchObject({ gain: 0.9 });
  });
  it('are heard on their samples', () => {
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 100 }), RATES, (tempo, rate) => {
        const samples = renderPlan(planned(section(), { palmas: 'against' }), {
          bpm: bpm(tempo),
          rate,
          volumes: CLAPS,
        });
        expect(onsets(samples)).toEqual([0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5].map((n) => exact(n, tempo, rate)));
      }),
      { numRuns: 10 },
    );
  });
  it('a muffled clap is darker than a clear one, a foot darkest', () => {
    const edge = (kind: 'clap' | 'muffled clap' | 'foot') => {
      const plan: Plan = { sounds: [{ kind, at: ticks(0), gain: 1 }], length: ticks(5040), turns: 1 };
      const samples = renderPlan(plan, { bpm: bpm(60), rate: 48_000, volumes: CLAPS }).slice(1, 4_000);
      const change = samples.slice(1).reduce((sum, v, n) => sum + (v - (samples[n] ?? 0)) ** 2, 0);
      return change / samples.reduce((sum, v) => sum + v * v, 0);
    };
    expect(edge('clap')).toBeGreaterThan(2 * edge('muffled clap'));
    expect(edge('muffled clap')).toBeGreaterThan(2 * edge('foot'));
  });
});

describe('a click that falls silent', () => {
  const s = section({ script: 'p - i -' });
  const keeping = { silent: { heard: 2, silent: 1 } };
  it('nothing sounds in the silent bars, and the next bar begins on its sample', () => {
    const [tempo, rate, bar] = [100, 48_000, 4];
    for (const volumes of [CLICK, CLAPS, GUITAR]) {
      const samples = renderPlan(planned(s, keeping), { bpm: bpm(tempo), rate, volumes, loops: 7 });
      for (const turn of [0, 1]) {
        const from = exact((2 + 3 * turn) * bar, tempo, rate);
        const until = exact((3 + 3 * turn) * bar, tempo, rate);
        // What was struck before rings out: a quarter of a second.
        expect(
          samples.slice(from + rate / 4, until).findLastIndex((v) => Math.abs(v) > 1e-5),
          JSON.stringify(volumes),
        ).toBe(-1);
        expect(samples[until]).not.toBe(0);
      }
    }
  });
  it('counts on over the end of what goes round', () => {
    const plan = planned(s, keeping);
    const anchor = { at: ticks(0), frame: 0, bpm: bpm(60), rate: 48_000 };
    const clicks = soundsBetween(plan, anchor, ticks(0), ticks(9 * plan.length)).filter(
      (x) => x.sound.kind === 'click',
    );
    expect(clicks.map((c) => c.frame / 48_000)).toEqual(
      Array.from({ length: 36 }, (_, n) => n).filter((n) => n % 12 < 8),
    );
  });
  it('bars of one length are counted as bars, others by the turn', () => {
    expect(planned(section({ cycle: bossa }), keeping).silent).toEqual({ heard: 40_320, silent: 20_160 });
    expect(planned(section({ cycle: solea }), keeping).silent).toEqual({ heard: 120_960, silent: 60_480 });
  });
  it('the count before it is never silent', () => {
    expect(isSilentAt({ silent: { heard: ticks(5040), silent: ticks(5040) } }, -1)).toBe(false);
  });
  it('windows that follow one another hand out every sound once', () => {
    const plan = planned(s, { ...keeping, drone: true, foot: true });
    const anchor = { at: ticks(0), frame: 0, bpm: bpm(100), rate: 48_000 };
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 30_000 }), { minLength: 1, maxLength: 8 }), (steps) => {
        let at = 0;
        let n = 0;
        for (const step of steps) n += soundsBetween(plan, anchor, ticks(at), ticks((at += step))).length;
        expect(n).toBe(soundsBetween(plan, anchor, ticks(0), ticks(at)).length);
      }),
    );
  });
});

describe('the hum of the chord', () => {
  const shapes = [
    shape('Am', 'x02210', '002310'),
    shape('Bdim', 'x2343x', '012430'),
    shape('Waiting', '320003', '210003'),
  ];
  const hum = (chart: string, script = 'p') => {
    const s = section({ chart, script });
    return kinds(planned(s, { drone: true }, { ...study(s), shapes }), 'drone');
  };
  it('is root and fifth, without the fifth where it is not perfect, and the lowest note of what has no symbol', () => {
    expect(hum('| Am | Bdim | Waiting |').map((d) => [d.at, 'tones' in d && d.tones])).toEqual([
      [0, [45, 52]],
      [20_160, [47]],
      [40_320, [55, 62]],
    ]);
  });
  it('a chord that is held on is not hummed anew, and without chords there is none', () => {
    expect(hum('| Am | Am |')).toHaveLength(1);
    expect(hum('')).toEqual([]);
  });
  it('begins on its sample, changes on its sample, and ends with the music', () => {
    const s = section({ chart: '| Am | Bdim |', script: '-' });
    const plan = planned(s, { drone: true }, { ...study(s), shapes });
    const samples = renderPlan(plan, { bpm: bpm(120), rate: 48_000, volumes: GUITAR, tailSeconds: 1 });
    expect(onsets(samples)[0]).toBe(0);
    const alone = renderPlan(
      { ...plan, sounds: plan.sounds.filter((x) => x.kind !== 'drone' || x.at === 0) },
      { bpm: bpm(120), rate: 48_000, volumes: GUITAR, tailSeconds: 1 },
    );
    expect(samples.findIndex((v, n) => v !== alone[n])).toBe(96_000);
    expect(samples.slice(-24_000).every((v) => v === 0)).toBe(true);
    expect(samples.slice(100_000, 180_000).some((v) => Math.abs(v) > 0.01)).toBe(true);
  });
  it('comes back after a silence', () => {
    const s = section({ chart: '| Am |', script: '-' });
    const plan = planned(s, { drone: true, silent: { heard: 1, silent: 1 } }, { ...study(s), shapes });
    const samples = renderPlan(plan, { bpm: bpm(120), rate: 48_000, volumes: GUITAR, loops: 3 });
    expect(samples.slice(96_000 + 12_000, 192_000).every((v) => v === 0)).toBe(true);
    expect(samples[192_000]).not.toBe(0);
  });
});

it('another way of keeping time leaves every stroke where it is', () => {
  const s = section({ script: 'p i m a', feel: swung(62) });
  const strokes = (keeping: Partial<TimeKeeping>) => kinds(planned(s, keeping), 'pluck', 'stop');
  expect(strokes({ palmas: 'against', foot: true, drone: true, stepsAClick: 2 })).toEqual(strokes({}));
  expect(planned(s)).toEqual(planPlayback(scoreOf(s, study(s)), s));
});
it('beats of so many ticks end before them', () => {
  expect(beatsUntil({ cycle: four }, ticks(10_080)).every((b) => b.at < 10_080)).toBe(true);
});
