import { apart, fretWidth, type Neck, touchPoint } from '../instrument/index.js';
import { millimetres, millis, type Millis } from '../time/index.js';
import { LIMIT_OVER_EASE, reachOf } from './left-hand.js';
import { FINGER_PAIRS, type FingerPair, type LeftHand, type Reach } from './left-hand-measures.js';
import type { HandProfile } from './profile.js';

/** Two fingers laid down: one rung of the ladder by which a hand is measured. */
export interface ReachRung {
  readonly pair: FingerPair;
  /** Frets of the lower and of the higher finger. */
  readonly lower: number;
  readonly upper: number;
  /** Between their touch points. */
  readonly mm: number;
}
/** Strings on which the lower and the higher finger are laid: the middle of the neck, where no hand is favoured. */
export const MEASURED_STRINGS = [4, 3] as const;
/** Spans from finger 1 to 4 that hands have: the ladder goes from the narrow to the wide end. */
const NARROW = 60;
const WIDE = 165;
/** Rungs closer than this teach nothing. */
const STEP_MM = 5;
const FURTHEST_FRET = 12;

/**
 * Places of the neck from narrow to wide for a pair of fingers, about 5 mm from rung to rung: frets get narrower
 * up the neck, so that two frets at fret 9 lie between one and two at fret 1.
 */
export function reachLadder(pair: FingerPair, neck: Neck): ReachRung[] {
  const [least, most] = [reachOf(NARROW)[pair].ease, reachOf(WIDE)[pair].ease];
  const rungs: ReachRung[] = [];
  for (let lower = 1; lower <= FURTHEST_FRET; lower++)
    for (let upper = lower + 1; upper <= FURTHEST_FRET; upper++) {
      const [a, b] = MEASURED_STRINGS;
      const mm = apart(touchPoint(a, lower, neck), touchPoint(b, upper, neck));
      if (mm >= least - STEP_MM && mm <= most) rungs.push({ pair, lower, upper, mm: Math.round(mm) });
    }
  // Of places that are alike the one nearest to the middle of the neck.
  rungs.sort((a, b) => a.mm - b.mm || Math.abs(a.lower - 5) - Math.abs(b.lower - 5));
  return rungs.reduce<ReachRung[]>((kept, rung) => {
    const last = kept.at(-1);
    return last && rung.mm - last.mm < STEP_MM ? kept : [...kept, rung];
  }, []);
}

/**
 * Reach from what a player has ticked: the widest rung that was easy, and the widest that could be reached at all.
 * @example reachFrom(null, null) // null
 */
export function reachFrom(easyMm: number | null, reachedMm: number | null): Reach | null {
  const ease = easyMm ?? (reachedMm === null ? null : reachedMm / LIMIT_OVER_EASE);
  if (ease === null) return null;
  return { ease: millimetres(Math.round(ease)), limit: millimetres(Math.round(Math.max(ease, reachedMm ?? ease))) };
}

/** Frets between which a finger goes to and fro, near and far, to learn how fast it moves. */
export const NEAR_MOVE = [5, 6] as const;
export const FAR_MOVE = [2, 9] as const;
/** Bits of a move there and back by the pointing law: log2(2·distance ÷ width of the fret aimed at), the mean of both ways. */
export function moveBits([low, high]: readonly [number, number], neck: Neck): number {
  const [string] = MEASURED_STRINGS;
  const mm = apart(touchPoint(string, low, neck), touchPoint(string, high, neck));
  const bits = (fret: number) => Math.max(0, Math.log2((2 * mm) / fretWidth(fret, neck)));
  return (bits(low) + bits(high)) / 2;
}
/**
 * Constants of the pointing law from the time of one near and one far landing.
 * @param nearMs a landing between the frets of NEAR_MOVE @param farMs one between those of FAR_MOVE
 */
export function moveConstants(nearMs: number, farMs: number, neck: Neck): LeftHand['move'] {
  const [near, far] = [moveBits(NEAR_MOVE, neck), moveBits(FAR_MOVE, neck)];
  const perBit = Math.min(MOST_MOVE, Math.max(0, (farMs - nearMs) / (far - near)));
  const start = Math.min(MOST_MOVE, Math.max(0, nearMs - perBit * near));
  return { start: whole(start), perBit: whole(perBit) };
}
const MOST_MOVE = 500;
const whole = (ms: number): Millis => millis(Math.round(ms));

/** Spans that a profile may have, in mm. */
export const LEAST_SPAN = 40;
export const WIDEST_SPAN = 250;
/** A hand with its measures; the span that everything else goes by is that of fingers 1 and 4. */
export const withLeftHand = (profile: HandProfile, left: LeftHand): HandProfile => ({
  ...profile,
  left: {
    ...left,
    reach: Object.fromEntries(
      FINGER_PAIRS.map((pair) => {
        const { ease, limit } = left.reach[pair];
        return [pair, { ease, limit: millimetres(Math.max(ease, limit)) }];
      }),
    ) as LeftHand['reach'],
  },
  span: millimetres(Math.min(WIDEST_SPAN, Math.max(LEAST_SPAN, left.reach['14'].ease))),
});
/**
 * A hand whose measures follow from its span again.
 * @example withoutLeftHand(withLeftHand(DEFAULT_PROFILE, leftHandOf(DEFAULT_PROFILE))).left // undefined
 */
export const withoutLeftHand = (profile: HandProfile): HandProfile =>
  Object.fromEntries(Object.entries(profile).filter(([key]) => key !== 'left')) as unknown as HandProfile;
