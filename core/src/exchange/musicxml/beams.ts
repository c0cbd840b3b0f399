import { beamGroups, flagsOf, type NotatedBar, type Sign } from '../../notation/index.js';
import { el, type Xml } from './xml.js';

/**
 * The beams of a voice's signs, sign by sign.
 * @param sounds whether a sign is a note
 */
export function beamsOf(bar: NotatedBar, signs: readonly Sign[], sounds: (sign: Sign) => boolean): Xml[][] {
  const beams: Xml[][] = signs.map(() => []);
  for (const group of beamGroups(bar, signs, sounds))
    group.forEach((n, i) => {
      const flags = (at: number | undefined) => (at === undefined ? 0 : flagsOf(signs[at] as Sign));
      const [before, after] = [group[i - 1], group[i + 1]];
      beams[n] = Array.from({ length: flags(n) }, (_, b) => {
        const [back, on] = [flags(before) > b, flags(after) > b];
        const kind =
          back && on
            ? 'continue'
            : back
              ? 'end'
              : on
                ? 'begin'
                : before !== undefined
                  ? 'backward hook'
                  : 'forward hook';
        return el('beam', kind, { number: b + 1 });
      });
    });
  return beams;
}
