/** What drawings say to whom they can't be seen. */
export const drawings = {
  string: (string: number, fret: number | null, finger: string): string => {
    if (fret === null) return `string ${string} silent`;
    if (!fret) return `string ${string} open`;
    return `string ${string} fret ${fret}${finger ? ` finger ${finger}` : ''}`;
  },
  shape: (name: string, strings: readonly string[]) => `${name}: ${strings.join(', ')}`,
  neck: (shape: string, beyond: readonly number[], from: string, moves: readonly string[]) =>
    [
      `${shape}.`,
      ...(beyond.length ? [`Beyond the last fret: ${beyond.map((s) => `string ${s}`).join(', ')}.`] : []),
      ...(moves.length ? [`From ${from}: ${moves.join('; ')}.`] : []),
    ].join(' '),
  held: (shape: string, pressed: boolean) => [...(shape ? [shape] : []), pressed ? 'pressed' : 'released'].join(', '),
  /** Over the beginning of a page. */
  capo: (fret: number) => `Capo ${fret}`,
  /** Counted between two counts. */
  and: 'and',
};
