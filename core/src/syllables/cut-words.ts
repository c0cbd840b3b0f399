import type { AccentCycle } from '../cycle/index.js';
import { ticks, wrap } from '../time/index.js';
import { printWords } from './print-words.js';
import { wordsUntil } from './read-words.js';

/**
 * The words of a stretch as those of a section of its own, '' where it has none.
 * @param text as a section has them
 * @param to behind the last place, in ticks
 * @param begin where in its turn the stretch begins: words are counted from the turn's beginning
 * @example cutWords('uno dos tres', cycleById('tangos'), 5040, 20160) // 'dos tres'
 */
export function cutWords(text: string, cycle: AccentCycle, from: number, to: number, begin = 0): string {
  const own = wordsUntil(text, cycle, to).filter((w) => w.at >= from);
  const length = to - from;
  return printWords(
    own.map((w) => ({ ...w, at: ticks(wrap(begin + w.at - from, Math.max(1, length))) })),
    cycle,
    length,
  );
}
