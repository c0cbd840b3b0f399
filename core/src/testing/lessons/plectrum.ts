/** A lesson for the plectrum: a line by strings, and its strokes: d lands on the next string, u answers it, w leaps off. */
export interface PlectrumLesson {
  readonly music: string;
  readonly strokes: string;
}
const of = (music: string, strokes: string): PlectrumLesson => ({ music, strokes });

/** Every change of string begins downwards; an odd number of notes before a thicker string ends in a whip. */
export const PLECTRUM: readonly PlectrumLesson[] = [
  of('3333', 'd u d u'),
  of('3322', 'd u d u'),
  of('2233', 'd u d u'),
  of('333 222', 'd u d d u d'),
  of('222 333', 'd u w d u d'),
  of('654321', 'd d d d d d'),
  of('123456', 'w w w w w w'),
  of('5 4 5 4', 'd w d d'),
  of('3 22 1', 'd d u d'),
  of('1 22 3', 'w d u w'),
  of('44 3 44', 'd u w d u'),
  of('6 555 4', 'd d u d d'),
  of('111 2 1', 'd u w d d'),
  of('2 1 2 3', 'd w w w'),
];
