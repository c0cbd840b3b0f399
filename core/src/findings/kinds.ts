import type { Kind, KindStretch } from '../passage/index.js';
import { CHORDAL, kindsOfPattern } from '../right-hand/index.js';
import type { FlatPattern } from '../script/index.js';
import type { FindingCode } from './model.js';

/** Whether a finding speaks of a stretch of playing. */
type Speaks = (stretch: Pick<KindStretch, 'kind' | 'free'>) => boolean;
function of(kinds: Iterable<Kind>): Speaks {
  const spoken = new Set(kinds);
  return ({ kind }) => spoken.has(kind);
}
const free =
  (...kinds: Kind[]): Speaks =>
  (s) =>
    s.free && kinds.includes(s.kind);
const either =
  (...all: Speaks[]): Speaks =>
  (s) =>
    all.some((speaks) => speaks(s));

/** Strums, and orders that repeat: the accents of the cycle ask them something. Comping has its own, a composed line none. */
const ACCENTED = either(of(['strum', 'rasgueado']), free('run', 'tremolo', 'plectrum'));
const PLUCKED_ALONE: readonly Kind[] = ['run', 'melody over basses'];

/**
 * The kinds of playing that a finding speaks of; of a code that is not here any kind is spoken of. What a kind is not asked,
 * it is not told.
 */
const SPEAKS_OF: { readonly [C in FindingCode]?: Speaks } = {
  'accents met': ACCENTED,
  'accents weak': ACCENTED,
  'accents carried': ACCENTED,
  'accents missed': ACCENTED,
  'another start': either(of(['rasgueado']), free('run', 'tremolo')),
  pendulum: of(['strum']),
  plants: of(['arpeggio']),
  'what sounds': of(['strum', 'comping', 'block chords', 'plectrum']),
  'thumb anchor': of(['run']),
  'finger repeated': of(PLUCKED_ALONE),
  'rest stroke lands': of([...PLUCKED_ALONE, 'thumb line', 'arpeggio', 'tremolo', 'alzapúa']),
  'plectrum ways': of(['plectrum']),
  'tone unheard': of(CHORDAL),
  'open rings on': of(['strum', 'rasgueado', 'comping', 'block chords', 'plectrum']),
  'string unstruck': of(CHORDAL),
  block: of([...CHORDAL, 'tremolo', 'melody over basses']),
};

/**
 * Whether a finding speaks of what is played: of most of its strokes.
 * @example speaksOf('accents met', flatten(parseScript('ed ad md id iu', { stepsPerCount: 2 }).pattern)) // true
 * @example speaksOf('accents met', flatten(parseScript('p:5 i:3 m:2 a:1', { stepsPerCount: 2 }).pattern)) // false
 */
export function speaksOf(code: FindingCode, flat: Pick<FlatPattern, 'events' | 'length'>): boolean {
  const speaks = SPEAKS_OF[code];
  if (!speaks) return true;
  let [own, all] = [0, 0];
  for (const stretch of kindsOfPattern(flat)) {
    const strokes = stretch.to - stretch.from;
    all += strokes;
    if (speaks(stretch)) own += strokes;
  }
  return 2 * own > all;
}
