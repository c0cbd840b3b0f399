import type { AccentCycle } from '../../cycle/index.js';
import type { Layers } from '../../drill/index.js';
import { type LayerPlaces, toldLayers } from '../how-much.js';
import { listed } from './numbers.js';

/**
 * Bass against figure: where they meet, where each is alone, and the stroke that is usually dropped.
 * @param start where in the cycle the pattern begins, in ticks
 * @returns nothing where there is only one layer
 */
export function sayLayers(layers: Layers, cycle: AccentCycle, start: number): string[] {
  const told = toldLayers(layers, cycle, start);
  if (!told) return [];
  const { manyBars, together, bass, figure, dropped } = told;
  const places = ({ bars, goesOn, every }: LayerPlaces): string => {
    if (every) return `${listed(every)} in every bar`;
    const said = bars.map(({ bar, labels }) => (manyBars ? `bar ${bar}: ${listed(labels)}` : listed(labels)));
    return `${said.join('; ')}${goesOn ? ' …' : ''}`;
  };
  const on = (list: LayerPlaces): string => (manyBars ? `: ${places(list)}.` : ` on ${places(list)}.`);
  const lines = [
    together ? `Together${on(together)}` : 'They never sound together: each is kept going through the other.',
  ];
  if (bass) lines.push(`The thumb alone${on(bass)}`);
  if (figure) lines.push(`The fingers alone${on(figure)}`);
  if (dropped) {
    const where = manyBars ? `${dropped.label} of bar ${dropped.bar}` : dropped.label;
    lines.push(`The stroke that is usually dropped is the thumb’s on ${where}, under a finger before the 1.`);
  }
  return lines;
}
