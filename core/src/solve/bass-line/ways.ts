import {
  bassString,
  type FingeringHand,
  fingeringFaults,
  type LeftFinger,
  positionOf,
  type Shape,
} from '../../left-hand/index.js';
import { perString, type StringNumber, STRINGS } from '../../time/index.js';
import type { FrettedShape } from '../voicings/index.js';
import type { PlayedBass } from './model.js';
import { BASS_WEIGHTS } from './weights.js';

/** A way to have a place on the neck over a held shape. */
export interface WayToBass extends PlayedBass {
  /** Points for the movement itself. */
  readonly movement: number;
  /** Strings of the shape that are not stopped any more meanwhile. */
  readonly leaves: readonly StringNumber[];
}
const FINGERS = [1, 2, 3, 4] as const;

/**
 * Every way of this hand to have one place over a held shape, in the fingers' order.
 * @param fret from the capo on; 0 = open
 */
export function waysToBass(shape: FrettedShape, string: StringNumber, fret: number, hand: FingeringHand): WayToBass[] {
  const i = STRINGS.indexOf(string);
  const held = shape.frets[i] ?? null;
  const holder = shape.fingers[i] ?? null;
  const place = { string, fret };
  if (held === fret) return [{ ...place, finger: holder ?? 0, way: fret === 0 ? 'open' : 'there', ...NOTHING }];
  if (fret === 0) {
    if (held === null) return [{ ...place, finger: 0, way: 'open', ...NOTHING }];
    // The finger that stops it has to lift: all its strings are open meanwhile.
    const leaves = stringsOf(shape, holder).filter((s) => s !== string);
    return [{ ...place, finger: 0, way: 'borrowed', movement: BASS_WEIGHTS.borrowed, leaves }];
  }
  const stand = positionOf(shape.fingers.map((finger, n) => ({ finger, fret: shape.frets[n] ?? null })));
  /** A finger that is down is at home where it stands, one in the air where the hand has it. */
  const out = (finger: (typeof FINGERS)[number]) => {
    const own = shape.frets[shape.fingers.indexOf(finger)] ?? (stand === null ? fret : stand + finger - 1);
    return Math.abs(fret - own) * BASS_WEIGHTS.fretOut;
  };
  const bass = bassString(shape);
  const ways: WayToBass[] = [];
  const put = (finger: LeftFinger, way: PlayedBass['way'], movement: number, grip: Grip) => {
    if (fingeringFaults(grip.frets, grip.fingers, hand).length) return;
    // The string itself has another note now: whoever stopped it is over it, or behind.
    const leaves = STRINGS.filter((s, n) => s !== string && (shape.frets[n] ?? 0) > 0 && grip.fingers[n] === 0);
    ways.push({ ...place, finger, way, movement, leaves });
  };
  for (const finger of FINGERS) {
    const own = stringsOf(shape, finger);
    if (own.length === 0) {
      put(finger, 'free finger', out(finger), withFinger(shape, string, fret, finger, false));
      continue;
    }
    const lies = shape.frets[STRINGS.indexOf(own[0] ?? 1)] === fret;
    if (lies) put(finger, 'lies over', BASS_WEIGHTS.liesOver, withFinger(shape, string, fret, finger, true));
    const over = own.length === 1 && own[0] === bass;
    const cost = (over ? BASS_WEIGHTS.goesOver : BASS_WEIGHTS.borrowed) + out(finger);
    put(finger, over ? 'goes over' : 'borrowed', cost, withFinger(shape, string, fret, finger, false));
  }
  const stopped = STRINGS.filter((_, n) => (shape.frets[n] ?? 0) > 0);
  // With nothing stopped every finger is free.
  if (stopped.length)
    for (const finger of FINGERS)
      ways.push({
        ...place,
        finger,
        way: 'alone',
        movement: BASS_WEIGHTS.alone + out(finger),
        leaves: stopped.filter((s) => s !== string),
      });
  return ways;
}
const NOTHING = { movement: 0, leaves: [] } as const;

type Grip = Pick<Shape, 'frets' | 'fingers'>;
const stringsOf = (shape: FrettedShape, finger: LeftFinger | null): StringNumber[] =>
  finger === null || finger === 0 ? [] : STRINGS.filter((_, n) => shape.fingers[n] === finger);

/** The shape with a finger on another place; where it does not lie over both, its own strings are open. */
function withFinger(shape: FrettedShape, string: StringNumber, fret: number, finger: LeftFinger, lies: boolean): Grip {
  const left = (n: number) => !lies && shape.fingers[n] === finger;
  const here = (n: number) => STRINGS[n] === string;
  // A finger whose only string is stopped by another now is in the air.
  return {
    frets: perString((_, n) => (here(n) ? fret : left(n) ? 0 : (shape.frets[n] ?? null))),
    fingers: perString((_, n) => (here(n) ? finger : left(n) ? 0 : (shape.fingers[n] ?? null))),
  };
}
