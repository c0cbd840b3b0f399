/** Units are types, so that a tempo can't be handed over where a position is asked. */
declare const unit: unique symbol;
type Unit<Name extends string> = number & { readonly [unit]: Name };

/** Musical position or length, a whole number; 5040 to the count. */
export type Ticks = Unit<'ticks'>;
/** Counts per minute. */
export type Bpm = Unit<'bpm'>;
export type Millis = Unit<'millis'>;
export type Millimetres = Unit<'millimetres'>;
/** Semitones, 60 = middle C. */
export type Midi = Unit<'midi'>;
/** Counted from the nut, whatever the capo does. */
export type Fret = Unit<'fret from the nut'>;
/**
 * Counted from the capo, 0 = open: as texts, shapes and scores have it. Any number is taken for one, but no `Fret`: where
 * it lies on the neck is asked through `fromNut`, and the two are never mixed.
 */
export type FretFromCapo = number & { readonly [unit]?: 'fret from the capo' };
/** 1 = thinnest, 6 = thickest. */
export type StringNumber = 1 | 2 | 3 | 4 | 5 | 6;

/** 2…10, 12, 14, 15 and 16 steps divide one count of this many ticks exactly. */
export const TICKS_PER_COUNT = 5040 as Ticks;
export const LOWEST_BPM = 20 as Bpm;
export const HIGHEST_BPM = 400 as Bpm;
/** One thing for each string, from string 6 to string 1. */
export type SixStrings<T> = readonly [T, T, T, T, T, T];
export const STRINGS: SixStrings<StringNumber> = [6, 5, 4, 3, 2, 1];
/**
 * One thing for each string, from string 6 to string 1.
 * @example perString((s) => s) // [6, 5, 4, 3, 2, 1]
 */
export const perString = <T>(make: (string: StringNumber, index: number) => T): SixStrings<T> =>
  STRINGS.map(make) as unknown as SixStrings<T>;

/**
 * @throws RangeError when n isn't a whole number: a position never holds a fraction of a tick.
 * @example ticks(5040) // TICKS_PER_COUNT
 */
export function ticks(n: number): Ticks {
  if (!Number.isSafeInteger(n)) throw new RangeError(`${n} is not a whole number of ticks`);
  return n as Ticks;
}
export const bpm = (n: number): Bpm => n as Bpm;
export const millis = (n: number): Millis => n as Millis;
export const millimetres = (n: number): Millimetres => n as Millimetres;
export const midi = (n: number): Midi => n as Midi;
/** A fret that is counted from the nut already. */
export const fret = (n: number): Fret => n as Fret;
/**
 * Where a fret that is counted from the capo lies, from the nut on.
 * @example fromNut(3, 2) // 5
 */
export const fromNut = (fromCapo: FretFromCapo, capo: number): Fret => (fromCapo + capo) as Fret;

/**
 * A list of six as what it is.
 * @throws RangeError when it has another number of entries
 * @example sixOf([1, 2, 3, 4, 5, 6]).length // 6
 */
export function sixOf<T>(list: readonly T[]): SixStrings<T> {
  if (list.length !== STRINGS.length) throw new RangeError(`${list.length} entries are no six strings`);
  return list as unknown as SixStrings<T>;
}

/**
 * Keeps a tempo inside 20–400 counts a minute, whole.
 * @example clampBpm(900) // 400
 */
export const clampBpm = (n: number): Bpm =>
  Math.min(HIGHEST_BPM, Math.max(LOWEST_BPM, Number.isFinite(n) ? Math.round(n) : LOWEST_BPM)) as Bpm;

export const isStringNumber = (n: number): n is StringNumber => Number.isInteger(n) && n >= 1 && n <= 6;
