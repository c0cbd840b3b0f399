/** What a left-hand line pays, in points; one line of reason for each. */
export interface FretWeights {
  /** A stretch at its limit, from ease on in proportion; and fingers that cross. */
  readonly stretch: number;
  /** For each point that a barre costs in a shape. */
  readonly barre: number;
  /** The fourth finger, the shortest. */
  readonly weak: number;
  /** For each fret that a finger stands below its own in the first position: a squeezed hand. */
  readonly squeeze: number;
  /** An open string: it can't be coloured, and rings on. */
  readonly open: number;
  /** A stopped note that an open string has too. */
  readonly openMissed: number;
  /** For each fret of the hand's position above the first. */
  readonly height: number;
  /** The hand leaves its position with no finger to lead it; nothing while open strings sound alone. */
  readonly shift: number;
  /** The same along a finger that stays on its string: a guide. */
  readonly guided: number;
  /** For each fret the hand goes. */
  readonly perFret: number;
  /** A move that needs more time than there is; in proportion to what is missing. */
  readonly late: number;
  /** A finger that goes to another string for the very next note. */
  readonly jump: number;
  /** Another finger than the first that rolls over to a neighbouring string on its fret. */
  readonly rolls: number;
  /** Another finger on a note that is struck again at once. */
  readonly changed: number;
  /** A single note after another on its fret, the higher finger on the thicker string: they cross. */
  readonly crosses: number;
  /** For each string that a double stop leaves for another: the pair is kept where it can be. */
  readonly otherPair: number;
  /** For each finger that is changed while a double stop or a shape slides along its strings as it is. */
  readonly slid: number;
  /** A finger that slides, with the hand, to where another lies ready. */
  readonly overOther: number;
  /** A finger a fret below its own in the hand's place, beside its neighbour: squeezed, and the hand stays. */
  readonly pinched: number;
  /** The first finger over a neighbouring string on its fret: it collapses, or stands up again. */
  readonly collapses: number;
  /** A finger that leaves one string for another between two notes, the other of which comes back: a shape is held. */
  readonly hop: number;
  /** A melody note that the hand leaves while it could ring softly on: its finger is needed, or the hand goes. */
  readonly cut: number;
  /** A finger that closes over more strings on its fret, or opens again. */
  readonly hinge: number;
  /** A note on another string than the melody's own. */
  readonly otherString: number;
  /** A pedal that is stopped though an open string has it: more than any way round could save. */
  readonly pedal: number;
}
export interface FretSchool {
  readonly id: string;
  readonly weights: FretWeights;
}
export const FRET_WEIGHTS: FretWeights = {
  stretch: 60,
  barre: 1,
  weak: 3,
  squeeze: 6,
  open: 2,
  openMissed: 0,
  height: 1,
  shift: 14,
  guided: 6,
  perFret: 2,
  late: 80,
  jump: 10,
  rolls: 6,
  changed: 10,
  crosses: 4,
  otherPair: 6,
  slid: 20,
  overOther: 8,
  pinched: 3,
  collapses: 1,
  hop: 8,
  cut: 3,
  hinge: 4,
  otherString: 0,
  pedal: 2_000,
};
/** What the left hand minds most; the first is what a melody begins with: these styles live by their open strings. */
export const FRET_SCHOOLS: readonly FretSchool[] = [
  {
    id: 'open',
    weights: { ...FRET_WEIGHTS, open: 0, openMissed: 30, shift: 10 },
  },
  {
    id: 'position',
    weights: { ...FRET_WEIGHTS, shift: 40, guided: 24 },
  },
  {
    id: 'one string',
    weights: { ...FRET_WEIGHTS, otherString: 30, shift: 8, guided: 3, open: 8, jump: 4, rolls: 2 },
  },
  {
    id: 'small',
    weights: { ...FRET_WEIGHTS, stretch: 240, shift: 10 },
  },
];
export const fretSchool = (id: string): FretSchool =>
  FRET_SCHOOLS.find((s) => s.id === id) ?? (FRET_SCHOOLS[0] as FretSchool);
