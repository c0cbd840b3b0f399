import { placeLabel } from '../../cycle/index.js';
import { fingersOf } from '../../stroke/index.js';
import { finding, type FindingFigures, type FindingMatter, type FindingOf, placeIn } from '../model.js';

/** Joints that are told one by one; more are read off the pattern. */
const MOST_JOINTS = 8;
/** Which finger is set while each plays, in the order of the pattern, each joint once. */
function oneByOne({ plants: list, flat }: FindingMatter): FindingFigures['plants']['oneByOne'] {
  const seen = new Set<string>();
  return list
    .flatMap(({ index, next }) => {
      const [plays] = flat.events[index] ? fingersOf(flat.events[index].motion) : [];
      if (!plays || next === null || seen.has(plays + next)) return [];
      seen.add(plays + next);
      return [{ plays, set: next }];
    })
    .slice(0, MOST_JOINTS);
}
/** Fingers that are set on their strings together; null where no figure plants more than one. */
export function plants(m: FindingMatter): FindingOf<'plants'> | null {
  const { plants: list, flat, section } = m;
  const figures = list.filter((p) => p.set.length > 1);
  const sets = [...new Map(figures.map((p) => [p.set.join(' '), p.set] as const)).values()];
  if (sets.length === 0) return null;
  // Only of a figure that plants some: why the others are left out.
  const left = list.find((p) => p.reason !== null && p.reason !== 'run over' && p.reason !== 'strum');
  const event = left ? flat.events[left.index] : undefined;
  const why = left?.reason;
  return finding('plants', 'plain', placeIn(m), {
    sets,
    figures: figures.length,
    oneByOne: oneByOne(m),
    not:
      event && why && why !== 'run over'
        ? { fingers: fingersOf(event.motion), at: placeLabel(section.cycle, event.at + section.start), why }
        : null,
  });
}
