import { cycleLength, hasMark, type AccentCycle, type LaidStroke } from '@ruffle-wheel/core';
import { type SignBeside, signsBeside } from '../stitch-signs';
import { at, RADIUS, STITCH, stitchScale, type Point } from './geometry';

export interface Stitch {
  readonly key: string;
  readonly place: Point;
  /** Degrees by which the outline is turned so that its point looks outward. */
  readonly turn: number;
  readonly scale: number;
  readonly path: string;
  readonly letter: string;
  readonly lane: 'fingers' | 'thumb' | 'tap';
  readonly accented: boolean;
  readonly ghost: boolean;
  /** What its marks put beside it; once where a stroke has two stitches. */
  readonly signs: readonly SignBeside[];
  readonly soft: boolean;
  /** Its fingers are not written. */
  readonly workedOut: boolean;
}

/** The strokes of one turn as stitches in their lanes; a stroke of thumb and fingers has one in each. */
export function stitchesOf(
  strokes: readonly LaidStroke[],
  cycle: AccentCycle,
  slots: number,
  workedOut: ReadonlySet<number> = new Set(),
): Stitch[] {
  const length = cycleLength(cycle);
  return strokes.flatMap((s) => {
    const share = s.inTurn / length;
    const { motion } = s;
    const upper =
      motion.kind !== 'stroke'
        ? ''
        : motion.plectrum
          ? motion.plectrum === 'w'
            ? 'Pw'
            : 'P'
          : motion.fingers.filter((f) => f !== 'p').join('') || '?'.repeat(motion.open ?? 0);
    const make = (lane: Stitch['lane'], letter: string, shape: keyof typeof STITCH): Stitch => {
      const radius = lane === 'thumb' ? RADIUS.thumb : RADIUS.fingers;
      return {
        key: `${s.at}-${lane}`,
        place: at(share, radius),
        turn: share * 360,
        scale: stitchScale(slots, radius),
        path: STITCH[shape],
        letter,
        lane,
        accented: s.weight >= 0.5 || hasMark(motion, '!'),
        ghost: motion.kind === 'ghost',
        signs: lane === 'thumb' && upper ? [] : signsBeside(motion),
        soft: hasMark(motion, ','),
        workedOut: workedOut.has(s.slot),
      };
    };
    if (motion.kind === 'ghost') return [make('fingers', '', 'ghost')];
    if (motion.kind === 'golpe') return [make('tap', 'G', 'golpe')];
    if (motion.kind === 'slap') return [make('tap', 'S', 'slap')];
    if (motion.kind === 'ligado') return [make('fingers', 'L', 'pluck')];
    const shape = motion.dir === 'd' ? 'down' : motion.dir === 'u' ? 'up' : 'pluck';
    return [
      ...(upper ? [make('fingers', upper, shape)] : []),
      ...(motion.fingers.includes('p') ? [make('thumb', 'p', shape)] : []),
    ];
  });
}
