import type { Kind } from '../passage/index.js';

/** Drills by what they do. */
export type Way =
  | 'weakest'
  | 'move'
  | 'change alone'
  | 'change in groups'
  | 'change halfway'
  | 'shrinking'
  | 'round'
  | 'hand alone'
  | 'layers'
  | 'muted'
  | 'rhythm'
  | 'burst'
  | 'joined'
  | 'crossing'
  | 'accents'
  | 'gallop'
  | 'orders'
  | 'starts'
  | 'order turned'
  | 'pairs'
  | 'left pairs'
  | 'string skips'
  | 'plectrum';
export interface Choice {
  /** The ways in the order in which they are given, each with how many of it at most. */
  readonly piece: readonly (readonly [Way, number])[];
  readonly exercise: readonly (readonly [Way, number])[];
}
const CHANGES: Choice['piece'] = [
  ['change alone', 1],
  ['change in groups', 1],
  ['change halfway', 1],
  ['shrinking', 3],
];
const SPEED: Choice['piece'] = [
  ['burst', 2],
  ['joined', 2],
];
/** What a teacher gives for each kind of playing. */
export const CHOICES: Readonly<Record<Kind, Choice>> = {
  run: {
    piece: [['weakest', 1], ['move', 2], ['crossing', 2], ['hand alone', 1], ...SPEED, ['rhythm', 2], ['round', 1]],
    exercise: [
      ['order turned', 1],
      ['gallop', 3],
      ['accents', 1],
      ['pairs', 2],
      ['string skips', 1],
      ['left pairs', 4],
    ],
  },
  arpeggio: {
    piece: [['weakest', 1], ['hand alone', 1], ['layers', 2], ...CHANGES, ['move', 1], ['round', 1], ['rhythm', 2]],
    exercise: [
      ['orders', 6],
      ['accents', 1],
      ['gallop', 3],
    ],
  },
  tremolo: {
    piece: [
      ['weakest', 1],
      ['hand alone', 1],
      ['layers', 2],
      ...CHANGES,
      ['move', 1],
      ['rhythm', 2],
      ['burst', 1],
      ['round', 1],
    ],
    exercise: [
      ['accents', 1],
      ['starts', 3],
      ['gallop', 3],
    ],
  },
  'melody over basses': {
    piece: [
      ['weakest', 1],
      ['layers', 2],
      ['move', 3],
      ['change alone', 1],
      ['change in groups', 1],
      ['hand alone', 1],
      ['round', 1],
      ...SPEED,
    ],
    exercise: [['accents', 1]],
  },
  'thumb line': {
    piece: [['weakest', 1], ['move', 2], ['hand alone', 1], ['rhythm', 2], ...SPEED, ['round', 1]],
    exercise: [],
  },
  alzapúa: {
    piece: [['weakest', 1], ['hand alone', 1], ...CHANGES, ...SPEED, ['round', 1]],
    exercise: [['starts', 2]],
  },
  'block chords': {
    piece: [...CHANGES, ['hand alone', 1], ['round', 1]],
    exercise: [['accents', 1]],
  },
  comping: {
    piece: [['hand alone', 1], ['layers', 2], ...CHANGES, ['round', 1], ['weakest', 1]],
    exercise: [['accents', 1]],
  },
  strum: {
    piece: [['muted', 2], ['hand alone', 1], ...CHANGES, ['round', 1]],
    exercise: [],
  },
  rasgueado: {
    piece: [['weakest', 1], ['hand alone', 1], ...SPEED, ...CHANGES, ['round', 1]],
    exercise: [
      ['starts', 4],
      ['accents', 1],
      ['rhythm', 3],
    ],
  },
  plectrum: {
    piece: [['weakest', 1], ['move', 2], ['hand alone', 1], ...SPEED, ['rhythm', 2], ['round', 1]],
    exercise: [['plectrum', 3]],
  },
};
