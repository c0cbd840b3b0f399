import { symbolsOf } from '../chord/index.js';
import { type Instrument, openPitch } from '../instrument/index.js';
import { STRINGS } from '../time/index.js';
import type { Frets } from './fingering.js';
import { readShape, type Shape } from './shape.js';

const LIKE_FRETS = /^(?:x|\d{1,2})(?:-(?:x|\d{1,2}))+$/i;
/** Without lines between: a mute or an open string shows that it is no number. */
const RUN_TOGETHER = /^(?=.*[x0])[x\d]{6}$/i;

/**
 * Frets written in place of a chord's name, string 6 first; null for anything else.
 * @returns 'misread' for what looks like frets and is none for six strings of the neck
 * @example writtenFrets('0-x-9-9-9-0') // [0, null, 9, 9, 9, 0]
 * @example writtenFrets('0-x-9-9') // 'misread'
 * @example writtenFrets('Am7') // null
 */
export function writtenFrets(text: string): Frets | 'misread' | null {
  if (!LIKE_FRETS.test(text) && !RUN_TOGETHER.test(text)) return null;
  const { frets, faults } = readShape(text, '');
  return faults.length ? 'misread' : frets;
}

/**
 * The chord symbols that a shape's notes bear, over its lowest note first; none where they are no chord.
 * @example symbolsOfShape({ frets: [0, null, 9, 9, 9, 0] }, { tuning: STANDARD_TUNING, capo: 0 }) // ['E']
 */
export const symbolsOfShape = ({ frets }: Pick<Shape, 'frets'>, { tuning, capo }: Instrument): string[] =>
  symbolsOf(
    STRINGS.flatMap((string, i) => {
      const fret = frets[i] ?? null;
      return fret === null ? [] : [openPitch(tuning, string, capo) + fret];
    }),
  );
