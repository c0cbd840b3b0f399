/** What a bass line pays, in points; one line of reason for each. */
export const BASS_WEIGHTS = {
  /** For each fret that a finger stands out of the hand's place: it stretches, or the hand turns. */
  fretOut: 2,
  /** The finger of the bass goes over to another string: the note that it leaves is over with that. */
  goesOver: 1,
  /** A finger lies down over one string more: it has to be flat, and up again. */
  liesOver: 3,
  /** Another finger of the shape leaves its place and has to find back. */
  borrowed: 4,
  /** The whole shape is let go for one note and found again. */
  alone: 10,
  /** For each string that is struck, or goes on ringing, while its finger is away: the chord falls apart. */
  suffers: 12,
  /** For each neighbour below E3 less than a fourth above: low thirds and seconds growl. */
  mud: 5,
  /** The thumb plays a string on which, or below which, the fingers play: it stands in their way. */
  set: 15,
  /** For each semitone of a leap beyond a fifth: a line walks. */
  leap: 1,
  /** For each string that the thumb passes beyond its neighbour. */
  thumbString: 1,
  /** For a thumb that has half of the time that it needs. */
  thumbLate: 20,
  /** A note on the way, or one that leads on, at the pitch of the one before: nothing walks. */
  stays: 6,
  /** For each semitone beyond a whole tone, to a note on the way or from one: a line walks by steps. */
  skip: 1,
  /** A note on the way that is the scale's and not the chord's. */
  passing: 1,
  /** What should lead to a root is not within a step of it. */
  farFromRoot: 12,
  /** A root elsewhere than in the shape's own bass: the ear has that one already. */
  otherRoot: 2,
  /** It comes from the other side than was asked for. */
  otherSide: 8,
  /** No note of the chord's scale where one is asked for, no semitone where that is; where either will do, neither. */
  otherStep: 4,
} as const;
/** Semitones of the widest leap that costs nothing. */
export const FIFTH = 7;
/** Semitones of the widest step. */
export const STEP = 2;
