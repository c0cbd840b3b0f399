import { describe, expect, it } from 'vitest';
import { STANDARD_TUNING } from '../instrument/index.js';
import { fifthInBass, OPEN_SHAPE, readShape, type Shape, soundingSymbol } from './index.js';

const shape = (name: string, frets: string): Shape => ({ ...OPEN_SHAPE, id: name, name, ...readShape(frets, '') });
const AM = shape('Am', 'x-0-2-2-1-0');
const under = (capo: number) => ({ tuning: STANDARD_TUNING, capo });

describe('a name under a capo', () => {
  it('says what sounds where its notes bear it out', () => {
    expect(soundingSymbol('Am', AM, under(0))).toBe('Am');
    expect(soundingSymbol('Bm', AM, under(2))).toBe('Bm');
  });
  it('is that of the shape as it is held where only that is borne out', () => {
    expect(soundingSymbol('Am', AM, under(2))).toBe('Bm');
    expect(soundingSymbol('Am', AM, under(3))).toBe('Cm');
  });
  it('is what sounds where both are borne out', () => {
    const dim = shape('Bdim7', 'x-2-3-1-3-x');
    expect(soundingSymbol('Bdim7', dim, under(3))).toBe('Bdim7');
  });
  it('stays where it is borne out neither way, or is no symbol', () => {
    expect(soundingSymbol('G', AM, under(2))).toBe('G');
    expect(soundingSymbol('Lamps', AM, under(2))).toBe('Lamps');
  });
  it('its fifth is that of what sounds, either way the same place', () => {
    const place = { string: 6, fret: 0 };
    expect(fifthInBass(AM, under(0))).toEqual(place);
    expect(fifthInBass(AM, under(2))).toEqual(place);
    expect(fifthInBass({ ...AM, name: 'Bm' }, under(2))).toEqual(place);
  });
});
