import { fretWidth, touchAt } from '../../instrument/index.js';
import { type LeftFinger } from '../../left-hand/index.js';
import { type Ask, settled, moveMs } from '../../player/index.js';
import { millisOf, type Ticks, ticks } from '../../time/index.js';
import { holdCost, lineHand, wayCost } from './cost.js';
import { type Grip, gripsOf } from './grip.js';
import { fingerMove, guides } from './finger-moves.js';
import type { FretLineRequest, Placed } from './model.js';

/** Why the fingers of one event stand where they do. */
export interface FretFacts {
  readonly placed: readonly Placed[];
  /** The symbol, when the event is a chord. */
  readonly chord: string | null;
  /** What rings on from before. */
  readonly ringing: readonly Placed[];
  /** Fret under the first finger. */
  readonly position: number;
  /** Fingers that come from another string without leaving the neck, or have to leave it. */
  readonly moves: readonly { readonly finger: LeftFinger; readonly how: 'hinges' | 'rolls over' | 'jumps' }[];
  /** The way from another position, when the hand leaves it. */
  readonly shift: {
    readonly from: number;
    readonly mm: number;
    readonly guided: boolean;
    readonly thereMs: number;
    readonly neededMs: number;
    readonly late: boolean;
  } | null;
  readonly barre: boolean;
  readonly stretched: boolean;
  readonly crossed: boolean;
}

/** For every event of a fretted line why its fingers stand there. The line must be one that can be held. */
export function fretFacts(ask: Ask<FretLineRequest>, steps: readonly (readonly Placed[])[]): FretFacts[] {
  const request = settled<FretLineRequest>(ask);
  const hand = lineHand(request);
  const { neck, bpm } = request;
  const grips = gripsOf(request, steps);
  return request.events.map((event, i): FretFacts => {
    const earlier = request.events[i - 1];
    const [last, grip] = [grips[i - 1], grips[i] as Grip];
    const { placed, ringing } = grip;
    const own = holdCost(grip, hand.hand);
    const at = (fret: number) => touchAt(fret, neck.capo, neck.scaleLength);
    const shiftFrom = (from: Grip, between: Ticks): FretFacts['shift'] => {
      if (from.position === grip.position) return null;
      const mm = Math.round(Math.abs(at(grip.position) - at(from.position)));
      return {
        from: from.position,
        mm,
        guided: guides(from, grip),
        thereMs: Math.round(millisOf(between, bpm)),
        neededMs: Math.round(moveMs(mm, fretWidth(grip.position, neck), hand.move)),
        late: (wayCost(request, hand, from, grip, between).late ?? 0) > 0,
      };
    };
    const fingers = [...new Set(placed.map((p) => p.finger))];
    const moves =
      last && earlier
        ? fingers.flatMap((finger) => {
            const how = fingerMove([...last.placed, ...last.ringing], [...placed, ...ringing], finger);
            return how === 'hinges' || how === 'rolls over' || how === 'jumps' ? [{ finger, how }] : [];
          })
        : [];
    return {
      placed,
      chord: event.chord ?? null,
      ringing,
      position: grip.position,
      moves,
      shift: last && earlier ? shiftFrom(last, ticks(event.at - earlier.at)) : null,
      barre: !!own.barre,
      stretched: !!own.stretch,
      crossed: !!own.order,
    };
  });
}
