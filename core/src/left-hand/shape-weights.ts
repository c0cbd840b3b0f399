/** What a shape pays, in points; one line of reason for each. */
export interface ShapeWeights {
  /** A pair of fingers at its limit; from ease on in proportion. */
  readonly stretch: number;
  /** Any barre: the finger must lie flat and press evenly. */
  readonly barre: number;
  /** For each string a barre lies over. */
  readonly barreString: number;
  /** A barre that is not the first finger's; twice that where it is not the third's either. */
  readonly barreOther: number;
  /** A barre beside an open string on its thin side: the finger must end before it and arch over nothing. */
  readonly barreEnds: number;
  /** The fourth finger, the shortest. */
  readonly weak: number;
  /** The thumb over the neck: it turns the hand. */
  readonly thumb: number;
  /** Two fingers on one fret with the lower one on the thinner string: the hand twists. */
  readonly order: number;
  /** For each fret that fingers stand closer or wider than one a fret. */
  readonly crowd: number;
  /** For each fret away from one finger a fret, counted from the nut, where strings are open. */
  readonly offHome: number;
  /** Fingers that are not those which methods teach for these frets. */
  readonly others: number;
  /** A silent string between sounding ones: it must be damped while its neighbours ring. */
  readonly innerMute: number;
  /** A silent string above the sounding ones: strums must stop short of it. */
  readonly outerMute: number;
  /** A perfect fifth left out of a chord of four tones or more. */
  readonly missing: number;
  /** The same in a triad, where it is a third of the sound. */
  readonly missingInTriad: number;
  /** The lowest note is not the root, and no other bass was asked for. */
  readonly bass: number;
  /** For each fret of the lowest stopped note above the first: away from the open strings. */
  readonly height: number;
  /** For each string that growls over the one below it: low thirds and seconds. */
  readonly mud: number;
  /** For each string that sounds less than wanted. */
  readonly thin: number;
  /** No form that methods teach: neither an open chord nor one of the forms that go along the neck. */
  readonly untaught: number;
  /** No open string, where the chord has an open form: that one is learned first. */
  readonly closed: number;
  /** Some strings of such a form, where all could sound. */
  readonly partOfForm: number;
  /** A shell, a half barre, or a form of four strings moved up the neck: it comes after those of E and A. */
  readonly smallForm: number;
  /** A form from fret 10 on, where another lies lower. */
  readonly highForm: number;
}
export const SHAPE_WEIGHTS: ShapeWeights = {
  stretch: 60,
  barre: 2,
  barreString: 4,
  barreOther: 12,
  barreEnds: 14,
  weak: 8,
  thumb: 14,
  order: 30,
  crowd: 4,
  offHome: 1,
  others: 40,
  innerMute: 25,
  outerMute: 14,
  missing: 6,
  missingInTriad: 30,
  bass: 20,
  height: 4,
  mud: 5,
  thin: 8,
  untaught: 90,
  closed: 12,
  partOfForm: 60,
  smallForm: 26,
  highForm: 70,
};
