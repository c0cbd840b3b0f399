/** Letters that the shipped fonts draw: Latin with its accents, dashes, quotation marks. */
const DRAWN =
  /[\u0020-\u007e\u00a0-\u00ff\u0131\u0152\u0153\u2013\u2014\u2018-\u201e\u2022\u2026\u20ac\u2122\u2212\s]/u;
/** Signs of this product's own sentences that paper does without. */
const OWN_SIGNS = /[\u2190-\u21ff\u2600-\u27bf]/gu;

/**
 * A text as documents can have it: sharps and flats as letters, what the fonts lack left out.
 */
export const printable = (text: string): string => [...plain(text)].filter((letter) => DRAWN.test(letter)).join('');
const plain = (text: string): string =>
  text
    .normalize('NFC')
    .replace(/♯/g, '#')
    .replace(/♭/g, 'b')
    .replace(/♮/g, '')
    .replace(/→/g, '–')
    .replace(OWN_SIGNS, '');
/** The letters of some texts that documents leave out, each once, in their order. */
export const leftOut = (texts: readonly string[]): string[] => [
  ...new Set(texts.flatMap((t) => [...plain(t)].filter((letter) => !DRAWN.test(letter)))),
];
