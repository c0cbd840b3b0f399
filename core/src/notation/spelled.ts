/** A note by its letter. */
export interface Spelled {
  readonly letter: string;
  readonly accidental: '' | '#' | 'b' | '##' | 'bb';
  /** As it is written: the guitar sounds an octave lower. */
  readonly octave: number;
}
/** Half-tones that an accidental raises by. */
export const ALTER: Readonly<Record<Spelled['accidental'], number>> = { '': 0, '#': 1, b: -1, '##': 2, bb: -2 };
