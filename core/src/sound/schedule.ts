import { type Bpm, frameOf, positionAtFrame, STRINGS, ticks, type Ticks } from '../time/index.js';
import type { TimedSound } from './mixer.js';
import type { Plan, PlanSound } from './plan-model.js';

/** A place in the music tied to an audio frame; a new tempo gets a new anchor. */
export interface Anchor {
  /** Ticks since the plan first began, loops counted on. */
  readonly at: Ticks;
  readonly frame: number;
  readonly bpm: Bpm;
  readonly rate: number;
}

/** The frame at which a sound begins, counted from its anchor in one rounding. */
export function frameAt(anchor: Anchor, at: Ticks, delayMs = 0): number {
  return (
    anchor.frame + frameOf(ticks(at - anchor.at), anchor.bpm, anchor.rate) + Math.round((delayMs * anchor.rate) / 1000)
  );
}

/** Where the music stands at a frame, in ticks with fraction, loops counted on. */
export const placeAt = (anchor: Anchor, frame: number): number =>
  anchor.at + positionAtFrame(frame - anchor.frame, anchor.bpm, anchor.rate);

/** Where an index in a looping plan sorts: the first sound not before `at`. */
function firstFrom(sounds: readonly PlanSound[], at: number): number {
  let low = 0;
  let high = sounds.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((sounds[mid]?.at ?? 0) < at) low = mid + 1;
    else high = mid;
  }
  return low;
}

/**
 * Whether a plan is silent at a place, loops counted on.
 * @example isSilentAt({ silent: { heard: ticks(5040), silent: ticks(5040) } }, 15120) // true
 */
export const isSilentAt = ({ silent }: Pick<Plan, 'silent'>, at: number): boolean =>
  silent !== undefined && at % (silent.heard + silent.silent) >= silent.heard;

/** Every sound from place `from` up to, not including, `to`, of a plan that goes round and round. */
export function soundsBetween(plan: Plan, anchor: Anchor, from: Ticks, to: Ticks): TimedSound[] {
  const found: TimedSound[] = [];
  if (plan.length === 0) return found;
  for (let loop = Math.floor(from / plan.length); loop * plan.length < to; loop++) {
    const base = loop * plan.length;
    for (let n = firstFrom(plan.sounds, from - base); n < plan.sounds.length; n++) {
      const sound = plan.sounds[n] as PlanSound;
      if (base + sound.at >= to) break;
      if (isSilentAt(plan, base + sound.at)) continue;
      const stroke = frameAt(anchor, ticks(base + sound.at));
      const delay = (sound.kind === 'pluck' ? sound.delayMs : 0) + (sound.leanMs ?? 0);
      if (delay === 0) found.push({ frame: stroke, sound });
      else found.push({ frame: frameAt(anchor, ticks(base + sound.at), delay), stroke, sound });
    }
  }
  return plan.silent ? [...found, ...turnsOfSilence(plan, anchor, from, to)] : found;
}

/** Where a silence begins, everything stops; where it ends, what is hummed is taken up again. */
function turnsOfSilence(plan: Plan, anchor: Anchor, from: Ticks, to: Ticks): TimedSound[] {
  const { heard, silent } = plan.silent ?? { heard: ticks(0), silent: ticks(0) };
  const found: TimedSound[] = [];
  for (
    let base = Math.floor(Math.max(0, from) / (heard + silent)) * (heard + silent);
    base < to;
    base += heard + silent
  ) {
    const at = ticks(base + heard);
    if (at >= from && at < to)
      for (const sound of [
        { kind: 'stop', at, strings: STRINGS },
        { kind: 'drone', at, tones: [] },
      ] as const)
        found.push({ frame: frameAt(anchor, at), sound });
    const under = plan.sounds.findLast((s) => s.kind === 'drone' && s.at <= base % plan.length);
    if (under && base > 0 && base >= from) found.push({ frame: frameAt(anchor, ticks(base)), sound: under });
  }
  return found;
}
