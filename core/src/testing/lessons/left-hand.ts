/** A lesson for the left hand in time: where notes lie, and the finger that is taught for each, whatever a hand minds. */
export interface LeftHandLesson {
  /** What it is a case of. */
  readonly law: LeftHandLaw;
  /** A word a note: string and fret; together in brackets. */
  readonly places: string;
  readonly fingers: string;
}
export type LeftHandLaw =
  'held' | 'hinge' | 'slides the one that lies ready' | 'a finger a fret' | 'a shape slides' | 'in position';
const of = (
  law: LeftHandLaw,
  list: readonly (readonly [places: string, fingers: string])[],
): readonly LeftHandLesson[] => list.map(([places, fingers]) => ({ law, places, fingers }));

/** How the left hand goes through a line: what stays, what collapses, what slides. */
export const LEFT_HAND_LESSONS: readonly LeftHandLesson[] = [
  // Notes that come back are a shape; the one between belongs to the finger that is free.
  ...of('held', [
    ['6f0 4f7 4f8 [6f0 4f7] 3f8 2f6 [6f0 3f8] 4f7', '0 2 4 0+2 3 1 0+3 2'],
    ['6f0 3f4 3f5 3f4 2f5 1f3 2f5 3f4', '0 2 4 2 3 1 3 2'],
    ['5f7 4f9 3f9 4f9 5f7 4f9 3f9 4f9', '1 3 4 3 1 3 4 3'],
    ['3f2 2f1 3f2 2f3 3f2 2f1', '2 1 2 3 2 1'],
  ]),
  // The first finger collapses and stands up again before another crosses over it.
  ...of('hinge', [
    ['2f1 1f1 2f1 1f1', '1 1 1 1'],
    ['1f3 2f3 1f3 2f3', '1 1 1 1'],
    ['2f3 1f3 2f3 1f3 1f5', '1 1 1 1 3'],
    ['3f5 2f5 1f5 2f5 3f5', '1 1 1 1 1'],
    ['4f2 3f2 2f2 3f2', '1 1 1 1'],
    ['3f7 2f8 3f7 1f7 3f7 2f8 3f7 1f7', '1 2 1 1 1 2 1 1'],
  ]),
  // No finger slides to where another lies.
  ...of('slides the one that lies ready', [
    ['1f8 1f8 1f6 1f4', '3 3 1 1'],
    ['2f10 2f10 2f8 2f6', '3 3 1 1'],
    ['1f7 1f7 1f5 1f3', '3 3 1 1'],
  ]),
  // Four frets are 1 2 3 4; the one at the edge then slides.
  ...of('a finger a fret', [
    ['1f5 1f6 1f7 1f8 1f9', '1 2 3 4 4'],
    ['1f9 1f8 1f7 1f6 1f5', '4 3 2 1 1'],
    ['6f1 6f2 6f3 6f4 6f5', '1 2 3 4 4'],
    ['3f4 3f5 3f6 3f7 3f8 3f7 3f6 3f5', '1 2 3 4 4 3 2 1'],
    ['6f5 6f6 6f7 6f8 5f5 5f6 5f7 5f8', '1 2 3 4 1 2 3 4'],
  ]),
  ...of('a shape slides', [['[3f2 2f1] [3f4 2f3] [3f5 2f4] [3f2 2f1]', '2+1 2+1 2+1 2+1']]),
  ...of('in position', [
    ['4f5 4f7 3f5 3f7 3f5 4f7 4f5', '1 3 1 3 1 3 1'],
    ['4f2 4f3 4f5 3f2 3f4 3f5', '1 2 4 1 3 4'],
    ['2f5 2f6 2f8 1f5 1f7 1f8', '1 2 4 1 3 4'],
  ]),
];
