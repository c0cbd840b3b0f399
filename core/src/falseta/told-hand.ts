import { OPEN_SHAPE, type Shape } from '../left-hand/index.js';
import type { LeftFinger, Stop } from '../stroke/index.js';
import { type FretFromCapo, type StringNumber, STRINGS } from '../time/index.js';

type Holding = Exclude<LeftFinger, 0>;
type Held = Pick<Shape, 'frets' | 'fingers'>;
/** Where a finger was told to go; null where it was lifted. */
type Place = { readonly string: StringNumber; readonly fret: FretFromCapo } | null;

/** The left hand as it is told: a shape that is held, and the fingers that have left their places in it since. */
export interface ToldHand {
  readonly shape: Held;
  readonly moved: ReadonlyMap<Holding, Place>;
}
/** A shape is held, every finger at its place. */
export const hold = (shape: Held): ToldHand => ({ shape, moved: new Map() });
export const NOTHING_HELD = hold(OPEN_SHAPE);

/** A finger goes to a place; it leaves all that it held. */
export const putFinger = ({ shape, moved }: ToldHand, finger: Holding, place: Place): ToldHand => ({
  shape,
  moved: new Map([...moved, [finger, place]]),
});
/** Whether a finger is on the neck. */
export const isDown = ({ shape, moved }: ToldHand, finger: Holding): boolean =>
  moved.has(finger) ? moved.get(finger) !== null : shape.fingers.includes(finger);

/** What a string has now: its fret with the finger that stops it, 0 where none does, null where the shape mutes it. */
export function soundsOn(
  { shape, moved }: ToldHand,
  string: StringNumber,
): { fret: FretFromCapo; finger: LeftFinger } | null {
  const i = STRINGS.indexOf(string);
  const [fret, finger] = [shape.frets[i] ?? null, shape.fingers[i] ?? null];
  const away = finger !== null && finger !== 0 && moved.has(finger);
  let found = fret === null ? null : away ? { fret: 0, finger: 0 as LeftFinger } : { fret, finger: finger ?? 0 };
  // Of two fingers on a string the higher one sounds.
  for (const [f, place] of moved)
    if (place?.string === string && place.fret >= (found?.fret ?? 0)) found = { fret: place.fret, finger: f };
  return found;
}
/** What a stroke has to say of a string: nothing where the held shape has it so. */
export function stopSaid(hand: ToldHand, string: StringNumber): Stop | null {
  const now = soundsOn(hand, string);
  const i = STRINGS.indexOf(string);
  if (!now || (now.fret === hand.shape.frets[i] && now.finger === (hand.shape.fingers[i] ?? 0))) return null;
  return now.fret === 0 ? { fret: 0 } : { fret: now.fret, finger: now.finger };
}
