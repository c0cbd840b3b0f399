import { describe, expect, it } from 'vitest';
import { LEFT_HAND } from '../../testing/left-hand.js';
import { ticks } from '../../time/index.js';
import { fretLine, readNotes } from '../fret-line/index.js';
import { sayFact, sayKey } from '../../words/index.js';
import { rankKeys } from './index.js';
import { fact } from '../../fault/index.js';

const base = LEFT_HAND;
const passage = readNotes('[ab2~ eb4] db4 c4 bb3 [eb3~ eb4] db4 c4 bb3', 4).events;

describe('keys and capo', () => {
  it('every transposition with every capo place is ranked by its best fretting', () => {
    const ranked = rankKeys({ ...base, events: passage, transpositions: [-1, 0, 1], capos: [0, 1, 2] });
    expect(ranked).toHaveLength(9);
    const totals = ranked.map((r) => r.total ?? Infinity);
    expect(totals).toEqual([...totals].sort((a, b) => a - b));
    for (const r of ranked) {
      const events = passage.map((e) => ({ ...e, notes: e.notes.map((n) => ({ ...n, midi: n.midi + r.transposed })) }));
      const own = fretLine({ ...base, neck: { ...base.neck, capo: r.capo }, events, k: 1 });
      expect(r.total).toBe(own.infeasible ? null : own.answers[0]!.total);
    }
  });
  it('a passage in flats gets easier a semitone up, or with a capo under it', () => {
    const ranked = rankKeys({ ...base, events: passage });
    const here = ranked.find((r) => r.transposed === 0 && r.capo === 0)!;
    expect(ranked[0]!.total!).toBeLessThan(here.total ?? Infinity);
    expect(sayKey(here)).toBe('As it stands, no capo: A♭2 to E♭4');
  });
  it('says what is lost: open basses, and what can’t be played at all', () => {
    const open = readNotes('[a2~ e4] d4 [e2~ e4] d4', 4).events;
    const ranked = rankKeys({ ...base, events: open, transpositions: [0, 1, -6], capos: [0] });
    expect(ranked.find((r) => r.transposed === 1)?.lost).toEqual([fact('open basses', 2, 2)]);
    const low = ranked.find((r) => r.transposed === -6)!;
    expect(low.total).toBeNull();
    expect(sayFact(low.lost.at(-1)!)).toMatch(/is not on any string/);
    expect(ranked.at(-1)).toBe(low);
  });
  it('keeps a pedal open before it makes anything easier', () => {
    // Over an open first string a voice in flats: every key without them is easier, and stops the string.
    const events = readNotes('e4 ab3 e4 bb3 e4 b3 e4 ab3', 4).events;
    const ranked = rankKeys({ ...base, events, transpositions: [-5, -1, 0, 1], capos: [0, 1] });
    const keeps = ranked.map((r) => !r.lost.some((f) => f.code === 'open pedal'));
    expect(keeps).toEqual([...keeps].sort((a, b) => Number(b) - Number(a)));
    expect(ranked.find((r) => r.transposed === 1 && r.capo === 0)?.lost).toEqual([fact('open pedal', 4, 4)]);
    // With the capo the string sounds a semitone higher; a fourth lower the second string has it.
    const open = [
      [0, 0],
      [1, 1],
      [-5, 0],
    ];
    for (const [transposed, capo] of open)
      expect(ranked.find((r) => r.transposed === transposed && r.capo === capo)?.lost).toEqual([]);
    expect(sayFact(fact('open pedal', 4, 4))).toBe('4 of 4 strokes of the open pedal');
    const lastOpen = keeps.lastIndexOf(true);
    expect(ranked.slice(0, lastOpen + 1).map((r) => r.total)).toEqual(
      ranked
        .slice(0, lastOpen + 1)
        .map((r) => r.total)
        .sort((a, b) => (a ?? 0) - (b ?? 0)),
    );
  });
  it('a long line counts to its end, and ranks as it would by all its ways', () => {
    const tune = [64, 65, 67, 69, 71, 72, 71, 69, 67, 65, 64, 62, 60, 59, 57, 60];
    const long = Array.from({ length: 64 }, (_, i) => ({ at: ticks(i * 1260), notes: [{ midi: tune[i % 16]! }] }));
    const asked = { ...base, transpositions: [-3, 0, 2], capos: [0, 3, 7] };
    const place = ({ transposed, capo }: { transposed: number; capo: number }) => `${transposed} ${capo}`;
    const exact = asked.transpositions.flatMap((transposed) =>
      asked.capos.map((capo) => {
        const events = long.map((e) => ({ ...e, notes: e.notes.map((n) => ({ midi: n.midi + transposed })) }));
        const own = fretLine({ ...base, neck: { ...base.neck, capo }, events, k: 1 });
        return { transposed, capo, total: own.infeasible ? Infinity : own.answers[0]!.total };
      }),
    );
    const least = exact.sort((a, b) => a.total - b.total)[0]!;
    expect(place(rankKeys({ ...asked, events: long })[0]!)).toBe(place(least));
    // One note at its very end that no string has.
    const out = [...long, { at: ticks(64 * 1260), notes: [{ midi: 39 }] }];
    expect(rankKeys({ ...asked, events: out }).find((k) => k.transposed === 0 && k.capo === 0)?.total).toBeNull();
  });
  it('tells how far it has come, and can be cancelled', () => {
    const seen: number[] = [];
    rankKeys({ ...base, events: passage, transpositions: [0, 1], capos: [0, 2] }, { progress: (s) => seen.push(s) });
    expect(seen.filter((s) => s < 1).length).toBe(4);
    const long = Array.from({ length: 400 }, (_, i) => ({ at: ticks(i * 1260), notes: [{ midi: 60 + (i % 8) }] }));
    expect(() => rankKeys({ ...base, events: long }, { cancelled: () => true })).toThrow();
  });
});
