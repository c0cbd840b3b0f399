import { LONGEST_WORDS, printWords, type Syllable } from '../../syllables/index.js';
import { ticks, TICKS_PER_COUNT } from '../../time/index.js';
import { ticksPerPart } from './cycles.js';
import type { ForeignPart } from './parts.js';

/** Parts of a count that words can begin on: those that counts are cut into elsewhere. */
const PARTS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 15, 16, 24] as const;
/** So many ticks beside such a place are on it. */
const BESIDE = 2;

/** The words of a part as a section has them; '' where there are none, or more than one holds. */
export function wordsOf({ bars, cycle }: ForeignPart): string {
  const part = ticksPerPart(cycle);
  const syllables: Syllable[] = [];
  let begin = 0;
  for (const { lyrics, length } of bars) {
    for (const { at, ...word } of lyrics) syllables.push({ ...word, at: ticks(onPart(begin + at * part)) });
    begin += Math.round(length * part);
  }
  const text = printWords(syllables, cycle, begin);
  return text.length > LONGEST_WORDS ? '' : text;
}
/** The nearest place of the coarsest parts of a count that has one here. */
function onPart(at: number): number {
  for (const n of PARTS) {
    const unit = TICKS_PER_COUNT / n;
    const near = Math.round(at / unit) * unit;
    if (Math.abs(near - at) <= BESIDE) return near;
  }
  const finest = TICKS_PER_COUNT / (PARTS.at(-1) ?? 1);
  return Math.round(at / finest) * finest;
}
