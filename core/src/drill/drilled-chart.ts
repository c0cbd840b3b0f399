import { chartOf, heldChords, printChart, type Span, turnSpans } from '../chart/index.js';
import { cycleLength } from '../cycle/index.js';
import type { Section } from '../piece/index.js';
import { type FlatPattern, flatten, type Pattern } from '../script/index.js';
import { lcm, wrap } from '../time/index.js';
import type { Variant } from './model.js';
import { keepsPlaces } from './vary.js';
import { sourceSlots } from './source-slots.js';

/** Passes of a drill over which its chart is written out. */
const MOST_PASSES = 64;

/**
 * The chart under a drill: every stroke keeps the chord that is due at its place in the passage, wherever the drill
 * puts the stroke.
 */
export function drilledChart(section: Section, pattern: Pattern, made: Pattern, variant: Variant): string {
  const chart = chartOf(section);
  const bare = ['open strings', 'left pairs', 'plectrum', 'string skips'].includes(variant.kind);
  if (bare || chart.length === 0) return '';
  const [flat, drilled] = [flatten(pattern), flatten(made)];
  if ((keepsPlaces(variant) && flat.length === drilled.length) || flat.length === 0 || drilled.length === 0)
    return section.chart;
  // An exercise is as long as it is: the chords go on over it.
  if (variant.kind === 'order') return section.chart;
  const chords = heldChords(section, []);
  if (chords.length === 1) return section.chart;
  const nameAt = (at: number) => {
    const here = wrap(at, chart.length);
    return chords.find((c) => here >= c.at && here < c.until)?.name ?? '';
  };
  // A burst is one passage, played again and again; the rest goes on with the music.
  const passes =
    variant.kind === 'burst' || variant.kind === 'crossing' ? 1 : lcm(flat.length, chart.length) / flat.length;
  const rounds = lcm(drilled.length * Math.min(passes, MOST_PASSES), cycleLength(section.cycle));
  const once = Math.min(passes, MOST_PASSES) * drilled.length;
  const sources = sourceSlots(pattern, variant);
  // A drill that is written out until it comes round has several passes of the pattern in one of its own.
  const several = ['rhythm', 'gallop', 'accent through'].includes(variant.kind);
  const own = several ? Math.max(1, Math.ceil((Math.max(0, ...sources) + 1) / flat.slots.length)) : 1;
  const spans = onePass(flat, drilled, sources, Math.min(passes, MOST_PASSES), (at) => nameAt(at + section.start), own);
  // Where the drill does not begin with the cycle, the chart is turned along.
  const turned = turnSpans(spans, 0 - section.start);
  const times = rounds / once > MOST_PASSES ? 1 : rounds / once;
  return printChart(Array.from({ length: times }, () => turned).flat(), section.cycle);
}

function onePass(
  flat: FlatPattern,
  drilled: FlatPattern,
  sources: readonly number[],
  passes: number,
  nameAt: (at: number) => string,
  /** Passes of the pattern in one of the drill. */
  own: number,
): Span[] {
  const spans: Span[] = [];
  const n = flat.slots.length;
  for (let pass = 0; pass < passes; pass++)
    drilled.slots.forEach((slot, i) => {
      const source = sources[i] ?? i;
      // Beyond the last slot the next pass goes on.
      const from = flat.slots[source % n]?.at ?? 0;
      const at = (pass * own + Math.floor(source / n)) * flat.length + from;
      const name = nameAt(at);
      const last = spans.at(-1);
      if (last?.name === name) spans[spans.length - 1] = { name, ticks: last.ticks + slot.duration };
      else spans.push({ name, ticks: slot.duration });
    });
  return spans;
}
