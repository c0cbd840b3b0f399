import type { NotatedBar, Sign } from '../../notation/index.js';
import { TICKS_PER_COUNT } from '../../time/index.js';
import { el, type Xml } from './xml.js';

const flags = (s: Sign): number => Math.max(0, Math.log2(s.value) - 2);

/**
 * The beams of a voice's signs: neighbours within one count share them, within two where a count itself has a flag;
 * none goes over the seam of two groups of the cycle.
 * @param sounds whether a sign is a note
 */
export function beamsOf(
  { count, seams }: NotatedBar,
  signs: readonly Sign[],
  sounds: (sign: Sign) => boolean,
): Xml[][] {
  const span = TICKS_PER_COUNT * (count > 4 ? 2 : 1);
  const beamed = (s: Sign | undefined): s is Sign => !!s && sounds(s) && flags(s) > 0;
  const joined = (a: Sign | undefined, b: Sign | undefined): boolean =>
    beamed(a) &&
    beamed(b) &&
    Math.floor(a.at / span) === Math.floor(b.at / span) &&
    !seams.some((s) => s > a.at && s <= b.at);
  return signs.map((sign, n) => {
    const [before, after] = [signs[n - 1], signs[n + 1]];
    const [left, right] = [joined(before, sign), joined(sign, after)];
    if (!left && !right) return [];
    return Array.from({ length: flags(sign) }, (_, i) => {
      const [back, on] = [left && flags(before as Sign) > i, right && flags(after as Sign) > i];
      const kind = back && on ? 'continue' : back ? 'end' : on ? 'begin' : left ? 'backward hook' : 'forward hook';
      return el('beam', kind, { number: i + 1 });
    });
  });
}
