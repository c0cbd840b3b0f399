import { liesOver, OPEN_SHAPE, type Shape } from '../left-hand/index.js';
import type { LeftFinger, Stop } from '../stroke/index.js';
import { type FretFromCapo, type StringNumber, STRINGS } from '../time/index.js';

type Holding = Exclude<LeftFinger, 0>;
type Held = Pick<Shape, 'frets' | 'fingers'>;
/** Where a finger was told to go, and lies from the thickest string on; null where it was lifted. */
type Place = { readonly strings: readonly StringNumber[]; readonly fret: FretFromCapo } | null;

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

/** Where a finger is now; null where it is on no string. */
export function placeOf({ shape, moved }: ToldHand, finger: Holding): Place {
  const there = moved.get(finger);
  if (there !== undefined) return there;
  const strings = STRINGS.filter((_, i) => shape.fingers[i] === finger);
  const fret = shape.frets[STRINGS.indexOf(strings[0] ?? 1)] ?? null;
  return strings.length && fret !== null ? { strings, fret } : null;
}
/** A finger goes to a string; on its own fret the first finger collapses over it where it can, and keeps what it stops. */
export function goTo(hand: ToldHand, finger: Holding, string: StringNumber, fret: FretFromCapo): ToldHand {
  const there = placeOf(hand, finger);
  const both = there?.fret === fret && liesOver(hand.shape, finger, fret, [...there.strings, string]);
  return finger === 1 && both
    ? flatten(hand, finger, string, string)
    : putFinger(hand, finger, { strings: [string], fret });
}
/** A finger collapses over strings on its fret, those that it stops already among them. */
export function flatten(hand: ToldHand, finger: Holding, from: StringNumber, to: StringNumber): ToldHand {
  const there = placeOf(hand, finger);
  if (!there) return hand;
  const strings = STRINGS.filter((s) => (s <= from && s >= to) || there.strings.includes(s));
  return putFinger(hand, finger, { strings, fret: there.fret });
}
/** A finger stands on its tip again: at its place in the shape, or on the thickest of its strings. */
export function standUp(hand: ToldHand, finger: Holding): ToldHand {
  const there = placeOf(hand, finger);
  const home = placeOf({ ...hand, moved: new Map() }, finger);
  if (!there) return hand;
  if (home?.fret === there.fret && home.strings.every((s) => there.strings.includes(s)))
    return { ...hand, moved: new Map([...hand.moved].filter(([f]) => f !== finger)) };
  return putFinger(hand, finger, { ...there, strings: there.strings.slice(0, 1) });
}

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
    if (place?.strings.includes(string) && place.fret >= (found?.fret ?? 0)) found = { fret: place.fret, finger: f };
  return found;
}
/** What a stroke has to say of a string: nothing where the held shape has it so. */
export function stopSaid(hand: ToldHand, string: StringNumber): Stop | null {
  const now = soundsOn(hand, string);
  const i = STRINGS.indexOf(string);
  if (!now || (now.fret === hand.shape.frets[i] && now.finger === (hand.shape.fingers[i] ?? 0))) return null;
  return now.fret === 0 ? { fret: 0 } : { fret: now.fret, finger: now.finger };
}
