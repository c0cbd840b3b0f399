import type { Wanted } from './allot.js';

/** What a hand bears of a burst, a barre and a weak pair in one session, in half minutes. */
export const MOST_OF = { burst: 6, barre: 6, pair: 10 } as const;

/** The room that a kind of block has. */
export type Room = Omit<Wanted, 'block'>;
const room = (least: number, want: number, most: number, worth: number): Room => ({ least, want, most, worth });
/** Of how much time a kind of block wants, in half minutes; the worth says what stays where time is short. */
export const ROOM = {
  warmUp: room(2, 4, 8, 80),
  hand: room(4, 5, 10, 60),
  handAfterBreak: room(4, 8, 14, 96),
  chords: room(4, 4, 8, 50),
  together: room(5, 8, 16, 100),
  part: room(3, 4, 8, 70),
  change: room(4, 6, 10, 75),
  pair: room(4, 4, 8, 45),
  burst: room(3, 3, MOST_OF.burst, 30),
  break: room(1, 2, 4, 35),
  check: room(1, 2, 2, 90),
  form: room(6, 6, 20, 40),
  formBeforeDate: room(6, 12, 30, 92),
} as const;
