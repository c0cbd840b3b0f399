import { type ChartFault, entryBars, ticksOfCounts, entriesOf, type Entry } from '../chart/index.js';
import { type AccentCycle, barTicks } from '../cycle/index.js';
import { quoted, textFault } from '../fault/index.js';
import { ticks, TICKS_PER_COUNT } from '../time/index.js';
import { GOES_ON, type ReadWords, type Syllable, type WordsFault, type WordsFaultCode } from './model.js';

/** Letters that the words of a section may have. */
export const LONGEST_WORDS = 20_000;
type Word = Exclude<Entry, { kind: 'bar' }>;
const say = (...fault: Parameters<typeof textFault<WordsFaultCode>>): WordsFault => textFault(...fault);

/**
 * Reads the words under a section's counts: one a count, bars by `|`, `.` for a count without, `-` at the end of a
 * syllable whose word goes on, `:2` for one that has two counts, quotation marks round what stands on one count, `%` for
 * the bar before once more, `{ … }x2` for what repeats.
 * @example readWords('la voz | . "y va"', cycleById('tangos')).syllables.map((s) => s.at / 5040) // [0, 1, 5]
 */
export function readWords(text: string, cycle: AccentCycle): ReadWords {
  if (text.length > LONGEST_WORDS) {
    const range = { from: LONGEST_WORDS, to: text.length };
    return nothing([say(range, 'words too long', [LONGEST_WORDS, text.length])]);
  }
  const misread: ChartFault[] = [];
  const entries = entriesOf(text, misread);
  const faults: WordsFault[] = [...misread];
  if (!entries) return nothing(faults);
  const lengths = barTicks(cycle);
  const syllables: Syllable[] = [];
  let at = 0;
  let before: readonly Syllable[] | null = null;
  for (const [n, bar] of entryBars(entries).entries()) {
    const length = lengths[n % lengths.length] ?? 0;
    const [only] = bar;
    if (only?.kind === 'again' && bar.length === 1 && !before)
      faults.push(say(only.range, 'no words before', ['%'], ''));
    const own: readonly Syllable[] =
      only?.kind === 'again' && bar.length === 1 ? (before ?? []) : spread(bar, length, faults);
    for (const s of own) if (s.at < length) syllables.push({ ...s, at: ticks(at + s.at) });
    before = own;
    at += length;
  }
  return { syllables, length: ticks(at), faults };
}
const nothing = (faults: readonly WordsFault[]): ReadWords => ({ syllables: [], length: ticks(0), faults });

/** The words of one bar, from its beginning. */
function spread(bar: readonly Word[], length: number, faults: WordsFault[]): Syllable[] {
  const syllables: Syllable[] = [];
  let at = 0;
  for (const word of bar) {
    const counts = word.counts === null ? TICKS_PER_COUNT : ticksOfCounts(word.counts);
    if (counts === null) faults.push(say(word.range, 'counts wanted', [quoted(word.counts ?? '')]));
    if (word.kind === 'again') faults.push(say(word.range, 'no words before', ['%'], ''));
    if (word.kind === 'chord' && word.name !== '') syllables.push(syllable(at, word.name));
    at += counts ?? TICKS_PER_COUNT;
  }
  const counts = (n: number) => Math.round((n / TICKS_PER_COUNT) * 1000) / 1000;
  const [first, last] = [bar[0], bar.at(-1)];
  if (first && last && at > length)
    faults.push(
      say({ from: first.range.from, to: last.range.to }, 'more words than counts', [counts(at), counts(length)]),
    );
  return syllables;
}
function syllable(at: number, name: string): Syllable {
  const goesOn = name.length > 1 && name.endsWith(GOES_ON);
  return { at: ticks(at), text: goesOn ? name.slice(0, -1) : name, goesOn };
}

/**
 * The words of so long a stretch: they come round with their own bars, as script and chart do.
 * @example wordsUntil('hey', cycleById('tangos'), ticks(40320)).length // 2
 */
export function wordsUntil(text: string, cycle: AccentCycle, until: number): Syllable[] {
  const { syllables, length } = readWords(text, cycle);
  if (syllables.length === 0 || length === 0) return [];
  const all: Syllable[] = [];
  for (let round = 0; round < until; round += length)
    for (const s of syllables) if (round + s.at < until) all.push({ ...s, at: ticks(round + s.at) });
  return all;
}
