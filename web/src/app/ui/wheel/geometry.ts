import { type AccentCycle, cycleLength, TICKS_PER_COUNT } from '@ruffle-wheel/core';

/** Radii in the drawing's own units; the wheel fits into 680 × 680 around its middle. */
export const RADIUS = { label: 306, cloth: 240, rim: 222, fingers: 192, thumb: 142, harmony: 99, thumbIn: 118 };
const FOLD = 9;
const FOLD_BY_WEIGHT = 34;
const FOLDS_WANTED = 48;
/** An accent lifts the cloth half a count to either side, in a turn of few counts no more than this share of it. */
const WIDEST_LIFT = 1 / 30;

export interface Point {
  readonly x: number;
  readonly y: number;
}
/** A place in the turn (0…1, clockwise from the top) at a radius. */
export function at(share: number, radius: number): Point {
  const a = share * 2 * Math.PI - Math.PI / 2;
  return { x: radius * Math.cos(a), y: radius * Math.sin(a) };
}
const r = (n: number) => Math.round(n * 100) / 100;
const p = ({ x, y }: Point) => `${r(x)} ${r(y)}`;

/** How far the cloth stands out at a place: accents nearby lift it by their weight. */
export function lift(cycle: AccentCycle, share: number): number {
  const length = cycleLength(cycle);
  let weight = 0;
  for (const a of cycle.accents) {
    const apart = Math.abs(share - a.at / length);
    const wide = Math.min(TICKS_PER_COUNT / 2 / length, WIDEST_LIFT);
    weight = Math.max(weight, a.weight * Math.exp(-((Math.min(apart, 1 - apart) / wide) ** 2)));
  }
  return FOLD + FOLD_BY_WEIGHT * weight;
}

/** Folds of one layer of cloth: whole folds to every count, so that the seams fall between them. */
export function foldCount(cycle: AccentCycle): number {
  return cycle.counts * Math.max(1, Math.round(FOLDS_WANTED / cycle.counts));
}

/** The scalloped edge as a closed path. @param shift in folds, to lay a second layer between the first one's folds */
export function ruffle(cycle: AccentCycle, shift: number): string {
  const folds = foldCount(cycle);
  const parts = [`M ${p(at(shift / folds, RADIUS.cloth))}`];
  for (let n = 0; n < folds; n++) {
    const middle = (n + shift + 0.5) / folds;
    const height = lift(cycle, middle % 1);
    const out = RADIUS.cloth + height * 1.35;
    const left = at((n + shift + 0.12) / folds, out);
    const right = at((n + shift + 0.88) / folds, out);
    parts.push(`C ${p(left)} ${p(right)} ${p(at((n + shift + 1) / folds, RADIUS.cloth))}`);
  }
  return `${parts.join(' ')} Z`;
}

/** Creases that run from the folds' joints into the cloth. */
export function creases(cycle: AccentCycle): string {
  const folds = foldCount(cycle);
  return Array.from(
    { length: folds },
    (_, n) => `M ${p(at(n / folds, RADIUS.rim + 3))} L ${p(at(n / folds, RADIUS.cloth))}`,
  ).join(' ');
}

/**
 * An arc of the harmony ring from one place of the turn to another, a little short of both ends. Around
 * the foot of the wheel it runs the other way, so that writing along it stands upright.
 */
export function arc(from: number, to: number, radius: number): string {
  const gap = 0.004;
  // A whole turn has its middle, where its name stands, at the top.
  if (to - from > 0.999) return `M ${p(at(0.501, radius))} A ${radius} ${radius} 0 1 1 ${p(at(0.499, radius))}`;
  const middle = (from + to) / 2;
  const back = middle > 0.25 && middle < 0.75;
  const a = at(from + gap, radius);
  const b = at(to - gap, radius);
  const large = to - from - 2 * gap > 0.5 ? 1 : 0;
  if (back) return `M ${p(b)} A ${radius} ${radius} 0 ${large} 0 ${p(a)}`;
  return `M ${p(a)} A ${radius} ${radius} 0 ${large} 1 ${p(b)}`;
}

/** Outline of a stitch around 0 0, its point toward −y (outward before it is turned into place). */
export const STITCH: Record<'down' | 'up' | 'pluck' | 'ghost' | 'golpe' | 'slap', string> = {
  down: 'M 0 -13.5 L 9 -3 L 8 10 L -8 10 L -9 -3 Z',
  up: 'M 0 13.5 L 9 3 L 8 -10 L -8 -10 L -9 3 Z',
  pluck: 'M 0 -10 A 10 10 0 1 1 -0.01 -10 Z',
  ghost: 'M 0 -9 A 9 9 0 1 1 -0.01 -9 Z',
  golpe: 'M 0 -13 L 12 0 L 0 13 L -12 0 Z',
  slap: 'M -10 -6 L 10 -6 L 10 6 L -10 6 Z',
};
/** Size of a stitch, 1 = as drawn, so that neighbours on a ring keep clear of each other. */
export function stitchScale(slots: number, radius: number): number {
  return Math.min(1.5, (2 * Math.PI * radius) / Math.max(1, slots) / 25);
}
