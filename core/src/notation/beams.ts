import { TICKS_PER_COUNT } from '../time/index.js';
import type { NotatedBar, Sign, Voice } from './model.js';

/** How many beams, or flags, a sign has. */
export const flagsOf = ({ value }: Pick<Sign, 'value'>): number => Math.max(0, Math.log2(value) - 2);

/**
 * Signs of a voice that share their beams, by index: neighbours within one count, within two where a count itself has a
 * flag; none goes over the seam of two groups of the cycle.
 * @param sounds whether a sign is a note
 * @returns two or more together
 */
export function beamGroups(
  { count, seams }: Pick<NotatedBar, 'count' | 'seams'>,
  signs: readonly Sign[],
  sounds: (sign: Sign) => boolean,
): number[][] {
  const span = TICKS_PER_COUNT * (count > 4 ? 2 : 1);
  const groups: number[][] = [];
  let before: Sign | null = null;
  signs.forEach((sign, n) => {
    const beamed = sounds(sign) && flagsOf(sign) > 0;
    const from = before?.at ?? 0;
    const on =
      beamed &&
      before !== null &&
      Math.floor(from / span) === Math.floor(sign.at / span) &&
      !seams.some((s) => s > from && s <= sign.at);
    if (on) groups.at(-1)?.push(n);
    else if (beamed) groups.push([n]);
    before = beamed ? sign : null;
  });
  return groups.filter((g) => g.length > 1);
}

/**
 * Whether the number of a tuplet stands over its signs: the thumb's is left out where the fingers have the same one.
 * @param at where the tuplet begins, in ticks from the beginning of its bar
 */
export function isNumbered({ voices }: Pick<NotatedBar, 'voices'>, voice: Voice, { tuplet, at }: Sign): boolean {
  if (!tuplet || voice === 'fingers') return tuplet !== null;
  const count = Math.floor(at / TICKS_PER_COUNT);
  const same = (s: Sign) => Math.floor(s.at / TICKS_PER_COUNT) === count && s.tuplet?.notes === tuplet.notes;
  return !voices.fingers.some((s) => s.event !== null && same(s));
}
