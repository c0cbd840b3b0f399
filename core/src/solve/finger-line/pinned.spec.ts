import fc from 'fast-check';
import { expect, it } from 'vitest';
import { DEFAULT_PROFILE } from '../../player/index.js';
import type { Finger } from '../../stroke/index.js';
import { bpm, type StringNumber, ticks } from '../../time/index.js';
import { fingerLine, type LineNote, lineSchool, scoreLine } from './index.js';

const anyNote = fc.record({
  string: fc.integer({ min: 1, max: 6 }),
  pinned: fc.option(fc.constantFrom<Finger>('i', 'm', 'a', 'e'), { nil: undefined, freq: 2 }),
  gap: fc.constantFrom(630, 1260, 5040),
});

it.each([
  ['habit', 'one pair, or more fingers where the pins want them, the little one too'],
  ['taught', 'what is taught, round any pins'],
])('%s: %s, as enumeration finds it', (id) => {
  const school = lineSchool(id);
  fc.assert(
    fc.property(fc.array(anyNote, { minLength: 1, maxLength: 5 }), (list) => {
      let at = 0;
      const notes = list.map(({ string, pinned, gap }): LineNote => ({
        at: ticks((at += gap)),
        strings: [string as StringNumber],
        ...(pinned ? { pinned: [pinned] } : {}),
      }));
      const request = {
        notes,
        bpm: bpm(140),
        profile: DEFAULT_PROFILE,
        school,
        stroke: 'free' as const,
        k: 4,
      };
      let lines: Finger[][][] = [[]];
      for (const n of notes) lines = lines.flatMap((l) => (n.pinned ?? school.fingers).map((f) => [...l, [f]]));
      const all = lines.map((l) => scoreLine(request, l).total).sort((a, b) => a - b);
      const found = fingerLine(request);
      expect(found.infeasible ? [] : found.answers.map((a) => a.total)).toEqual(all.slice(0, 4));
    }),
    { numRuns: 300 },
  );
});
