import { type Ask, settled } from '../../player/index.js';
import { cutsFigure } from '../../score/index.js';
import type { SearchWatch } from '../../search/index.js';
import { comp } from './comp.js';
import { compFacts } from './facts.js';
import { layFigure } from './laid.js';
import type { CompRequest } from './model.js';

/** A chart that is to be played under a figure. */
export interface NamedChart {
  readonly name: string;
  readonly chart: string;
}
export interface OrderedChart extends NamedChart {
  /** Bars in which a chord begins while the figure goes on, counted from 1. */
  readonly cuts: readonly number[];
  readonly bars: number;
  /** The tempo up to which the left hand is in time; null where nothing moves. */
  readonly ceiling: number | null;
}

/**
 * Charts under one figure from easy to hard: first those whose harmony fits it, then by how many of their bars it cuts,
 * then by the tempo up to which the left hand follows. What can't be played under it is left out.
 */
export function orderCharts(
  ask: Ask<Omit<CompRequest, 'chart'>>,
  charts: readonly NamedChart[],
  watch: SearchWatch = {},
): OrderedChart[] {
  const request = settled<Omit<CompRequest, 'chart'>>(ask);
  const ordered = charts.flatMap((named): OrderedChart[] => {
    const own: CompRequest = { ...request, chart: named.chart, k: 1 };
    const laid = layFigure(own);
    const found = comp(own, watch);
    const best = found.infeasible ? undefined : found.answers[0];
    if ('infeasible' in laid || !best) return [];
    const figure = laid.bars.slice(0, laid.figureBars).reduce((sum, b) => sum + b.length, 0);
    const first = laid.bars.find((b) => b.figureBar === 0)?.at ?? 0;
    const cut = laid.chords.filter((c) => c.at > 0 && cutsFigure(c.at, figure, first));
    return [
      {
        ...named,
        cuts: [...new Set(cut.map((c) => c.bar + 1))],
        bars: laid.bars.length,
        ceiling: compFacts(own, best).leftCeiling,
      },
    ];
  });
  const share = (c: OrderedChart) => c.cuts.length / c.bars;
  return ordered.sort((a, b) => share(a) - share(b) || (b.ceiling ?? Infinity) - (a.ceiling ?? Infinity));
}
