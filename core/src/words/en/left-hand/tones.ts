import { byNumber, listed } from '../numbers.js';

const NAMES: Readonly<Record<string, string>> = {
  1: 'root',
  3: 'third',
  4: 'fourth',
  5: 'fifth',
  6: 'sixth',
  7: 'seventh',
  9: 'ninth',
  11: 'eleventh',
  13: 'thirteenth',
};
/**
 * Intervals of a chord as players name its tones.
 * @example sayTones(['3m', '7M']) // 'third and seventh'
 */
export const sayTones = (intervals: readonly string[]): string =>
  listed([...new Set(intervals.map((i) => NAMES[/\d+/.exec(i)?.[0] ?? ''] ?? i))]);
/**
 * Strings by their numbers.
 * @example sayStrings([5, 3]) // 'strings 5 and 3'
 */
export const sayStrings = (strings: readonly (number | string)[]): string =>
  `${byNumber(strings.length, 'string', 'strings')} ${listed(strings.map(String))}`;
