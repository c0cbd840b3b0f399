import type { Finger } from '../stroke/index.js';
import { millimetres, type Millimetres, millis, type Millis } from '../time/index.js';
import type { HandChoices } from './hand-choices.js';
import type { LeftHand } from './left-hand-measures.js';

export type LittleFingerSpelling = 'e' | 'c' | 'ch' | 'x' | 'q';
export const LITTLE_FINGER_SPELLINGS: readonly LittleFingerSpelling[] = ['e', 'c', 'ch', 'x', 'q'];

/** The pair that alternates, and the orders of a tremolo: of three notes over a bass, and of four. */
export interface HandHabits {
  readonly pair: readonly [Finger, Finger];
  readonly tremolo: readonly Finger[];
  readonly tremoloOfFour: readonly Finger[];
}
export const USUAL_HABITS: HandHabits = {
  pair: ['i', 'm'],
  tremolo: ['p', 'a', 'm', 'i'],
  tremoloOfFour: ['p', 'i', 'a', 'm', 'i'],
};
/** What a hand may choose among; the usual one first. */
export const HABITS_TAUGHT: { readonly [H in keyof HandHabits]: readonly HandHabits[H][] } = {
  pair: [
    ['i', 'm'],
    ['m', 'a'],
    ['i', 'a'],
  ],
  tremolo: [
    ['p', 'a', 'm', 'i'],
    ['p', 'i', 'm', 'a'],
  ],
  tremoloOfFour: [
    ['p', 'i', 'a', 'm', 'i'],
    ['p', 'a', 'm', 'i', 'm'],
  ],
};
export const LONGEST_HAND_NOTES = 2_000;

/** One player's hands: what the figures are measured against. */
export interface HandProfile {
  readonly id: string;
  readonly name: string;
  /** Least time from one stroke of a finger to its next in the same direction: a whole return. */
  readonly returnMs: Readonly<Record<Finger, Millis>>;
  /** Least time between strokes of two different fingers. */
  readonly jointMs: Millis;
  /** The same from the thumb to a finger, the joint that most often limps. */
  readonly thumbJointMs: Millis;
  /** Least time from one down stroke of the plectrum to its next: a whole return. Without it a usual one is taken. */
  readonly plectrumMs?: Millis;
  /** Nut to bridge. */
  readonly scaleLength: Millimetres;
  /** Between neighbouring strings at the nut and at the bridge, where they were measured. */
  readonly nutSpacing?: Millimetres;
  readonly bridgeSpacing?: Millimetres;
  /** Widest easy span between first and fourth finger. */
  readonly span: Millimetres;
  /** Measured reach and moves of the left hand; without it they follow from the span. */
  readonly left?: LeftHand;
  readonly littleFinger: LittleFingerSpelling;
  /** Orders that this hand takes by habit; without them i m, and p a m i. */
  readonly habits?: HandHabits;
  /** What schools do not agree on, as this player has settled it. */
  readonly choices?: HandChoices;
  /** What the player notes of the own hand, posture and tip joints, shown as a reminder. */
  readonly notes?: string;
  /** The player has read what to do at pain, and about breaks. */
  readonly cautionsRead: boolean;
}

/** Whether the figures of the right hand are the usual ones still, which nobody has measured. */
export const hasUsualFigures = ({ returnMs, jointMs, thumbJointMs }: HandProfile): boolean =>
  jointMs === DEFAULT_PROFILE.jointMs &&
  thumbJointMs === DEFAULT_PROFILE.thumbJointMs &&
  Object.entries(DEFAULT_PROFILE.returnMs).every(([finger, ms]) => returnMs[finger as Finger] === ms);

/**
 * A steady amateur: figures from which the player starts before measuring the own hand
 * (docs/decisions.md says how they were chosen).
 */
export const DEFAULT_PROFILE: HandProfile = {
  id: 'steady-hand',
  name: 'Steady hand',
  returnMs: { p: millis(190), i: millis(170), m: millis(175), a: millis(200), e: millis(240) },
  jointMs: millis(50),
  thumbJointMs: millis(60),
  scaleLength: millimetres(650),
  span: millimetres(110),
  littleFinger: 'e',
  cautionsRead: false,
};
