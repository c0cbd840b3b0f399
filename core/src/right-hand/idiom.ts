import type { Kind } from '../passage/index.js';
import type { FlatPattern } from '../script/index.js';
import { isMuted, kindOfPattern } from './kind-of-pattern.js';

/** One word for what a pattern is, with silence and muted chops beside the kinds of playing. */
export type Idiom =
  /** Nothing is struck by a finger. */
  | 'silence'
  | 'plectrum'
  /** Strums under fingers that lie on the strings. */
  | 'muted'
  /** Flicks of several fingers one after another. */
  | 'rasgueado'
  /** One hand down and up. */
  | 'swing'
  /** The thumb alone: bass melody, alzapúa. */
  | 'pulgar'
  /** Single notes of the fingers, most of them on the string of the one before. */
  | 'picado'
  /** Thumb, then several fingers in turn on one string. */
  | 'tremolo'
  /** Nearly every note on another string, one finger a string. */
  | 'arpeggio'
  /** Basses and chords struck together. */
  | 'comping'
  /** A melody of the fingers over basses of the thumb. */
  | 'melody over basses';

const IDIOM_OF: Readonly<Record<Kind, Idiom>> = {
  run: 'picado',
  arpeggio: 'arpeggio',
  tremolo: 'tremolo',
  'melody over basses': 'melody over basses',
  'thumb line': 'pulgar',
  alzapúa: 'pulgar',
  'block chords': 'comping',
  comping: 'comping',
  strum: 'swing',
  rasgueado: 'rasgueado',
  plectrum: 'plectrum',
};
/**
 * What kind of playing most of a pattern is.
 * @example idiomOf(flatten(parseScript('ed ad md id iu', { stepsPerCount: 2 }).pattern)) // 'rasgueado'
 */
export function idiomOf(flat: Pick<FlatPattern, 'events' | 'length'>): Idiom {
  const kind = kindOfPattern(flat);
  if (kind === null) return 'silence';
  if (isMuted(flat)) return 'muted';
  // A bass line under a pedal is not the thumb’s alone.
  return kind === 'thumb line' && fingersPlay(flat) ? 'melody over basses' : IDIOM_OF[kind];
}
const fingersPlay = ({ events }: Pick<FlatPattern, 'events'>): boolean =>
  events.some((e) => e.motion.kind === 'stroke' && e.motion.fingers.some((f) => f !== 'p'));
