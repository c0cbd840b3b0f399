import { hasMarkAnywhere, markRow, MARKS, type Motion, type StitchSign } from '@ruffle-wheel/core';

/** A sign beside a stitch: what a mark of the script looks like, after the letter that it is written with. */
export interface SignBeside {
  readonly sign: StitchSign;
  readonly path: string;
  /** A line, not an area. */
  readonly open: boolean;
  /** From the middle of the stitch. */
  readonly x: number;
}
/** A soft stroke is paler; an accent, whose stitch is edged, is seen without colours too. */
const SIGNS: Readonly<Record<StitchSign, { readonly path: string; readonly open?: true } | null>> = {
  edge: { path: 'M -4 -3.4 L 4 0 L -4 3.4', open: true },
  hollow: null,
  knock: { path: 'M 0 -4 L 4 0 L 0 4 L -4 0 Z' },
  lean: { path: 'M -4.5 1.5 H 4.5', open: true },
  wave: { path: 'M -5 1 Q -2.5 -4 0 0 T 5 -1', open: true },
  dot: { path: 'M 0 -2.2 A 2.2 2.2 0 1 1 -0.01 -2.2 Z' },
  lift: { path: 'M -4 3 L 0 -3 L 4 3', open: true },
  cross: { path: 'M -3.4 -3.4 L 3.4 3.4 M -3.4 3.4 L 3.4 -3.4', open: true },
  palm: { path: 'M -4.6 2.4 A 4.6 4.6 0 0 1 4.6 2.4 Z' },
  ahead: { path: 'M -4 0 H 4 M 1 -3 L 4 0 L 1 3', open: true },
  ring: { path: 'M 0 -3.2 A 3.2 3.2 0 1 1 -0.01 -3.2 Z', open: true },
};
/** Between the middles of two signs. */
const APART = 10;

/**
 * What stands beside the stitch of a stroke, side by side, for its marks on whichever string.
 */
export function signsBeside(motion: Motion): SignBeside[] {
  const own = MARKS.filter((m) => hasMarkAnywhere(motion, m)).flatMap((m) => {
    const { stitch } = markRow(m);
    const drawn = SIGNS[stitch];
    return drawn ? [{ sign: stitch, path: drawn.path, open: drawn.open ?? false }] : [];
  });
  return own.map((s, n) => ({ ...s, x: (n - (own.length - 1) / 2) * APART }));
}
