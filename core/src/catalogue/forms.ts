import type { StringNumber } from '../time/index.js';

/** A left-hand form as methods teach it. Which chord it is follows from its notes. */
export interface TaughtForm {
  /** Frets from string 6 to 1 as it is learned first, x = silent. */
  readonly frets: string;
  /** The string that has the root: the thickest of those that sound, unless another note is below it. */
  readonly root: StringNumber;
  /** It is held over another bass: a chord with a slash. */
  readonly over?: boolean;
  /** It goes along the neck: under a barre, or without open strings. */
  readonly moves: boolean;
  /** Fingers as they are taught where it is learned first, by its frets' strings; the first is what one is shown. */
  readonly fingers: readonly string[];
  /** The same under a barre, where it goes along. */
  readonly barred: readonly string[];
  /** A shell of comping or a half barre: it comes after whole forms wherever it is held. */
  readonly small?: boolean;
}
/** A form in a line: its frets, its fingers behind `=` in one or more ways, those under a barre behind `^`. */
function formFrom(line: string, more: Omit<TaughtForm, 'frets' | 'fingers' | 'barred'>): TaughtForm {
  const [own = '', ...barred] = line.split(' ^');
  const [frets = '', ...fingers] = own.split(' =');
  return { frets, fingers, barred, ...more };
}
const moving = (root: StringNumber, ...all: string[]): TaughtForm[] =>
  all.map((line) => formFrom(line, { root, moves: true }));
/** Shells and half barres. */
const small = (root: StringNumber, ...all: string[]): TaughtForm[] =>
  all.map((line) => formFrom(line, { root, moves: true, small: true }));
const open = (root: StringNumber, ...all: string[]): TaughtForm[] =>
  all.map((line) => formFrom(line, { root, moves: false }));
/** Over another bass. */
const over = (root: StringNumber, ...all: string[]): TaughtForm[] =>
  all.map((line) => formFrom(line, { root, moves: false, over: true }));

/**
 * Open chords, and the forms of E, A and D that a full or half barre takes along the neck; shells of comping among them.
 * Where methods agree on no fingers none stand.
 */
export const TAUGHT_FORMS: readonly TaughtForm[] = [
  // E: major, minor, seventh, minor seventh, major seventh, fourth, with fourth and seventh.
  ...moving(
    6,
    '0-2-2-1-0-0 =0-2-3-1-0-0 ^1-3-4-2-1-1',
    '0-2-2-0-0-0 =0-2-3-0-0-0 =0-1-2-0-0-0 ^1-3-4-1-1-1',
    '0-2-0-1-0-0 =0-2-0-1-0-0 ^1-3-1-2-1-1',
    '0-2-0-0-0-0 =0-2-0-0-0-0 =0-1-0-0-0-0 ^1-3-1-1-1-1',
    '0-2-1-1-0-0 =0-3-1-2-0-0 ^1-4-2-3-1-1',
    '0-2-2-2-0-0 =0-1-2-3-0-0 =0-2-3-4-0-0 ^1-2-3-4-1-1 ^1-3-3-3-1-1',
    '0-2-0-2-0-0 =0-2-0-3-0-0 =0-1-0-2-0-0 ^1-3-1-4-1-1',
  ),
  // Ninths of E: ninth, minor and flat ninth, sixth and ninth, major ninth; minor with its major seventh.
  ...moving(
    6,
    '3-5-3-4-3-5 =1-3-1-2-1-4',
    '3-5-3-3-3-5 =1-3-1-1-1-4',
    '3-5-3-4-3-4 =1-4-1-2-1-3',
    '3-2-2-2-3-3 =2-1-1-1-3-4',
    '3-2-4-2-3-2 =2-1-4-1-3-1',
    '0-2-1-0-0-0 =0-2-1-0-0-0 ^1-3-2-1-1-1',
  ),
  // The same as shells: seventh, minor and major seventh, sixth, minor sixth, half and wholly diminished, thirteenth.
  ...small(
    6,
    '3-x-3-4-3-x',
    '3-x-3-3-3-x =2-x-3-3-3-x',
    '3-x-4-4-3-x =1-x-3-4-2-x',
    '3-x-2-4-3-x =2-x-1-4-3-x',
    '3-x-2-3-3-x =2-x-1-3-4-x =2-x-1-3-3-x',
    '3-x-3-3-2-x =2-x-3-4-1-x',
    '3-x-2-3-2-x =2-x-1-3-1-x =3-x-1-4-2-x',
    '3-x-3-4-5-x =1-x-2-3-4-x',
  ),
  ...open(
    6,
    '0-2-2-1-3-0 =0-2-3-1-4-0',
    '0-2-2-0-3-0 =0-1-2-0-3-0 =0-2-3-0-4-0',
    '0-2-2-1-2-0 =0-2-3-1-4-0',
    '0-2-2-0-2-0 =0-1-2-0-3-0 =0-2-3-0-4-0',
    '0-2-0-1-0-2 =0-2-0-1-0-3',
    '0-2-0-1-0-1',
    '0-2-0-0-0-2',
  ),
  ...open(
    6,
    '3-2-0-0-0-3 =3-2-0-0-0-4 =2-1-0-0-0-3',
    '3-2-0-0-0-1 =3-2-0-0-0-1',
    '3-2-0-0-0-2',
    '3-2-0-0-0-0 =3-2-0-0-0-0 =2-1-0-0-0-0',
  ),
  // A: major, minor, sevenths, fourths, sixths, half and wholly diminished.
  ...moving(
    5,
    'x-0-2-2-2-0 =x-0-1-2-3-0 =x-0-2-3-4-0 ^x-1-2-3-4-1 ^x-1-3-3-3-1',
    'x-0-2-2-1-0 =x-0-2-3-1-0 ^x-1-3-4-2-1',
    'x-0-2-0-2-0 =x-0-2-0-3-0 =x-0-1-0-2-0 ^x-1-3-1-4-1',
    'x-0-2-0-1-0 =x-0-2-0-1-0 ^x-1-3-1-2-1',
    'x-0-2-1-2-0 =x-0-2-1-3-0 ^x-1-3-2-4-1',
    'x-0-2-1-1-0 =x-0-3-1-2-0 ^x-1-4-2-3-1',
  ),
  ...moving(
    5,
    'x-0-2-2-3-0 =x-0-1-2-3-0 =x-0-2-3-4-0 ^x-1-2-3-4-1 ^x-1-3-3-4-1',
    'x-0-2-0-3-0 =x-0-2-0-3-0 ^x-1-3-1-4-1',
    'x-0-2-2-2-2 =x-0-1-1-1-1 =x-0-1-2-3-4',
    'x-0-2-2-1-2 =x-0-2-3-1-4',
    'x-0-1-0-1-x =x-0-1-0-2-x =x-0-2-0-3-x ^x-1-3-2-4-x ^x-1-2-1-3-x',
    'x-3-4-2-4-2 =x-2-3-1-4-1',
    'x-2-3-1-3-x =x-2-3-1-4-x',
    'x-3-2-3-4-x =x-2-1-3-4-x',
  ),
  // Ninths and what comping takes from them: ninth, sixth and ninth, flat ninth, minor and major ninth, seventh.
  ...moving(
    5,
    'x-3-2-3-3-3 =x-2-1-3-3-3 =x-2-1-3-3-4',
    'x-3-2-2-3-3 =x-2-1-1-3-3 =x-2-1-1-3-4',
    'x-3-2-3-2-x =x-2-1-3-1-x =x-3-1-4-2-x',
    'x-3-1-3-3-x =x-2-1-3-4-x',
    'x-3-2-4-3-x =x-2-1-4-3-x',
  ),
  ...small(5, 'x-3-x-3-5-5 =x-1-x-1-3-4'),
  ...small(5, 'x-3-2-3-1-x =x-3-2-4-1-x', 'x-3-1-2-1-x =x-3-1-2-1-x'),
  ...open(
    5,
    'x-3-2-0-1-0 =x-3-2-0-1-0',
    'x-3-2-3-1-0 =x-3-2-4-1-0',
    'x-3-2-0-0-0 =x-3-2-0-0-0 =x-2-1-0-0-0',
    'x-3-2-2-1-0 =x-4-2-3-1-0',
    'x-3-2-0-3-0 =x-2-1-0-3-0 =x-3-2-0-4-0',
    'x-3-3-0-1-1 =x-3-4-0-1-1',
  ),
  ...open(5, 'x-0-2-3-2-3'),
  ...open(
    5,
    'x-2-1-2-0-2 =x-2-1-3-0-4',
    'x-2-0-2-0-2 =x-1-0-2-0-3 =x-2-0-3-0-4',
    'x-0-2-2-0-0 =x-0-2-3-0-0 =x-0-1-2-0-0',
    'x-0-2-4-2-0',
    'x-0-2-4-1-0 =x-0-2-4-1-0',
    'x-0-2-0-2-2 =x-0-1-0-2-3 =x-0-2-0-3-4',
    'x-0-1-2-1-2 =x-0-1-3-2-4',
  ),
  // D: major, minor, sevenths, sixths, fourths, diminished.
  ...moving(
    4,
    'x-x-0-2-3-2 =x-x-0-1-3-2 ^x-x-1-2-4-3',
    'x-x-0-2-3-1 =x-x-0-2-3-1 ^x-x-1-3-4-2',
    'x-x-0-2-1-2 =x-x-0-2-1-3 ^x-x-1-3-2-4',
    'x-x-0-2-1-1 =x-x-0-2-1-1 ^x-x-1-4-2-3 ^x-x-1-3-2-2',
    'x-x-0-2-2-2 =x-x-0-1-1-1 =x-x-0-1-2-3',
    'x-x-0-1-1-1 =x-x-0-1-1-1 =x-x-0-1-2-3 ^x-x-1-3-3-3 ^x-x-1-2-2-2 ^x-x-1-2-3-4',
    'x-x-0-1-0-1 =x-x-0-1-0-2 ^x-x-1-3-2-4',
    'x-x-0-2-2-1 =x-x-0-2-3-1 ^x-x-1-3-4-2',
    'x-x-2-1-3-1 =x-x-2-1-3-1 =x-x-2-1-4-1',
    'x-x-2-1-3-2 =x-x-2-1-4-3',
    'x-x-2-0-3-2 =x-x-2-0-4-3 =x-x-1-0-3-2 ^x-x-2-1-4-3',
  ),
  // The same forms of E under a half barre.
  ...small(4, 'x-x-2-1-0-0 =x-x-2-1-0-0 ^x-x-3-2-1-1', 'x-x-2-0-0-0 ^x-x-3-1-1-1'),
  ...open(
    4,
    'x-x-0-2-3-3 =x-x-0-1-3-4 =x-x-0-1-2-3',
    'x-x-0-2-3-0 =x-x-0-1-3-0 =x-x-0-1-2-0',
    'x-x-0-2-1-3 =x-x-0-2-1-4 =x-x-0-2-1-3',
    'x-x-0-2-0-2 =x-x-0-1-0-2 =x-x-0-2-0-3',
    'x-x-0-2-0-1 =x-x-0-2-0-1',
    'x-x-0-2-1-0 =x-x-0-2-1-0',
    'x-x-3-2-1-0 =x-x-3-2-1-0',
    'x-x-3-2-0-0 =x-x-3-2-0-0',
  ),
  // Over another bass: fifths, thirds and sevenths below the open chords.
  ...over(
    5,
    '3-3-2-0-1-0 =3-4-2-0-1-0',
    '0-3-2-0-1-0 =0-3-2-0-1-0',
    '0-0-2-2-1-0 =0-0-2-3-1-0',
    '0-0-2-2-2-0 =0-0-1-2-3-0',
  ),
  ...over(5, '3-0-2-2-1-0 =4-0-2-3-1-0'),
  ...over(
    4,
    'x-0-0-2-3-2 =x-0-0-1-3-2',
    'x-0-0-2-3-1 =x-0-0-2-3-1',
    '2-x-0-2-3-2 =2-x-0-1-4-3',
    'x-2-2-0-0-0 =x-1-2-0-0-0 =x-2-3-0-0-0',
  ),
  ...over(4, '4-2-2-1-0-0', 'x-3-3-2-1-1 =x-3-4-2-1-1'),
  ...over(3, 'x-2-0-0-0-3 =x-2-0-0-0-3 =x-1-0-0-0-3', 'x-4-2-2-2-0 =x-4-1-1-1-0'),
  ...over(2, 'x-2-2-0-1-0 =x-2-3-0-1-0'),
];
