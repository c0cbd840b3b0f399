/** Dashes and upright strokes of every kind, as programs for letters put them in place of those that are typed. */
const DASHES = /[\u2010-\u2015\u2212\u2500\u2501\uff0d\u00ad]/g;
const UPRIGHTS = /[\u00a6\u2223\u2502\u2503\uff5c]/g;
const SPACES = /[\u00a0\u2000-\u200a\u202f\u3000]/g;
const UNSEEN = /[\u200b-\u200d\u2060\ufeff]/g;
const QUOTED = /^(?:\s?>)+ ?/;

/**
 * Tablature as it was typed, out of what mails and phones make of it: dashes, bars and spaces of every kind are the plain
 * ones, signs before quoted lines go, a tab is as wide as it looks.
 * @example typedTablature('> e|—0–2—|') // 'e|-0-2-|'
 */
export function typedTablature(text: string): string {
  const lines = text
    .replace(/\r\n?/g, '\n')
    .replace(DASHES, '-')
    .replace(UPRIGHTS, '|')
    .replace(SPACES, ' ')
    .replace(UNSEEN, '')
    .split('\n');
  const written = lines.filter((l) => l.trim() !== '');
  const quoted = written.length > 0 && written.filter((l) => QUOTED.test(l)).length > written.length / 2;
  return lines.map((l) => widened(quoted ? l.replace(QUOTED, '') : l)).join('\n');
}
const TAB = 8;
const widened = (line: string): string =>
  line
    .split('\t')
    .reduce((text, part, n) => (n === 0 ? part : text.padEnd((Math.floor(text.length / TAB) + 1) * TAB) + part), '');
