import { placeLabel } from '../../cycle/index.js';
import { fingersOf } from '../../stroke/index.js';
import { finding, type FindingMatter, type FindingOf, placeIn } from '../model.js';

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
    not:
      event && why && why !== 'run over'
        ? { fingers: fingersOf(event.motion), at: placeLabel(section.cycle, event.at + section.start), why }
        : null,
  });
}
