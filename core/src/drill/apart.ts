import type { Section, Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import { leftAlone } from './block-chords.js';
import { type DrilledSection, sectionDrills } from './section-drills.js';

/** What can be heard of a section by itself. */
export const APART = ['right hand', 'left hand', 'bass', 'figure'] as const;
export type Apart = (typeof APART)[number];
const KEYS: Record<Exclude<Apart, 'left hand'>, string> = {
  'right hand': 'open strings',
  bass: 'layer bass',
  figure: 'layer figure',
};

/**
 * One part of a section alone: the right hand on open strings, the shapes of the left hand as they come, the basses, the
 * figure of the fingers.
 * @returns null where the section has no such part
 */
export function takenApart(
  section: Section,
  study: Pick<Study, 'cells'>,
  profile: HandProfile,
  part: Apart,
): DrilledSection | null {
  if (part !== 'left hand')
    return (
      sectionDrills(section, profile, [], study.cells)
        .find((d) => d.key === KEYS[part])
        ?.make() ?? null
    );
  return leftAlone(section);
}
