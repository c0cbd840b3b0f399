import { fretWidth, touchAt } from '../../instrument/index.js';
import { fretsText, moveMs } from '../../left-hand/index.js';
import { type Ask, settled } from '../../player/index.js';
import { STRINGS, TICKS_PER_COUNT } from '../../time/index.js';
import { fingerMove, type Grip, gripsOf, guides, holdCost, lineHand, wayCost } from './cost.js';
import type { FretLineRequest, Placed } from './model.js';

export interface FretReason {
  /** Fret under the first finger. */
  readonly position: number;
  /** What makes this event dear: a stretch, a move that comes late, a finger that jumps. */
  readonly faults: readonly string[];
  /** All of it in one sentence. */
  readonly text: string;
}

/** For every event of a fretted line why its fingers stand there. The line must be one that can be held. */
export function explainFretting(ask: Ask<FretLineRequest>, steps: readonly (readonly Placed[])[]): FretReason[] {
  const request = settled<FretLineRequest>(ask);
  const hand = lineHand(request);
  const { neck, bpm } = request;
  const grips = gripsOf(request, steps);
  return request.events.map((event, i): FretReason => {
    const earlier = request.events[i - 1];
    const [last, grip] = [grips[i - 1], grips[i] as Grip];
    const { placed, ringing } = grip;
    const parts: string[] = [
      event.chord === undefined ? placed.map(sayPlaced).join(' with ') : `${event.chord} as ${fretsOf(placed)}`,
    ];
    const faults: string[] = [];
    if (ringing.length) parts.push(`${ringing.map(sayPlaced).join(' and ')} ring${ringing.length > 1 ? '' : 's'} on`);
    if (last && earlier) {
      const ticks = event.at - earlier.at;
      const [held, holds] = [
        [...last.placed, ...last.ringing],
        [...placed, ...ringing],
      ];
      const moves = [...new Set(placed.map((p) => p.finger))].map((f) => [f, fingerMove(held, holds, f)] as const);
      for (const [finger, move] of moves) {
        if (move === 'hinges') parts.push(`finger ${finger} works as a hinge`);
        if (move === 'rolls over') parts.push(`finger ${finger} rolls over to the next string`);
        if (move === 'jumps') faults.push(`finger ${finger} jumps from string to string`);
      }
      if (last.position === grip.position) {
        if (placed.some((p) => p.finger !== 0)) parts.push(`in position ${grip.position}`);
      } else {
        const at = (fret: number) => touchAt(fret, neck.capo, neck.scaleLength);
        const mm = Math.round(Math.abs(at(grip.position) - at(last.position)));
        const needed = Math.round(moveMs(mm, fretWidth(grip.position, neck), hand.move));
        const there = Math.round((ticks * 60_000) / (TICKS_PER_COUNT * bpm));
        const led = guides(last, grip) ? 'along a guide finger ' : '';
        parts.push(`${led}from position ${last.position} to ${grip.position}, ${mm} mm`);
        if (wayCost(request, hand, last, grip, ticks).late)
          faults.push(`late: ${there} ms there, about ${needed} needed`);
      }
    } else if (placed.some((p) => p.finger !== 0)) parts.push(`in position ${grip.position}`);
    const own = holdCost(grip, hand.hand);
    if (own.barre) parts.push('a barre is held');
    if (own.stretch) faults.push('a stretch beyond ease');
    if (own.order) faults.push('fingers cross');
    return { position: grip.position, faults, text: `Note ${i + 1}: ${[...parts, ...faults].join(', ')}.` };
  });
}
const fretsOf = (placed: readonly Placed[]): string =>
  fretsText({ frets: STRINGS.map((string) => placed.find((p) => p.string === string)?.fret ?? null) });
const sayPlaced = ({ string, fret, finger }: Placed): string =>
  fret === 0 ? `string ${string} open` : `finger ${finger} on string ${string} fret ${fret}`;
