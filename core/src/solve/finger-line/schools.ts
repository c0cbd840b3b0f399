import type { Finger } from '../../stroke/index.js';

/** What a right-hand finger pays for a note, in points; one line of reason for each. */
export interface LineWeights {
  /** The finger that has just played plays again before it is back: the line limps. */
  readonly repeat: number;
  /** The same with time enough: a habit broken, no more. */
  readonly repeatSlow: number;
  /** A finger from two notes before with only half the time it needs; in proportion to what is missing. */
  readonly late: number;
  /** A crossing against the order of the fingers, for each string crossed. */
  readonly crossing: number;
  /** A string skipped by neighbouring fingers, for each string skipped. */
  readonly skip: number;
  /** A finger away from its home string, for each string. */
  readonly home: number;
  /** A weak finger on an accent, or in a fast run; the ring finger and the pair `m a` always a little. */
  readonly weak: number;
  /** The thumb on a thinner string than the finger that has just played; half of it on any treble string. */
  readonly order: number;
  /** A rest stroke that lands on a string that must ring. */
  readonly rest: number;
  /** A third finger in a line that is to keep one pair. */
  readonly pair: number;
}
export interface LineSchool {
  readonly id: string;
  /** Fingers a single note may have. */
  readonly fingers: readonly Finger[];
  /** When given, fingers follow one another in this order and in no other; only the start is chosen. */
  readonly cycle?: readonly Finger[];
  /** Notes struck together go beside the order: the thumb takes the bass. */
  readonly chords?: boolean;
  /** The order begins anew with every bar. */
  readonly afresh?: boolean;
  /** Every note is fingered as its kind of playing is taught, and weighed by it; where the line begins again so does the hand. */
  readonly taught?: boolean;
  readonly weights: LineWeights;
}
export const LINE_WEIGHTS: LineWeights = {
  repeat: 400,
  repeatSlow: 60,
  late: 300,
  crossing: 80,
  skip: 50,
  home: 6,
  weak: 60,
  order: 200,
  rest: 500,
  pair: 0,
};

const strict = (letters: string): LineSchool => {
  const cycle = [...letters] as Finger[];
  return { id: letters, fingers: cycle, cycle, weights: LINE_WEIGHTS };
};
/** As the reading of voices and kinds has it: what every place begins with. */
export const TAUGHT = 'taught';
/** Ways to finger a line, the taught one first. Plectrum stands apart (plectrumStrokes): it has strokes instead of fingers. */
export const LINE_SCHOOLS: readonly LineSchool[] = [
  { id: TAUGHT, fingers: ['p', 'i', 'm', 'a'], taught: true, weights: LINE_WEIGHTS },
  strict('im'),
  strict('ma'),
  strict('ia'),
  strict('ami'),
  strict('pima'),
  strict('pimami'),
  strict('pami'),
  strict('piami'),
  {
    id: 'habit',
    fingers: ['i', 'm', 'a'],
    weights: { ...LINE_WEIGHTS, repeat: 2000, repeatSlow: 2000, crossing: 30, pair: 20_000 },
  },
  {
    id: 'fingering',
    fingers: ['i', 'm', 'a'],
    weights: { ...LINE_WEIGHTS, crossing: 220, skip: 120 },
  },
  {
    id: 'home',
    fingers: ['p', 'i', 'm', 'a'],
    weights: { ...LINE_WEIGHTS, home: 160, crossing: 40, repeat: 250 },
  },
];
const AMI_AFRESH: LineSchool = {
  ...strict('ami'),
  id: 'ami afresh',
  chords: true,
  afresh: true,
};
const IM_OVER_BASSES: LineSchool = {
  ...strict('im'),
  id: 'im over basses',
  chords: true,
};
const all = [...LINE_SCHOOLS, IM_OVER_BASSES, AMI_AFRESH];
/** @example lineSchool('im').fingers.join(' ') // 'i m' */
export const lineSchool = (id: string): LineSchool => all.find((s) => s.id === id) ?? (all[0] as LineSchool);
/** Ways to finger a melody over the thumb's basses. */
export const MELODY_SCHOOLS: readonly LineSchool[] = [
  TAUGHT,
  'fingering',
  'home',
  'habit',
  'im over basses',
  'ami afresh',
].map(lineSchool);
