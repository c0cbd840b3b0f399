import { countsText } from '../chart/index.js';
import { type AccentCycle, barTicks } from '../cycle/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import { type Syllable, syllableText } from './model.js';

/**
 * Words at their places as they are written under the counts; of two at one place both stand there. '' where there are
 * none.
 * @param until where they end: bars without a word are written, so that they come round there
 * @example printWords([{ at: ticks(5040), text: 'voz', goesOn: false }], cycleById('tangos'), ticks(20160)) // '. voz'
 */
export function printWords(syllables: readonly Syllable[], cycle: AccentCycle, until: number): string {
  if (!syllables.length) return '';
  const lengths = barTicks(cycle);
  const sorted = [...syllables].sort((a, b) => a.at - b.at);
  const bars: string[] = [];
  let next = 0;
  for (let begin = 0; begin < until && (lengths[0] ?? 0) > 0;) {
    const length = lengths[bars.length % lengths.length] ?? 1;
    const own: Syllable[] = [];
    for (let s = sorted[next]; s && s.at < begin + length; s = sorted[++next]) own.push(s);
    bars.push(barText(own, begin, length));
    begin += length;
  }
  const text = bars.map((b, n) => (n > 0 && b === bars[n - 1] && b !== EMPTY ? '%' : b)).join(' | ');
  return text;
}
/** Nothing in a whole bar: bar lines at the edges alone would be decoration. */
const EMPTY = '.';
function barText(own: readonly Syllable[], begin: number, length: number): string {
  const places = new Map<number, string>();
  for (const s of own) {
    const there = places.get(s.at - begin);
    places.set(s.at - begin, `${there === undefined ? '' : `${there} `}${syllableText(s)}`);
  }
  const words: string[] = [];
  const put = (text: string, ticks: number) =>
    words.push(ticks === TICKS_PER_COUNT ? text : `${text}:${countsText(ticks)}`);
  let at = 0;
  const all = [...places];
  all.forEach(([place, text], i) => {
    silent(put, at, place);
    const end = all[i + 1]?.[0] ?? length;
    // A word lasts to the end of its count, or to the next one where that comes earlier.
    const own = Math.min(end, (Math.floor(place / TICKS_PER_COUNT) + 1) * TICKS_PER_COUNT);
    put(wordText(text), own - place);
    at = own;
  });
  return words.length ? words.join(' ') : EMPTY;
}
/** Counts without a word, one sign each. */
function silent(put: (text: string, ticks: number) => void, from: number, to: number) {
  for (let at = from; at < to;) {
    const end = Math.min(to, (Math.floor(at / TICKS_PER_COUNT) + 1) * TICKS_PER_COUNT);
    put('.', end - at);
    at = end;
  }
}
/** In quotation marks where it would be read as something else. */
const wordText = (text: string): string =>
  text === '' || /[\s|{}":]|^[%.-]$/.test(text) ? `"${text.replace(/"/g, '""')}"` : text;
