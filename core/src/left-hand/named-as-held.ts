import { type ChordNotes, readChord, transposeChord } from '../chord/index.js';
import { type Instrument, openPitch } from '../instrument/index.js';
import { STRINGS } from '../time/index.js';
import type { Shape } from './shape.js';

const fits = ({ tones }: ChordNotes, shape: Pick<Shape, 'frets'>, { tuning, capo }: Instrument): boolean =>
  STRINGS.every((string, i) => {
    const fret = shape.frets[i] ?? null;
    return fret === null || tones.some((t) => t.pitchClass === (openPitch(tuning, string, capo) + fret) % 12);
  });

/**
 * The symbol of what a shape sounds. Symbols say what sounds; but who plays with a capo often calls a shape as it is held:
 * a name that is borne out without the capo, and is not with it, is meant so and goes up with the capo.
 * @example soundingSymbol('Am', { frets: [null, 0, 2, 2, 1, 0] }, { tuning: STANDARD_TUNING, capo: 2 }) // 'Bm'
 * @example soundingSymbol('Bm', { frets: [null, 0, 2, 2, 1, 0] }, { tuning: STANDARD_TUNING, capo: 2 }) // 'Bm'
 */
export function soundingSymbol(symbol: string, shape: Pick<Shape, 'frets'>, { tuning, capo }: Instrument): string {
  if (capo === 0) return symbol;
  const read = readChord(symbol);
  if (!read.ok || fits(read.chord, shape, { tuning, capo }) || !fits(read.chord, shape, { tuning, capo: 0 }))
    return symbol;
  return transposeChord(symbol, capo);
}
