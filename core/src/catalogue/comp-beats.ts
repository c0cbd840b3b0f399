/** What one beat of an accompaniment can be, as players name it. */
export const BEAT_KINDS = [
  'together',
  'chord',
  'bass',
  'bass then chord',
  'short long short',
  'pushed pair',
  'chord after the bass',
  'together then chord',
  'chord twice',
  'long short',
  'chord on the half',
  'chords off the beat',
  'hold',
  'rest',
] as const;
export type BeatKind = (typeof BEAT_KINDS)[number];

/**
 * Each kind in the four quarters of its beat: `b` the thumb's bass, `c` the fingers' chord, `t` both together, `-` what
 * sounds goes on, `.` silence. The thumb is on the beat or nowhere.
 */
export const BEAT_QUARTERS: Readonly<Record<BeatKind, string>> = {
  together: 't---',
  chord: 'c---',
  bass: 'b---',
  'bass then chord': 'b-c-',
  'short long short': 'tc-c',
  'pushed pair': 'bc-c',
  'chord after the bass': 'bc--',
  'together then chord': 't-c-',
  'chord twice': 'c-c-',
  'long short': 't--c',
  'chord on the half': '--c-',
  'chords off the beat': '-c-c',
  hold: '----',
  rest: '....',
};

/** A cell of an accompaniment: one or more beats under a letter. */
export interface CompCell {
  readonly letter: string;
  readonly beats: readonly BeatKind[];
}
