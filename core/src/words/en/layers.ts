import { type AccentCycle, barOf, placeLabel } from '../../cycle/index.js';
import type { Layers, LayerStroke } from '../../drill/index.js';
import { listed } from './strokes.js';

/** Bars that are gone through; the pattern goes on alike. */
const SHOWN_BARS = 4;

/**
 * Bass against figure: where they meet, where each is alone, and the stroke that is usually dropped.
 * @param start where in the cycle the pattern begins, in ticks
 * @returns nothing where there is only one layer
 */
export function sayLayers({ together, bass, figure, dropped }: Layers, cycle: AccentCycle, start: number): string[] {
  if (together.length + bass.length === 0 || together.length + figure.length === 0) return [];
  const bar = (s: LayerStroke): number => barOf(cycle, s.at + start);
  const label = (s: LayerStroke): string => placeLabel(cycle, s.at + start);
  const all = [...together, ...bass, ...figure].map(bar);
  const [first, many] = [Math.min(...all), new Set(all).size > 1];
  const places = (list: readonly LayerStroke[]): string => {
    const bars = [...new Set(list.map(bar))].sort((a, b) => a - b);
    const said = bars
      .filter((n) => n < first + SHOWN_BARS)
      .map((n) => `${many ? `bar ${n + 1}: ` : ''}${listed(list.filter((s) => bar(s) === n).map(label))}`);
    return `${said.join('; ')}${bars.some((n) => n >= first + SHOWN_BARS) ? ' …' : ''}`;
  };
  const on = (list: readonly LayerStroke[]): string => (many ? `: ${places(list)}.` : ` on ${places(list)}.`);
  const lines: string[] = [];
  if (together.length) lines.push(`Together${on(together)}`);
  else lines.push('They never sound together: each is kept going through the other.');
  if (bass.length) lines.push(`The thumb alone${on(bass)}`);
  if (figure.length) lines.push(`The fingers alone${on(figure)}`);
  if (dropped)
    lines.push(
      `The stroke that is usually dropped is the thumb’s on ${label(dropped)}${many ? ` of bar ${bar(dropped) + 1}` : ''}, its first alone after both.`,
    );
  return lines;
}
