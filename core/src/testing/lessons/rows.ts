/** A lesson for a row of chords: the fingers that are taught for each, `x` a string that is silent. */
export interface RowLesson {
  readonly law: RowLaw;
  readonly chords: string;
  readonly fingers: string;
}
export type RowLaw = 'as taught' | 'a finger stays' | 'a form slides' | 'comping';
const of = (law: RowLaw, list: readonly (readonly [chords: string, fingers: string])[]): readonly RowLesson[] =>
  list.map(([chords, fingers]) => ({ law, chords, fingers }));

export const ROW_LESSONS: readonly RowLesson[] = [
  ...of('as taught', [
    ['C E7', 'x-3-2-0-1-0 0-2-0-1-0-0'],
    ['E7 Am', '0-2-0-1-0-0 x-0-2-3-1-0'],
    ['C Am Dm G7', 'x-3-2-0-1-0 x-0-2-3-1-0 x-x-0-2-3-1 3-2-0-0-0-1'],
    ['Am E7 Am Dm', 'x-0-2-3-1-0 0-2-0-1-0-0 x-0-2-3-1-0 x-x-0-2-3-1'],
    ['F C', '1-3-4-2-1-1 x-3-2-0-1-0'],
    ['Bm A', 'x-1-3-4-2-1 x-0-1-2-3-0'],
    ['D G A7', 'x-x-0-1-3-2 2-1-0-0-0-3 x-0-2-0-3-0'],
    ['C#m F#7', 'x-1-3-4-2-1 1-3-1-2-1-1'],
  ]),
  ...of('a finger stays', [
    ['C G/B Am', 'x-3-2-0-1-0 x-2-0-0-0-3 x-0-2-3-1-0'],
    ['C C7 F', 'x-3-2-0-1-0 x-3-2-4-1-0 1-3-4-2-1-1'],
    ['Em7 A7', '0-1-2-0-3-0 x-0-2-0-3-0'],
  ]),
  ...of('a form slides', [['E F G F', '0-3-4-2-0-0 1-3-4-2-1-1 1-3-4-2-1-1 1-3-4-2-1-1']]),
  ...of('comping', [
    ['Dm7 G7 Cmaj7', 'x-x-0-2-1-1 3-2-0-0-0-1 x-3-2-0-0-0'],
    ['Dm9 G13', 'x-2-1-3-4-x 1-x-2-3-4-x'],
    ['Am7 D9', 'x-0-2-0-1-0 x-2-1-3-3-3'],
    ['Am6 E7', 'x-0-2-3-1-4 0-2-0-1-0-0'],
    ['Bm7b5 E7 Am6', 'x-1-2-1-3-x 0-2-0-1-0-0 x-0-2-3-1-4'],
  ]),
];

/** A lesson for what is hardest: a pattern over a chart, and where the left hand has least time. */
export interface MoveLesson {
  readonly script: string;
  readonly chart: string;
  /** From which place into which. */
  readonly hardest: string;
}
export const MOVE_LESSONS: readonly MoveLesson[] = [
  // Into a barre it is harder than between open chords.
  { script: 'p:b i:3 m:2 a:1', chart: 'C | Am | F', hardest: 'Am → F' },
  { script: 'p:b i:3 m:2 a:1', chart: 'Am | E7 | Am | Bm', hardest: 'Am → Bm' },
  // Frets that strokes bring: the jump; over a chord the way back, for it has to be put down whole.
  { script: 'i:1f1=1 m:1f3=3 i:1f1=1 m:1f3=3 i:1f1=1 m:1f13=4 - -', chart: '', hardest: '1f1 → 1f13' },
  { script: 'p:b i:1f12=4 m:2 i:1 - - - -', chart: 'C', hardest: '1f12 → C' },
  { script: 'p:b - - - i:2f1=1 m:2f8=4 - -', chart: '', hardest: '2f1 → 2f8' },
];
/** A lesson for where a piece lies best: its chart, and where the first key of all puts it. */
export interface KeyLesson {
  readonly chart: string;
  /** Charts of which the first may be one. */
  readonly first: readonly string[];
}
export const KEY_LESSONS: readonly KeyLesson[] = [
  { chart: 'F | Bb', first: ['E | A', 'G | C', 'D | G', 'A | D'] },
  { chart: 'Fm | C7', first: ['Em | B7', 'Am | E7', 'Dm | A7'] },
  { chart: 'Bbm | F7', first: ['Em | B7', 'Am | E7', 'Dm | A7'] },
  { chart: 'Am | G | F | E', first: ['Am | G | F | E', 'Em | D | C | B', 'Dm | C | Bb | A'] },
];
