import type { ChartFaultCode } from '../chart/index.js';
import type { TextFault } from '../fault/index.js';
import type { Ticks } from '../time/index.js';

/** What is sung, spoken or watched for at a place: a word, a syllable, a count. */
export interface Syllable {
  /** From the beginning of what it stands in. */
  readonly at: Ticks;
  readonly text: string;
  /** Its word goes on in the next one. */
  readonly goesOn: boolean;
}
/** Behind a syllable whose word goes on. */
export const GOES_ON = '-';
/**
 * A syllable as it is written and shown.
 * @example syllableText({ text: 'ju', goesOn: true }) // 'ju-'
 */
export const syllableText = ({ text, goesOn }: Pick<Syllable, 'text' | 'goesOn'>): string =>
  goesOn ? `${text}${GOES_ON}` : text;
export interface ReadWords {
  /** In their order, in their first round. */
  readonly syllables: readonly Syllable[];
  /** Length of all bars; 0 without any. */
  readonly length: Ticks;
  readonly faults: readonly WordsFault[];
}
export type WordsFaultCode = ChartFaultCode | 'words too long' | 'more words than counts' | 'no words before';
export type WordsFault = TextFault<WordsFaultCode>;
