import { chartOf, cutSpans, turnSpans } from '../chart/index.js';
import { barBegin } from '../cycle/index.js';
import { askedDrill, rangeKey } from '../drill/index.js';
import type { DataFault } from '../fault/index.js';
import { type Section, type Study, textsWithBars, type Trial } from '../piece/index.js';

/** First and last bar, counted from 0. */
export type Bars = readonly [from: number, to: number];

/**
 * Bars of a section as a section of their own, to be moved to another key apart from the rest.
 * @returns null where they can't be cut out
 */
export function passageOf(section: Section, study: Study, [from, to]: Bars): Section | null {
  const made = askedDrill(section, study, rangeKey(from, to))?.make();
  return made ? { ...section, ...made, bars: null } : null;
}
/** The whole section with a passage as it has become; the capo stays. */
export function withPassage(section: Section, study: Study, [from, to]: Bars, passage: Trial): Trial | DataFault {
  const { cycle } = section;
  const length = barBegin(cycle, to + 1) - barBegin(cycle, from);
  const all = chartOf({ cycle, chart: passage.chart ?? '' }).chords.map((c) => ({
    name: c.name,
    ticks: c.until - c.at,
  }));
  // Its chart is counted from the turn's beginning, wherever in it the bars begin.
  const [spans] = cutSpans(turnSpans(all, passage.start), length);
  const held = spans.length ? { from: 0, spans } : null;
  const texts = textsWithBars(section, study, from, { script: passage.script, length, held });
  if ('code' in texts) return texts;
  return { ...texts, stepsPerCount: passage.stepsPerCount, start: 0, shapes: passage.shapes ?? [] };
}
