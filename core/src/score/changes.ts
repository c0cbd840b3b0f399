import type { Neck } from '../instrument/index.js';
import {
  changeBetween,
  type HoldingFinger,
  type Shape,
  type ShapeChange,
  type StrokeNear,
} from '../left-hand/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import { type Bpm, millisOf, type StringNumber, ticks, type Ticks, TICKS_PER_COUNT } from '../time/index.js';

export interface TimedShape {
  readonly at: Ticks;
  readonly shape: Shape;
  /** For how long fingers that are in the air before it have been off the neck; see `ChangeRequest`. */
  readonly inAir?: ReadonlyMap<HoldingFinger, Ticks>;
}
export interface TimedStrings {
  readonly at: Ticks;
  readonly strings: readonly StringNumber[];
}
export interface TimedChange extends ShapeChange {
  /** Where the second shape is due. */
  readonly at: Ticks;
  /** Its place in the row that was given. */
  readonly index: number;
}
export interface ChangesSetting {
  /** Default: the player's own, without a capo. */
  readonly neck?: Neck;
  /** Length after which shapes and strokes come round; then the last shape leads to the first. */
  readonly loop?: Ticks;
  /** Places in the row whose changes alone are wanted; default: all. */
  readonly only?: ReadonlySet<number>;
}
/** Where strokes in their order begin that are not before a place. */
function firstFrom(strokes: readonly TimedStrings[], at: number): number {
  let [low, high] = [0, strokes.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((strokes[mid]?.at ?? 0) < at) low = mid + 1;
    else high = mid;
  }
  return low;
}
/** Strokes further away than this say nothing about a change. */
const NEAR_COUNTS = 4;

/**
 * Every change between consecutive shapes, the hardest first: what each finger does, in how much time and in which
 * order, from the strings that the right hand strikes around it.
 */
export function changes(
  shapes: readonly TimedShape[],
  strokes: readonly TimedStrings[],
  tempo: Bpm,
  profile: HandProfile,
  { neck = neckOf(profile), loop, only }: ChangesSetting = {},
): TimedChange[] {
  const near = NEAR_COUNTS * TICKS_PER_COUNT;
  const sorted = [...strokes].sort((a, b) => a.at - b.at);
  const names = new Map(sorted.map((s) => [s, s.strings.join('')]));
  /** Strokes that can be near a place; those beyond the seam are near to both ends. */
  const nearTo = (at: number): readonly TimedStrings[] => {
    if (loop !== undefined && loop <= 2 * near) return sorted;
    const from = firstFrom(sorted, at - near);
    const to = firstFrom(sorted, at + near + 1);
    if (loop === undefined || (at >= near && at <= loop - near)) return sorted.slice(from, to);
    return at < near
      ? [...sorted.slice(0, to), ...sorted.slice(firstFrom(sorted, at - near + loop))]
      : [...sorted.slice(0, firstFrom(sorted, at + near + 1 - loop)), ...sorted.slice(from)];
  };
  const made = new Map<string, ShapeChange>();
  const found = shapes.flatMap((now, index): TimedChange[] => {
    const before = shapes[index - 1] ?? (loop === undefined ? undefined : shapes.at(-1));
    if (!before || before.shape.id === now.shape.id || (only && !only.has(index))) return [];
    const around: { away: number; strings: TimedStrings['strings'] }[] = [];
    let key = `${before.shape.id} ${now.shape.id}`;
    for (const s of nearTo(now.at)) {
      let away = s.at - now.at;
      // The round closes: what is far ahead is just behind.
      if (loop !== undefined && away >= loop / 2) away -= loop;
      else if (loop !== undefined && away < 0 - loop / 2) away += loop;
      if (Math.abs(away) > near || s.strings.length === 0) continue;
      around.push({ away, strings: s.strings });
      // A row that goes round makes the same change among the same strokes again and again.
      key += ` ${away}:${names.get(s) ?? ''}`;
    }
    const { inAir } = now;
    if (inAir) key += ` ${[...inAir].join(':')}`;
    const free = inAir && new Map([...inAir].map(([finger, t]) => [finger, 0 - millisOf(t, tempo)] as const));
    const timed = (): StrokeNear[] =>
      around.map(({ away, strings }) => {
        const ms = millisOf(ticks(Math.abs(away)), tempo);
        return { ms: away < 0 ? 0 - ms : ms, strings };
      });
    const change =
      made.get(key) ??
      changeBetween({
        from: before.shape,
        to: now.shape,
        neck,
        profile,
        strokes: timed(),
        ...(free ? { inAir: free } : {}),
      });
    made.set(key, change);
    return [{ ...change, at: now.at, index }];
  });
  return found.sort((a, b) => b.difficulty - a.difficulty || a.at - b.at);
}
