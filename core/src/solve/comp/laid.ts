import { type ChartFault, readChart } from '../../chart/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { lcm, TICKS_PER_COUNT, wrap } from '../../time/index.js';
import { type FigureBeat, readFigure } from './figure.js';
import { type CompRefusal, type CompRequest, MOST_COMP_BARS, MOST_NAMES } from './model.js';
import { PUSH_COUNTS } from './weights.js';

/** A chord in its place, with the strokes that begin under it. */
export interface LaidChord {
  /** Its name's place among the names. */
  readonly name: number;
  readonly at: number;
  readonly until: number;
  /** Counted from 0. */
  readonly bar: number;
  /** Bars of the figure that it gets, counted from 0. */
  readonly figureBars: readonly number[];
  readonly strokes: readonly FigureBeat[];
  /** The stroke of the fingers that would ring over into it from the chord before; null where none would. */
  readonly tied: FigureBeat | null;
}
/** The figure laid over the chart until both come round together. */
export interface Laid {
  readonly names: readonly string[];
  readonly chords: readonly LaidChord[];
  readonly length: number;
  readonly bars: readonly { readonly at: number; readonly length: number; readonly figureBar: number }[];
  /** Bars of the chart and of the figure; when one is no multiple of the other the figure comes back turned over. */
  readonly chartBars: number;
  readonly figureBars: number;
}
export type LaidReading =
  Laid | { readonly infeasible: readonly Fact<CompRefusal>[]; readonly chart?: readonly ChartFault[] };

export function layFigure(request: CompRequest): LaidReading {
  const { cycle, chart, firstBar = 0 } = request;
  const read = readChart(chart, cycle);
  if (read.faults.length) return { infeasible: [fact('chart has faults', read.faults.length)], chart: read.faults };
  const figure = readFigure(request.figure, cycle);
  if ('infeasible' in figure) return figure;
  if (read.bars === 0 || read.chords.every((c) => c.name === '')) return { infeasible: [fact('no chart')] };
  const figureBars = figure.bars.length;
  const whole = lcm(read.bars, figureBars);
  if (whole > MOST_COMP_BARS) return { infeasible: [fact('comes round too late', whole, MOST_COMP_BARS)] };
  const bars: { at: number; length: number; figureBar: number }[] = [];
  const strokes: FigureBeat[] = [];
  let at = 0;
  for (let n = 0; n < whole; n++) {
    const figureBar = wrap(n + firstBar, figureBars);
    const own = figure.bars[figureBar];
    if (!own) continue;
    bars.push({ at, length: own.length, figureBar });
    for (const s of own.strokes) strokes.push({ ...s, at: at + s.at, until: at + s.until });
    at += own.length;
  }
  const names = [...new Set(read.chords.map((c) => c.name))];
  if (names.length > MOST_NAMES) return { infeasible: [fact('too many names', names.length, MOST_NAMES)] };
  const held: { name: number; at: number; until: number }[] = [];
  for (let base = 0; base < at; base += read.length)
    for (const c of read.chords) {
      const name = names.indexOf(c.name);
      const last = held.at(-1);
      if (last?.name === name) last.until = base + c.until;
      else held.push({ name, at: base + c.at, until: base + c.until });
    }
  const chords = held.map((c, n): LaidChord => {
    const inside = bars.flatMap((b, bar) => (b.at < c.until && b.at + b.length > c.at ? [{ ...b, bar }] : []));
    const changes = held.length > 1 && (n > 0 || held.at(-1)?.name !== c.name);
    return {
      ...c,
      bar: inside[0]?.bar ?? 0,
      figureBars: inside.map((b) => b.figureBar),
      strokes: strokes.filter((s) => s.at >= c.at && s.at < c.until),
      tied: changes ? tiedInto(strokes, c.at, at) : null,
    };
  });
  return { names, chords, length: at, bars, chartBars: read.bars, figureBars };
}

/**
 * The stroke of the fingers alone that rings up to a change and has no stroke of theirs on it: it is tied into the chord
 * to come. Before the first chord it is the last one of the round.
 */
function tiedInto(strokes: readonly FigureBeat[], at: number, length: number): FigureBeat | null {
  if (strokes.some((s) => s.at === at && s.fingers)) return null;
  const before = (s: FigureBeat) =>
    s.at < at ? s : at === 0 ? { ...s, at: s.at - length, until: s.until - length } : null;
  const last = strokes
    .map(before)
    .filter((s): s is FigureBeat => s !== null && s.at < at)
    .at(-1);
  if (!last || last.thumb || last.until < at || at - last.at > PUSH_COUNTS * TICKS_PER_COUNT) return null;
  return last;
}
