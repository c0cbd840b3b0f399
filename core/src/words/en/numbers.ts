/** What of a sentence hangs on a number, and how lists are joined: all that English needs of grammar. */
const CARDINALS = /* @__PURE__ */ new Intl.PluralRules('en-GB');
const ORDINALS = /* @__PURE__ */ new Intl.PluralRules('en-GB', { type: 'ordinal' });
const LISTS = /* @__PURE__ */ new Intl.ListFormat('en-GB', { type: 'conjunction' });
const ENDS: Partial<Record<Intl.LDMLPluralRule, string>> = { one: 'st', two: 'nd', few: 'rd' };

/**
 * The one or the other text, by how many there are.
 * @example byNumber(2, 'it stays', 'they stay') // 'they stay'
 */
export const byNumber = <T>(n: number, one: T, other: T): T => (CARDINALS.select(n) === 'one' ? one : other);
/**
 * So many of something.
 * @example plural(2, 'pass', 'passes') // '2 passes'
 */
export const plural = (n: number, one: string, other = `${one}s`): string => `${n} ${byNumber(n, one, other)}`;
/**
 * A list as it is said: “12, 3 and 8”.
 * @example listed(['12', '3', '8']) // '12, 3 and 8'
 */
export const listed = (words: readonly string[]): string => LISTS.format(words);
/** @example ordinal(22) // '22nd' */
export const ordinal = (n: number): string => `${n}${ENDS[ORDINALS.select(n)] ?? 'th'}`;
/**
 * A clause as a sentence of its own.
 * @example sentence('a barre is held') // 'A barre is held.'
 */
export const sentence = (clause: string): string => `${clause.charAt(0).toUpperCase()}${clause.slice(1)}.`;
