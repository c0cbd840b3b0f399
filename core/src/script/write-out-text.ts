/** A text with its repeats written out. */
export interface WrittenOutText {
  readonly text: string;
  /** For every letter of it, and for its end, the place in the text that was typed. */
  readonly from: readonly number[];
}
/** Letters of a text written out. */
const MOST_LETTERS = 60_000;
const MOST_TIMES = 256;
const REPEAT = /\{([^{}]*)\}x(\d{1,3})/;

/**
 * `{…}x3` written out, the innermost first; what is no such repeat, or would grow too long, stays as it is.
 * @example writeOutText('1 {2 3}x2').text // '1 2 3 2 3'
 */
export function writeOutText(typed: string): WrittenOutText {
  let text = typed;
  let from = Array.from({ length: typed.length + 1 }, (_, i) => i);
  for (let found = REPEAT.exec(text); found; found = REPEAT.exec(text)) {
    const [whole, inner = '', number] = found;
    const times = Math.min(MOST_TIMES, Number(number));
    if (text.length + inner.length * times > MOST_LETTERS || times === 0) break;
    const begin = found.index + 1;
    const places = from.slice(begin, begin + inner.length);
    const end = found.index + whole.length;
    const gap = from[begin + inner.length] ?? 0;
    const copies = Array.from({ length: times }, (_, n) => ({
      letters: n ? ` ${inner}` : inner,
      places: n ? [gap, ...places] : places,
    }));
    text = text.slice(0, found.index) + copies.map((c) => c.letters).join('') + text.slice(end);
    from = [...from.slice(0, found.index), ...copies.flatMap((c) => c.places), ...from.slice(end)];
  }
  return { text, from };
}
