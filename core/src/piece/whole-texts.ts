import { chartOf, LONGEST_CHART, type Span } from '../chart/index.js';
import { barBegin, cycleLength } from '../cycle/index.js';
import type { DataFault } from '../fault/index.js';
import { flatten, LONGEST_SCRIPT, parseScript, printScript, writeOut } from '../script/index.js';
import { LONGEST_WORDS, readWords } from '../syllables/index.js';
import { lcm, TICKS_PER_COUNT } from '../time/index.js';
import { refused } from './changing.js';
import type { Section, Study } from './model.js';

/** A section's texts written out over the whole of it. */
export interface WholeTexts {
  readonly script: string;
  readonly spans: readonly Span[];
  readonly length: number;
}
/** Texts written out are no longer than this, in rounds of a pattern. */
const MOST_ROUNDS = 256;
/** @returns a fault where they can't be written out, or begin elsewhere than on the first count */
export function wholeTexts(s: Section, study: Pick<Study, 'cells'>): WholeTexts | DataFault {
  const options = { stepsPerCount: s.stepsPerCount, cycle: s.cycle, start: 0, cells: study.cells };
  const once = parseScript(s.script, options);
  const chart = chartOf(s);
  if (once.faults.length || chart.faults.length) return refused('sections', 'texts with faults', s.name);
  if (s.start !== 0) return refused('sections', 'begins elsewhere', s.name);
  const turn = cycleLength(s.cycle);
  const own = flatten(once.pattern).length;
  const said = s.words ? readWords(s.words, s.cycle).length : 0;
  const round = lcm(lcm(lcm(own || turn, turn), chart.length || turn), said || turn);
  const length = s.bars === null ? round : barBegin(s.cycle, s.bars);
  const rounds = own === 0 ? 0 : length / own;
  if (!Number.isInteger(rounds) || rounds > MOST_ROUNDS) return refused('sections', 'cut within a pass', s.name);
  const script =
    rounds === 0
      ? ''
      : printScript(writeOut(parseScript(rounds === 1 ? s.script : `{${s.script}}x${rounds}`, options).pattern));
  const spans: Span[] = [];
  for (let at = 0; at < length && chart.length > 0; at += chart.length)
    for (const c of chart.chords)
      if (at + c.at < length) spans.push({ name: c.name, ticks: Math.min(length, at + c.until) - at - c.at });
  return { script, spans, length };
}
export const isFault = (texts: object): texts is DataFault => 'code' in texts;

/** Texts that have grown beyond what a section may hold by being written out. */
export function tooLong(
  ...parts: readonly (Pick<Section, 'script' | 'chart'> & { words?: string })[]
): DataFault | null {
  const script = Math.max(...parts.map((p) => p.script.length));
  const chart = Math.max(...parts.map((p) => p.chart.length));
  if (script > LONGEST_SCRIPT) return refused('script', 'text too long', 'script', LONGEST_SCRIPT, script);
  const words = Math.max(...parts.map((p) => p.words?.length ?? 0));
  if (words > LONGEST_WORDS) return refused('words', 'too many words', 'words', LONGEST_WORDS, words);
  return chart > LONGEST_CHART ? refused('chart', 'text too long', 'chart', LONGEST_CHART, chart) : null;
}
/** So long a rest, in steps. */
export const silence = (length: number, { stepsPerCount }: Section): string =>
  Array.from({ length: Math.round((length / TICKS_PER_COUNT) * stepsPerCount) }, () => '.').join(' ');
