import { type AccentCycle, barTicks } from '../cycle/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import type { CompCell } from './comp-beats.js';

/** A figure of accompaniment that players know by name. */
export interface UsualFigure {
  readonly id: string;
  readonly name: string;
  /** Where it belongs. */
  readonly families: readonly AccentCycle['family'][];
  /** Counts of its bars, and of a beat of its cells. */
  readonly counts: number;
  readonly beat: number;
  readonly cells: readonly CompCell[];
  readonly order: string;
  readonly note: string;
  /** The cycles whose accents it strikes, where it is for no other. */
  readonly cycles?: readonly string[];
}
const cell = (letter: string, ...beats: CompCell['beats']): CompCell => ({ letter, beats });

export const COMP_FIGURES: readonly UsualFigure[] = [
  {
    id: 'straight-and-pushed',
    name: 'Straight and pushed',
    families: ['bossa nova'],
    counts: 4,
    beat: 2,
    cells: [cell('A', 'bass then chord'), cell('B', 'pushed pair')],
    order: 'AB BA',
    note: 'The second bar is the first one mirrored; its last chord is tied over the bar.',
  },
  {
    id: 'straight-and-pushed-in-two',
    name: 'Straight and pushed',
    families: ['bossa nova'],
    counts: 2,
    beat: 1,
    cells: [cell('A', 'bass then chord'), cell('B', 'pushed pair')],
    order: 'AB BA',
    note: 'The same in sixteenths.',
  },
  {
    id: 'all-straight',
    name: 'All straight',
    families: ['bossa nova'],
    counts: 4,
    beat: 2,
    cells: [cell('A', 'bass then chord')],
    order: 'AA',
    note: 'The thumb on the beats, the chord between them: to begin with.',
  },
  {
    id: 'all-pushed',
    name: 'All pushed',
    families: ['bossa nova'],
    counts: 4,
    beat: 2,
    cells: [cell('P', 'pushed pair')],
    order: 'PP',
    note: 'The chord never falls on the beat; each bar is tied into the next.',
  },
  {
    id: 'accents-three-two',
    name: 'The cycle’s accents',
    families: ['bossa nova'],
    counts: 4,
    beat: 2,
    cells: [cell('L', 'long short'), cell('A', 'bass then chord'), cell('Q', 'chord after the bass')],
    order: 'LA AQ',
    note: 'A chord on each accent, three and two; the thumb on the beats.',
    cycles: ['bossa-three-two'],
  },
  {
    id: 'accents-two-three',
    name: 'The cycle’s accents',
    families: ['bossa nova'],
    counts: 4,
    beat: 2,
    cells: [cell('L', 'long short'), cell('A', 'bass then chord'), cell('Q', 'chord after the bass')],
    order: 'AQ LA',
    note: 'A chord on each accent, two and three; the thumb on the beats.',
    cycles: ['bossa-two-three'],
  },
  {
    id: 'accents-samba',
    name: 'The cycle’s accents',
    families: ['bossa nova'],
    counts: 2,
    beat: 1,
    cells: [cell('S', 'short long short'), cell('D', 'together then chord')],
    order: 'SD',
    note: 'A chord on each accent, the thumb on both beats.',
    cycles: ['samba'],
  },
  {
    id: 'marcato-four',
    name: 'Marcato in 4',
    families: ['tango'],
    counts: 4,
    beat: 1,
    cells: [cell('A', 'together')],
    order: 'AAAA',
    note: 'Every beat, the basses under the palm.',
  },
  {
    id: 'marcato-two',
    name: 'Marcato in 2',
    families: ['tango'],
    counts: 4,
    beat: 1,
    cells: [cell('A', 'together', 'hold')],
    order: 'AA',
    note: 'One and three.',
  },
  {
    id: 'sincopa',
    name: 'Síncopa',
    families: ['tango'],
    counts: 4,
    beat: 2,
    cells: [cell('S', 'short long short'), cell('A', 'bass then chord')],
    order: 'SA',
    note: 'Eighth, quarter, eighth; then two quarters.',
  },
  {
    id: 'three-three-two',
    name: '3-3-2',
    families: ['tango', 'flamenco'],
    counts: 4,
    beat: 2,
    cells: [cell('L', 'long short'), cell('H', 'chord on the half')],
    order: 'LH',
    note: 'Eighths 1, 4 and 7.',
  },
  {
    id: 'three-three-two-basses',
    name: '3-3-2, a bass on each',
    families: ['tango', 'flamenco'],
    counts: 4,
    beat: 2,
    cells: [cell('M', 'bass, chords, bass'), cell('N', 'chords, bass, chord')],
    order: 'MN',
    note: 'The thumb on 1, 2 & and 4, chords between them.',
    cycles: ['three-three-two', 'rumba'],
  },
  {
    id: 'rumba-in-threes',
    name: 'Strummed in threes',
    families: ['flamenco'],
    counts: 4,
    beat: 1,
    cells: [cell('A', 'strum down, up'), cell('B', 'slap, strum down', 'strum up, slap')],
    order: 'ABA',
    note: 'Down, up, slap: a down stroke on 1, 2 & and 4.',
    cycles: ['rumba'],
  },
  {
    id: 'rumba-pendulum',
    name: 'Strummed, the hand swings',
    families: ['flamenco'],
    counts: 4,
    beat: 1,
    cells: [cell('A', 'strum down, up'), cell('B', 'slap, strum up')],
    order: 'ABBA',
    note: 'Down on the beat, up between, slaps on 2 and 3.',
    cycles: ['rumba'],
  },
  {
    id: 'three-two-two-one',
    name: '3-2-2-1',
    families: ['tango'],
    counts: 2,
    beat: 1,
    cells: [cell('L', 'long short'), cell('O', 'chords off the beat')],
    order: 'LO',
    note: 'Sixteenths 1, 4, 6 and 8.',
  },
  {
    id: 'milonga',
    name: 'Milonga, habanera',
    families: ['tango'],
    counts: 2,
    beat: 1,
    cells: [cell('L', 'long short'), cell('A', 'bass then chord')],
    order: 'LA',
    note: 'Dotted eighth, sixteenth, two eighths.',
  },
  {
    id: 'milonga-campera',
    name: 'Milonga campera',
    families: ['tango'],
    counts: 2,
    beat: 1,
    cells: [cell('L', 'long short'), cell('H', 'chord on the half')],
    order: 'LH',
    note: 'Sixteenths 1, 4 and 7.',
  },
  {
    id: 'vals',
    name: 'Vals',
    families: ['tango'],
    counts: 3,
    beat: 1,
    cells: [cell('B', 'bass'), cell('C', 'chord')],
    order: 'BCC',
    note: 'A bass and two chords.',
  },
];

/**
 * The figures whose bars are as long as the cycle's, those of its own family first.
 * @example figuresFor(cycleById('vals')).map((f) => f.id) // ['vals']
 */
export function figuresFor(cycle: AccentCycle): UsualFigure[] {
  const lengths = barTicks(cycle);
  const fits = COMP_FIGURES.filter(
    (f) => (f.cycles?.includes(cycle.id) ?? true) && lengths.every((l) => l === f.counts * TICKS_PER_COUNT),
  );
  const own = (f: UsualFigure) => f.families.includes(cycle.family);
  return [...fits.filter(own), ...fits.filter((f) => !own(f))];
}
