/** Frets in a chord's place that are none, wherever they were written. */
export const fretsMisread = ([text, last]: readonly [string, string, ...string[]]): string =>
  `${text} is no shape: write six frets from string 6 to string 1, ${last} at most: x-3-2-0-1-0.`;
