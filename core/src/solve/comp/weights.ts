/** What an accompaniment pays beside its shapes, their changes and its bass, in points; one line of reason for each. */
export const COMP_WEIGHTS = {
  /** For the finger with least room at a change, when it has half of the time that it needs. */
  late: 40,
  /** For each string that the fingers were told to play and that the shape leaves silent. */
  unsounded: 40,
  /** For each third or seventh (or what stands in for it) that none of the struck strings has, each time the
   * chord comes: worse than any change, for the chord is another then. */
  unheard: 120,
  /** For each ninth, eleventh and thirteenth that the symbol names and none of the struck strings has. */
  colour: 60,
  /** For a chord that is tied over a change as written: it is what the figure says. */
  tied: 0,
  /** For a chord that takes the coming one early: both hands change off the beat. */
  push: 2,
} as const;
/** A chord can be pushed that begins so much before its change, at most. */
export const PUSH_COUNTS = 1;
/** Shapes weighed for each chord. */
export const SHAPES_A_NAME = 10;
