import type { Neck } from '../instrument/index.js';
import { changeBetween, type Shape, type ShapeChange, type StrokeNear } from '../left-hand/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import { type Bpm, millisOf, type StringNumber, ticks, type Ticks, TICKS_PER_COUNT } from '../time/index.js';

export interface TimedShape {
  readonly at: Ticks;
  readonly shape: Shape;
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
  { neck = neckOf(profile), loop }: ChangesSetting = {},
): TimedChange[] {
  const near = NEAR_COUNTS * TICKS_PER_COUNT;
  const found = shapes.flatMap((now, index): TimedChange[] => {
    const before = shapes[index - 1] ?? (loop === undefined ? undefined : shapes.at(-1));
    if (!before || before.shape.id === now.shape.id) return [];
    const around = strokes.flatMap((s): StrokeNear[] => {
      let away = s.at - now.at;
      // The round closes: what is far ahead is just behind.
      if (loop !== undefined && away >= loop / 2) away -= loop;
      else if (loop !== undefined && away < 0 - loop / 2) away += loop;
      if (Math.abs(away) > near || s.strings.length === 0) return [];
      const ms = millisOf(ticks(Math.abs(away)), tempo);
      return [{ ms: away < 0 ? 0 - ms : ms, strings: s.strings }];
    });
    const change = changeBetween({ from: before.shape, to: now.shape, neck, profile, strokes: around });
    return [{ ...change, at: now.at, index }];
  });
  return found.sort((a, b) => b.difficulty - a.difficulty || a.at - b.at);
}
