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
  'bass, chords, bass',
  'chords, bass, chord',
  'strum down',
  'strum down, up',
  'slap, strum up',
  'slap, strum down',
  'strum up, slap',
  'hold',
  'rest',
] as const;
export type BeatKind = (typeof BEAT_KINDS)[number];

/**
 * Each kind in the four quarters of its beat: `b` the thumb's bass, `c` the fingers' chord, `t` both together, `D` and `U`
 * strums, `S` the flat hand, `-` what sounds goes on, `.` silence. But for 3-3-2 the thumb is on the beat or nowhere.
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
  'bass, chords, bass': 'bccb',
  'chords, bass, chord': 'ccbc',
  'strum down': 'D---',
  'strum down, up': 'D-U-',
  'slap, strum up': 'S-U-',
  'slap, strum down': 'S-D-',
  'strum up, slap': 'U-S-',
  hold: '----',
  rest: '....',
};

/** A cell of an accompaniment: one or more beats under a letter. */
export interface CompCell {
  readonly letter: string;
  readonly beats: readonly BeatKind[];
}
