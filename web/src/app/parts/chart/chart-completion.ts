import { chartName, fretsText, readChord, type Shape, USUAL_ENDINGS } from '@ruffle-wheel/core';
import type { Complete, Offer, Offers } from '../../ui/script/completion';
import { letters as lettersWords } from '../../words/letters';

/** What stands behind the last blank, bar line or bracket; a quotation may hold blanks. */
const TOKEN = /(?:"[^"]*|[^\s|{}"]*)$/;
const ROOT = /^[A-G][#b♯♭]?/;
const AGAIN: readonly Offer[] = lettersWords.completion.chart.map(([text = '', says = '']) => ({ text, says }));

/**
 * What may stand next in a chart: shapes of the study that begin so, at once; when it is asked for, every shape and what
 * repeats or holds a chord, and behind a root the usual chord symbols.
 */
export const chartCompletion =
  (shapes: () => readonly Shape[]): Complete =>
  (before): Offers | null => {
    const token = TOKEN.exec(before)?.[0] ?? '';
    const from = before.length - token.length;
    if (token.includes(':')) return null;
    const begun = token.replace(/^"/, '').toLowerCase();
    const named = shapes()
      .filter((s) => s.name.toLowerCase().startsWith(begun))
      .map((s) => ({ text: chartName(s.name), says: fretsText(s) }));
    if (token === '') return { from, offers: [...named, ...AGAIN], unasked: false };
    const root = ROOT.exec(token)?.[0];
    const held = new Set(named.map((n) => n.text));
    const symbols = (root ? USUAL_ENDINGS : [])
      .map((ending) => ({ text: `${root}${ending}`, says: '' }))
      .filter(({ text }) => text.startsWith(token) && !held.has(text) && readChord(text).ok);
    // A name that is written whole needs no offer.
    const others = named.filter((n) => n.text !== token);
    const offers = [...others, ...symbols];
    return offers.length ? { from, offers, unasked: others.length > 0 } : null;
  };
