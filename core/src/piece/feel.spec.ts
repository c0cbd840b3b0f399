import { describe, expect, it } from 'vitest';
import { makeStudy, setFeel, type Feel } from './index.js';

const study = makeStudy('s', 'Stair');
const id = study.sections[0]!.id;
const felt = (feel: Feel | null, from = study) => setFeel(id, feel)(from).sections[0]!.feel;

describe('how a section is felt', () => {
  it('keeps swing, lean and counts a beat within their bounds, as whole numbers', () => {
    expect(felt({ swing: 66.4, leanMs: -12, countsABeat: 2 })).toEqual({ swing: 66, leanMs: -12, countsABeat: 2 });
    expect(felt({ swing: 99, leanMs: 500, countsABeat: 40 })).toEqual({ swing: 80, leanMs: 80, countsABeat: 8 });
    expect(felt({ swing: 20, leanMs: -500 })).toEqual({ swing: 50, leanMs: -80 });
  });
  it('as the cycle has it is no feel; how a count is written stays one', () => {
    expect(felt({ swing: 50, leanMs: 0, countsABeat: 1 })).toBeNull();
    expect(felt({ swing: 50, leanMs: 0, countNote: 'eighth' })).toEqual({ countNote: 'eighth', swing: 50, leanMs: 0 });
    expect(felt(null, setFeel(id, { swing: 60, leanMs: 0 })(study))).toBeNull();
  });
  it('what is no number leaves what was; the same again is no change', () => {
    const swung = setFeel(id, { swing: 60, leanMs: 5 })(study);
    expect(felt({ swing: NaN, leanMs: NaN }, swung)).toEqual({ swing: 60, leanMs: 5 });
    expect(setFeel(id, { swing: 60, leanMs: 5 })(swung)).toBe(swung);
    expect(setFeel(id, null)(study)).toBe(study);
  });
});
