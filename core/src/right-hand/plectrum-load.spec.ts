import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE, type HandProfile } from '../player/index.js';
import { flatten, parseScript } from '../script/index.js';
import { bpm, millis } from '../time/index.js';
import { handLoad, tightestPlace } from './index.js';

/** 160 ms from down to down. Two steps a count at 60: half a second each. */
const profile: HandProfile = { ...DEFAULT_PROFILE, plectrumMs: millis(160) };
const load = (script: string, own: HandProfile = profile) =>
  handLoad(flatten(parseScript(script, { stepsPerCount: 2 }).pattern), bpm(60), own);

describe('what a plectrum does at a tempo', () => {
  it('down after down needs a whole return', () =>
    expect(load('Pd:3 Pd:3').plectrum).toMatchObject({ leastMs: 500, neededMs: 160, share: 0.32, onItsWay: false }));
  it('an answer needs half of it', () =>
    expect(load('Pd:3 Pu:3').plectrum).toMatchObject({ neededMs: 80, share: 0.16, onItsWay: true }));
  it('a rest stroke falls through to the thinner string it lies on; a whip, or a string further on, does not', () => {
    // The way back from string 2 to 3 is a whole return: the fall through is seen where it is the tighter one.
    expect(load('Pd:3 Pd:2 - - -').plectrum).toMatchObject({ leastMs: 500, neededMs: 80, onItsWay: true });
    expect(load('Pw:3 Pd:2 - - -').plectrum).toMatchObject({ leastMs: 500, neededMs: 160, onItsWay: false });
    expect(load('Pd:3 Pd:1 - - -').plectrum).toMatchObject({ leastMs: 500, neededMs: 160, onItsWay: false });
    expect(load('Pd:2 Pd:3 - - -').plectrum).toMatchObject({ leastMs: 500, neededMs: 160, onItsWay: false });
  });
  it('sets the ceiling, by the two strokes that leave it least room, and says which', () => {
    const found = load('Pd:3 Pd:3 [Pd:3 Pu:3] Pd:3');
    // A quarter of a second for an answer is share 0.32, as half a second for a return: the first of equals.
    expect(found.ceiling).toBe(60 / 0.32);
    expect(found.cause).toEqual({ kind: 'plectrum', onItsWay: false });
    expect(tightestPlace(found)).toMatchObject({ fingers: [], slot: 0, next: 1 });
  });
  it('comes round: the last stroke leads to the first', () =>
    expect(load('. - - Pd:3 Pd:3').plectrum).toMatchObject({ slot: 3, next: 4 }));
  it('counts its strokes in a second', () => expect(load('Pd:3 Pu:3').plectrum?.strokesPerSecond).toBe(2));
  it('without a measure takes a usual one; fingers alone have none', () => {
    expect(load('Pd:3 Pd:3', DEFAULT_PROFILE).plectrum?.neededMs).toBe(140);
    expect(load('i m').plectrum).toBeNull();
  });
});
