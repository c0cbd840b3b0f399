import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById, CYCLES } from '../catalogue/index.js';
import { cycleLength } from '../cycle/index.js';
import { flatten, parseScript } from '../script/index.js';
import { anyCycle, anySteps, strokesOf } from '../testing/arbitrary.js';
import { lcm, TICKS_PER_COUNT } from '../time/index.js';
import { layOnCycle, rotations, slotsInTurn, strokesInTurn } from './index.js';

const FIVE = 'ed ad md id iu';
const read = (text: string, stepsPerCount = 2) => parseScript(text, { stepsPerCount }).pattern;
const buleria = cycleById('buleria')!;

describe('coming round', () => {
  it('a five-stroke cell, one stroke per half count, on a 12-count cycle comes round after 5 turns and 24 passes', () => {
    expect(layOnCycle(read(FIVE), buleria).realign).toEqual({ patternPasses: 24, cycles: 5 });
  });
  it('a four-finger cycle under three-note groups comes round after 12 notes', () => {
    const { realign } = layOnCycle(read('p i m a', 3), {
      ...cycleById('vals')!,
      counts: 1,
      groups: [TICKS_PER_COUNT],
      labels: ['1'],
    });
    expect(realign.patternPasses * 4).toBe(12);
  });
  // Five half counts against cycles of 2·n half counts: five turns, unless 5 divides the turn.
  it.each(CYCLES.map((c) => [c.id, c] as const))('five half counts on %s: turns × length = lcm', (_id, c) => {
    const slots = c.counts * 2;
    const { realign } = layOnCycle(read(FIVE), c);
    expect(realign).toEqual({ patternPasses: lcm(5, slots) / 5, cycles: lcm(5, slots) / slots });
    expect(realign.cycles).toBe(slots % 5 === 0 ? 1 : 5);
  });
  it.each([
    ['three half counts', 'i m a', 'solea', 1],
    ['three half counts', 'i m a', 'tangos', 3],
    ['seven half counts', 'i m a p i m a', 'buleria', 7],
    ['four half counts', 'p i m a', 'vals', 2],
    ['eight half counts', '{p i m a}x2', 'bossa-three-two', 1],
    ['ten half counts', '{id iu}x5', 'buleria-half', 5],
  ])('%s of “%s” on %s: %i turns', (_n, text, id, turns) => {
    expect(layOnCycle(read(text), cycleById(id)!).realign.cycles).toBe(turns);
  });
  it('agrees with the least common multiple for random lengths', () => {
    fc.assert(
      fc.property(anyCycle, anySteps, fc.integer({ min: 1, max: 200 }), (cycle, steps, n) => {
        const pattern = read(strokesOf(n), steps);
        const length = (n * TICKS_PER_COUNT) / steps;
        const whole = lcm(length, cycleLength(cycle));
        const { realign } = layOnCycle(pattern, cycle, { limit: 100 });
        expect(realign.patternPasses * length).toBe(whole);
        expect(realign.cycles * cycleLength(cycle)).toBe(whole);
      }),
    );
  });
  it('one turn alone has the strokes that the whole round has there', () => {
    fc.assert(
      fc.property(
        anyCycle,
        anySteps,
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: -9, max: 99 }),
        (cycle, steps, n, at) => {
          const flat = flatten(read(strokesOf(n), steps));
          const start = (at * TICKS_PER_COUNT) / steps;
          const whole = layOnCycle(flat, cycle, { start, limit: 600 });
          for (let turn = 0; turn < whole.turns; turn++)
            expect(strokesInTurn(flat, cycle, start, turn)).toEqual(whole.strokes.filter((s) => s.turn === turn));
        },
      ),
    );
  });
  it('lays every stroke of every pass once, wherever it starts', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: -30, max: 30 }), (n, start) => {
        const laid = layOnCycle(read(strokesOf(n)), buleria, { start: start * 2520 });
        const places = laid.strokes.map((s) => s.at);
        expect(places).toEqual(Array.from({ length: laid.realign.cycles * 24 }, (_, i) => i * 2520));
        for (const s of laid.strokes) expect(s.slot).toBe((((s.at / 2520 - start) % n) + n) % n);
        expect(new Set(laid.strokes.map((s) => s.pass)).size).toBe(laid.realign.patternPasses);
      }),
    );
  });
  it('slots of a turn stand where its strokes stand, rests between them', () => {
    const flat = flatten(read('i . m'));
    const laid = layOnCycle(flat, buleria, { start: 2520 });
    for (const turn of [0, 1]) {
      const slots = slotsInTurn(flat, buleria, 2520, turn);
      expect(slots).toHaveLength(24);
      const played = slots.filter((s) => s.slot !== 1).map((s) => s.inTurn);
      expect(played).toEqual(laid.strokes.filter((s) => s.turn === turn % laid.turns).map((s) => s.inTurn));
    }
  });
  it('keeps exact turns when too much to lay out', () => {
    const laid = layOnCycle(read(strokesOf(7)), buleria, { limit: 60 });
    expect(laid).toMatchObject({ turns: 2, truncated: true, realign: { cycles: 7 } });
  });
});

describe('accents', () => {
  it('each turn of the five-stroke cell meets 12 3 6 8 10 with other fingers, until it comes round', () => {
    const laid = layOnCycle(read(FIVE), buleria);
    const turn = (n: number) =>
      laid.meetings.filter((m) => m.turn === n).map((m) => `${m.label}${m.by?.fingers.join('')}${m.by?.dir}`);
    expect(turn(0)).toEqual(['12ed', '3ad', '6md', '8ad', '10ed']);
    expect(turn(1)).toEqual(['12iu', '3ed', '6ad', '8ed', '10iu']);
    const onTwelve = [0, 1, 2, 3, 4].map((n) => turn(n)[0]);
    expect(new Set(onTwelve)).toEqual(new Set(['12ed', '12iu', '12id', '12md', '12ad']));
  });
  it('little finger and returning ring are weak, index down is not', () => {
    const weak = (script: string) =>
      layOnCycle(read(script), buleria)
        .meetings.filter((m) => m.turn === 0)
        .map((m) => m.weak);
    expect(weak('ed au id iu')).toEqual([true, false, true, true, true]);
    // The roll before lands on the little finger of the next; after a rest it is a weak stroke again.
    expect(weak(FIVE)).toEqual([false, false, false, false, false]);
    expect(weak('ed ad md id .')).toEqual([true, false, false, false, true]);
    // What goes up through the fingers opens no roll.
    expect(weak('md, ad id iu')[0]).toBe(true);
    expect(weak('ad, md id iu')[0]).toBe(false);
  });
  it('a rest or a ghost on an accent meets it with nothing', () => {
    const laid = layOnCycle(read('. {i}x5 (d) {i}x17'), buleria);
    expect(laid.missed.map((m) => m.label)).toEqual(['12', '3']);
  });
  it('an accent between counts is met between counts', () => {
    const laid = layOnCycle(read('p i m p i m p i'), cycleById('three-three-two')!);
    expect(laid.meetings.map((m) => `${m.label}:${m.by?.fingers.join('')}`)).toEqual(['1:p', '2 &:p', '4:p']);
  });
});

describe('rotations', () => {
  it('puts the strong stroke on the accents: a triplet on threes begins with its index', () => {
    const vals = cycleById('vals')!;
    const best = rotations(read('ad md id', 1), vals);
    expect(best[0]).toMatchObject({ slot: 2, overall: 1 });
    expect(best.map((r) => r.slot)).toEqual([2, 1, 0]);
  });
  it('a cell that shares no length with the turn scores the same from every start over all turns', () => {
    const ranked = rotations(read(FIVE), buleria);
    expect(new Set(ranked.map((r) => r.overall)).size).toBe(1);
    expect(ranked[0]!.firstTurn).toBeGreaterThan(ranked[4]!.firstTurn);
  });
  it('a rotation’s score is what the layout from there gives', () => {
    const pattern = read('p i m a i m');
    for (const r of rotations(pattern, buleria)) {
      const flat = flatten(pattern);
      const laid = layOnCycle(pattern, buleria, { start: 0 - (flat.slots[r.slot]?.at ?? 0) });
      const asked = laid.meetings.reduce((sum, m) => sum + m.weight, 0);
      const given = laid.meetings.reduce((sum, m) => sum + m.weight * (m.by?.strength ?? 0), 0);
      expect(r.overall).toBeCloseTo(given / asked, 5);
    }
  });
  it('an empty pattern has no starts', () => expect(rotations(read(''), buleria)).toEqual([]));
});
