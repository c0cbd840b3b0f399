import { listed } from '@ruffle-wheel/core';

/** The chart of a section, wherever it is written. */
export const chart = {
  title: 'Chart: which chord when',
  help: [
    ['Am7 | D7', 'a bar each'],
    ['D7:3 G7', 'three counts, and the rest'],
    ['%', 'the bar before again'],
    ['-', 'the chord goes on'],
    ['{E7 | Am}x2', 'twice'],
    ['0-x-9-9-9-0', 'frets from string 6 to 1, fingers are found'],
    ['.', 'open strings'],
    ['"F♯ open"', 'a shape by its name'],
  ],
  found: 'Shapes of least movement, kept when you leave the field:',
  foundOnly: 'Shapes of least movement for symbols that have none:',
  fretted: (fingers: string, symbols: readonly string[]) =>
    `fingers ${fingers}${symbols.length ? `, sounds as ${listed(symbols)}` : ''}`,
  held: (frets: string, fingers: string) => `${frets}, fingers ${fingers}`,
  keepFound: 'Keep them',
  bars: 'Bars of this section',
  barsOpen: 'round',
  chartHas: (bars: number) => `bars in the chart: ${bars}`,
  push: 'Push every change',
  pushHelp: 'The last stroke of the fingers before a change takes the coming chord: > after it',
};
