import { cutSpans, printChart, type Span } from '../chart/index.js';
import { barBegin } from '../cycle/index.js';
import type { DataFault } from '../fault/index.js';
import { flatten, parseScript } from '../script/index.js';
import { refused } from './changing.js';
import { MOST_BARS, type Section, type Study } from './model.js';
import { textBetween } from './repeat-bar.js';
import { isFault, silence, tooLong, wholeTexts } from './whole-texts.js';

/** Whole bars of music that are to stand somewhere in a section. */
export interface BarsToPut {
  readonly script: string;
  /** So long, in ticks. */
  readonly length: number;
  /** What is held from a place of them on; null where the section's chart stays as it is. */
  readonly held: { readonly from: number; readonly spans: readonly Span[] } | null;
}
/**
 * A section's texts with these bars in place of its own from a bar on; behind its end they are added. What repeats is
 * written out.
 * @param bar counted from 0
 * @returns a fault where the section's texts can't be cut there
 */
export function textsWithBars(
  own: Section,
  study: Pick<Study, 'cells'>,
  bar: number,
  { script, length, held }: BarsToPut,
): Pick<Section, 'script' | 'chart' | 'bars'> | DataFault {
  const empty = own.script === '' && own.chart === '' && own.start === 0;
  const texts = empty ? { script: '', spans: [], length: 0 } : wholeTexts(own, study);
  if (isFault(texts)) return texts;
  const [at, end] = [barBegin(own.cycle, bar), barBegin(own.cycle, bar) + length];
  if (end > barBegin(own.cycle, MOST_BARS)) return refused('sections', 'too many bars', MOST_BARS);
  const options = { stepsPerCount: own.stepsPerCount, cycle: own.cycle, start: 0, cells: study.cells };
  const flat = flatten(parseScript(texts.script, options).pattern);
  /** The section's own between two places; silent where it has nothing. */
  const between = (from: number, to: number): string | null => {
    const there = Math.min(to, texts.script === '' ? from : texts.length);
    const range = there > from ? textBetween(texts.script, flat, from, there) : null;
    if (there > from && !range) return null;
    const silent = silence(to - Math.max(from, there), own);
    return [range ? texts.script.slice(range.from, range.to) : '', silent].filter((t) => t !== '').join(' | ');
  };
  const before = between(0, at);
  const behind = between(end, Math.max(end, texts.length));
  if (before === null || behind === null) return refused('sections', 'no cut at that bar', bar + 1);
  const whole = {
    script: [before, script, unheld(behind)].filter((t) => t !== '').join(' | '),
    chart: held === null ? own.chart : chartWith(own, texts, at + held.from, end, held.spans),
    bars: own.bars === null || barBegin(own.cycle, own.bars) < end ? null : own.bars,
  };
  return tooLong(whole) ?? whole;
}
/** What was held over the cut has lost its stroke: it is silent. */
const unheld = (text: string): string => text.replace(/^(?:[-|]\s+)*-(?=\s|$)/, (holds) => holds.replaceAll('-', '.'));
/** The chart with these spans from a place on up to the bars' end. */
function chartWith(
  { cycle }: Section,
  { spans, length }: { readonly spans: readonly Span[]; readonly length: number },
  from: number,
  end: number,
  own: readonly Span[],
): string {
  const total = (list: readonly Span[]) => list.reduce((sum, s) => sum + s.ticks, 0);
  const all =
    total(spans) < length || spans.length === 0 ? [...spans, { name: '', ticks: length - total(spans) }] : spans;
  const [before] = cutSpans(all, from);
  const behind = cutSpans(all, end)[1];
  const gap = from - total(before);
  return printChart(
    [...before, ...(gap > 0 ? [{ name: '', ticks: gap }] : []), ...own, ...behind].filter((s) => s.ticks > 0),
    cycle,
  );
}
