import { LEVELS, MARKS } from '@ruffle-wheel/core';
import type { Complete, Offer, Offers } from '../../ui/script/completion';
import { letters as lettersWords } from '../../words/letters';
import { MARK_SAID } from '../../words/said/strokes';

const texts = lettersWords.completion;
const offers = (said: readonly (readonly string[])[]): Offer[] =>
  said.map(([text = '', says = '']) => ({ text, says }));
const STRINGS = offers(texts.strings);
const STEPS = offers(texts.steps);
const MARKED: readonly Offer[] = MARKS.map((mark) => ({ text: mark, says: MARK_SAID[mark] }));
const LOUD: readonly Offer[] = LEVELS.map((level) => ({ text: level, says: texts.level }));

/** What stands behind the last blank or bracket. */
const TOKEN = /[^\s[\]{}|]*$/;
const FINGERS = /^(?:[pimae?cqhx]+[du]?|P[duw]?|L)[^:]*$/;

/**
 * What may come next in a hand script: cells of the study behind `<`, strings behind the colon of a stroke, levels behind
 * `@`; when it is asked for, marks behind a stroke and strokes where one begins.
 */
export const scriptCompletion =
  (cells: () => readonly { readonly name: string; readonly script: string }[]): Complete =>
  (before): Offers | null => {
    const called = /<([^<>]*)$/.exec(before);
    if (called) {
      const named = cells().map((c) => ({ text: `${c.name}>`, says: c.script }));
      return { from: before.length - (called[1] ?? '').length, offers: named, unasked: true };
    }
    const token = TOKEN.exec(before)?.[0] ?? '';
    const from = before.length - token.length;
    if (token.startsWith('@')) return { from: from + 1, offers: LOUD, unasked: true };
    const [hand = '', place, ...more] = token.split(':');
    if (token === '') return { from, offers: STEPS, unasked: false };
    if (more.length > 0 || !FINGERS.test(hand)) return null;
    // A number that is begun is known already.
    if (place !== undefined && /^[a-z]*$/.test(place))
      return { from: before.length - place.length, offers: STRINGS, unasked: place === '' };
    return { from: before.length, offers: MARKED, unasked: false };
  };
