import { areOthers, taughtFingers } from '../../left-hand/index.js';
import type { FrettedShape } from '../voicings/index.js';
import type { RowRequest } from './model.js';

/**
 * Whether a shape of a row has fingers that methods don't teach for its frets: what the player has given is as it is.
 * @param n its chord, counted from 0
 */
export const isOther = ({ chords, given }: Pick<RowRequest, 'chords' | 'given'>, n: number, shape: FrettedShape) =>
  given?.[chords[n] ?? ''] === undefined && areOthers(shape);

interface Place {
  readonly strings: readonly number[];
  readonly fret: number;
}
function placesOf({ frets, fingers }: FrettedShape): ReadonlyMap<string, Place> {
  const places = new Map<string, Place>();
  fingers.forEach((finger, i) => {
    const fret = frets[i] ?? null;
    if (finger === null || finger === 0 || fret === null) return;
    places.set(String(finger), { fret, strings: [...(places.get(String(finger))?.strings ?? []), i] });
  });
  return places;
}
/** Fingers that stay on their very place from one shape to the other. */
function staying(a: ReadonlyMap<string, Place>, b: ReadonlyMap<string, Place>): number {
  let n = 0;
  for (const [finger, { strings, fret }] of a) {
    const there = b.get(finger);
    if (there?.fret === fret && strings.some((s) => there.strings.includes(s))) n++;
  }
  return n;
}
/** Whether all fingers of a shape are in the other one on their strings, so many frets further. */
function slides(a: ReadonlyMap<string, Place>, b: ReadonlyMap<string, Place>): boolean {
  const ways = [...a].map(([finger, { strings, fret }]) => {
    const there = b.get(finger);
    return there && strings.every((s) => there.strings.includes(s)) ? there.fret - fret : 0;
  });
  return ways.length > 1 && ways[0] !== 0 && ways.every((w) => w === ways[0]);
}
/**
 * Whether fingers other than those that are taught are right beside a neighbour: the whole form slides; or a finger stays
 * on its very place that would not with the taught ones, the neighbour has its own, and no finger lies over more strings.
 */
export function goesWith(shape: FrettedShape, neighbour: FrettedShape): boolean {
  const [own, there] = [placesOf(shape), placesOf(neighbour)];
  if (slides(own, there)) return true;
  if (areOthers(neighbour)) return false;
  const taught = taughtFingers(shape.frets).map((fingers) => placesOf({ frets: shape.frets, fingers }));
  const most = Math.max(...taught.map((t) => staying(t, there)));
  return own.size >= Math.min(...taught.map((t) => t.size)) && staying(own, there) > most;
}
