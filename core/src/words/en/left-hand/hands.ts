import { type AccentCycle, barOf, placeLabel } from '../../../cycle/index.js';
import type { HandNote } from '../../../reading/index.js';
import { isOpen } from '../../how-much.js';
import { borrowedClause } from './borrowed.js';
import { listed } from '../numbers.js';
import { sayTones } from './tones.js';

const NOTE_FAULTS = {
  'same finger': 'the same finger as before',
  late: 'the right hand’s finger comes back late',
  'touches a ring': 'its rest stroke touches a string that rings',
} as const;

/** What of a stroke its places and fingers do not say: ways of the hand, crossings, what is kept, who is away. */
export function sayHandNote({ left, right, kept, borrowed }: HandNote, cycle: AccentCycle): string[] {
  const lines: string[] = [];
  if (left?.shift) {
    const { from, mm, guided, thereMs, neededMs, late } = left.shift;
    lines.push(
      `${guided ? 'along a guide finger ' : ''}from position ${from} to ${left.position}, ${mm} mm${late ? `: late, ${thereMs} ms there, about ${neededMs} needed` : ''}`,
    );
  }
  for (const { finger, how } of left?.moves ?? [])
    lines.push(
      how === 'hinges'
        ? `finger ${finger} works as a hinge`
        : how === 'rolls over'
          ? `finger ${finger} rolls over to the next string`
          : `finger ${finger} jumps from string to string`,
    );
  if (left?.barre) lines.push('a barre is held');
  if (left?.stretched) lines.push('a stretch beyond ease');
  if (left?.crossed) lines.push('fingers cross');
  if (kept)
    lines.push(`finger ${kept.finger} is kept for bar ${barOf(cycle, kept.at) + 1}, ${placeLabel(cycle, kept.at)}`);
  if (right?.crossing === 'awkward') lines.push(`${right.fingers.join(' ')} cross against their order`);
  if (right?.anchor) lines.push(right.anchor === 'lifts' ? 'the thumb lifts' : 'the thumb rests on 6 again');
  for (const f of right?.faults ?? []) lines.push(NOTE_FAULTS[f]);
  for (const b of borrowed)
    lines.push(`${borrowedClause(b, cycle)}${b.gone.length ? `; the ${sayTones(b.gone)} is gone` : ''}`);
  return lines;
}
/**
 * A stroke's place as it is counted: “bar 2, 3 &”.
 * @example sayPlace(cycleById('tangos'), 25200) // 'bar 2, 2'
 */
export const sayPlace = (cycle: AccentCycle, at: number): string =>
  `bar ${barOf(cycle, at) + 1}, ${placeLabel(cycle, at)}`;
/** The fingers of a stroke, thickest string first: `5 open p`, `2f1=1 m`. */
export const sayNotes = ({ notes }: HandNote): string =>
  listed(
    notes.map((n) => {
      const stopped = isOpen(n) ? '' : `f${n.fret}${n.left ? `=${n.left}` : ''}`;
      return `${n.string}${stopped}${n.right ? ` ${n.right}` : ''}`;
    }),
  );
