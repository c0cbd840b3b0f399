/** Letters of a text that a fault repeats. */
const LONGEST_QUOTE = 16;

/**
 * A stretch of the player's text in quotation marks, cut short when it is long.
 * @example quoted('zz') // '“zz”'
 */
export const quoted = (text: string): string =>
  `“${text.length > LONGEST_QUOTE ? `${[...text.slice(0, LONGEST_QUOTE - 1)].join('')}…` : text}”`;
