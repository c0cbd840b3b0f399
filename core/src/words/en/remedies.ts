import type { Remedy, RemedyCode, RemedyFigures } from '../../findings/index.js';
import { sayFact } from './refused/facts.js';
import { listed } from './numbers.js';

const SAID: { readonly [C in RemedyCode]: (figures: RemedyFigures[C]) => string } = {
  push: () => 'Push: it takes the coming chord (>)',
  'let go': () => 'Let it go at the change (^)',
  'to the node': ({ string, fret }) => `Touch string ${string} over fret ${fret}`,
  'as strums': ({ letters }) => `Strum them: ${letters.map((f) => `${f}d`).join(' ')}`,
  slower: ({ bpm }) => `Play it at ${bpm}`,
  'other shape': ({ name, frets, lost, differs }) =>
    `${name} as ${frets}${lost.length ? `, without ${listed(lost.map(sayFact))}` : ''}${differs.length ? `, other notes on ${listed(differs.map(String))}` : ''}`,
  'right name': ({ name, symbol }) => `Call ${name} ${symbol}`,
  'as it would work': ({ fix }) => (fix ? `Write ${fix}` : 'Take it out'),
};
/**
 * A way out, as its button says it.
 * @example sayRemedy({ code: 'slower', figures: { bpm: 92 }, change: { bpm: 92 } }) // 'Play it at 92'
 */
export const sayRemedy = ({ code, figures }: Remedy): string =>
  (SAID[code] as (figures: Remedy['figures']) => string)(figures);
