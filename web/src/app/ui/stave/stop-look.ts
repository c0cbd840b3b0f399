import { handLetters, hasMark, isDead, isTouched, type Motion } from '@ruffle-wheel/core';
import { signsBeside } from '../stitch-signs';
import type { DrawnStop, PageView, SystemLayout } from './system-layout';

/** The shape of a stitch: it points down or up with a strum, is round for a pluck, a diamond for a tap. */
const STITCH = {
  down: 'M -8 -8 H 8 V 3 L 0 10 L -8 3 Z',
  up: 'M -8 8 H 8 V -3 L 0 -10 L -8 -3 Z',
  pluck: 'M -9 0 A 9 9 0 1 0 9 0 A 9 9 0 1 0 -9 0 Z',
  tap: 'M 0 -10 L 10 0 L 0 10 L -10 0 Z',
  ghost: 'M -8 0 A 8 8 0 1 0 8 0 A 8 8 0 1 0 -8 0 Z',
};
/** In the tablature, for a string that the left hand lies on. */
const DEAD = '×';
/** Behind the fret of a harmonic in the tablature. */
const NODE = '°';
/** A line through the strings of a strum with its point at the end. */
const sweepAt = (x: number, from: number, to: number): string => {
  const back = to > from ? -7 : 7;
  return `M ${x} ${from} V ${to} M ${x - 4} ${to + back} L ${x} ${to} L ${x + 4} ${to + back}`;
};

type Kind = keyof typeof STITCH;
function kindOf(motion: Motion): Kind {
  switch (motion.kind) {
    case 'ghost':
      return 'ghost';
    case 'golpe':
    case 'slap':
      return 'tap';
    case 'ligado':
      return 'pluck';
    case 'stroke':
      return motion.dir === 'd' ? 'down' : motion.dir === 'u' ? 'up' : 'pluck';
  }
}
/** In a stitch the way is its shape: letters alone. */
function lettersIn({ event: { motion, notes: struck }, notes }: DrawnStop): string {
  switch (motion.kind) {
    case 'ghost':
      return '';
    case 'stroke': {
      if (motion.plectrum) return 'P';
      const played = notes.map((n) => struck.find((e) => e.string === n.string)?.right);
      return motion.fingers.join('') || [...new Set(played)].filter((f) => f).join('');
    }
    default:
      return handLetters(motion);
  }
}
/** The right hand's stitch of a stroke. */
export function stitchOf(stop: DrawnStop) {
  const { at, x, event, notes } = stop;
  const { motion } = event;
  const [kind, letters] = [kindOf(motion), lettersIn(stop)];
  return {
    at,
    x,
    d: STITCH[kind],
    letters,
    stitched: letters !== '' || kind === 'ghost',
    kind,
    signs: signsBeside(motion),
    workedOut: notes.some((n) => n.workedOut),
    accent: hasMark(motion, '!'),
    thumb: letters === 'p',
  };
}

/** How a system is shown. */
export interface Showing {
  readonly look: PageView['look'];
  readonly layout: Pick<SystemLayout, 'pitches'>;
}
/**
 * What stands on the lines: left fingers beside heads or frets; frets, or the right hand's letters.
 * @param news strings on which the left hand has another finger or fret than before
 */
export function onStrings(stop: DrawnStop, news: ReadonlySet<number>, { look, layout: { pitches } }: Showing) {
  if (look === 'hand') return { left: [], ...rightHandOn(stop) };
  const { motion } = stop.event;
  const left = stop.notes.flatMap((n) => {
    const y = pitches ? n.head : n.tab;
    if (!n.left || y === null || !news.has(n.string) || isDead(motion, n.string)) return [];
    const at = pitches ? { x: stop.headX - 6, y: y + 4 } : { x: stop.x - 9, y: y - 1 };
    return [{ key: n.string, ...at, finger: n.left, workedOut: n.workedOut }];
  });
  const frets = stop.notes.flatMap((n) => {
    if (n.tab === null) return [];
    const touched = isTouched(motion, n);
    const text = isDead(motion, n.string) ? DEAD : `${n.fret}${touched ? NODE : ''}`;
    return [
      { key: n.string, y: n.tab, text, width: (n.fret > 9 ? 16 : 10) + (touched ? 6 : 0), workedOut: n.workedOut },
    ];
  });
  return { left, frets, sweep: null };
}
/** Fingers on their strings; a strum goes through the strings in the order struck, its stitch has the fingers. */
function rightHandOn({ x, event: { motion, notes: struck }, notes }: DrawnStop) {
  const placeOf = (string: number | undefined) => notes.find((n) => n.string === string)?.tab ?? null;
  const [from, to] = [placeOf(struck[0]?.string), placeOf(struck.at(-1)?.string)];
  const strum = motion.kind === 'stroke' && motion.dir !== null && struck.length > 1;
  if (strum && from !== null && to !== null) return { frets: [], sweep: sweepAt(x, from, to) };
  const frets = notes.flatMap((n) => {
    const text = struck.find((s) => s.string === n.string)?.right;
    return text && n.tab !== null ? [{ key: n.string, y: n.tab, text, width: 12, workedOut: n.workedOut }] : [];
  });
  return { frets, sweep: null };
}
