import { heldChords } from '../../chart/index.js';
import { readChord } from '../../chord/index.js';
import { fretsText, handOn, reachFault, type Shape } from '../../left-hand/index.js';
import { neckOf } from '../../player/index.js';
import { easier } from '../../solve/voicings/index.js';
import { finding, type FindingFigures, type FindingMatter, type FindingOf } from '../model.js';

/** Shapes of the chart that this hand can't hold, each with what could be held instead. */
export function outOfReach(m: FindingMatter): FindingOf<'out of reach'>[] {
  const { section, shapes, capo, profile } = m;
  const hand = handOn(neckOf(profile, capo), profile);
  const called = new Set(heldChords(section, shapes).map((c) => c.shape));
  return shapes.flatMap((shape) => {
    const because = called.has(shape) ? reachFault(shape, hand) : null;
    return because
      ? [finding('out of reach', 'late', { name: shape.name, because, instead: insteadOf(m, shape) })]
      : [];
  });
}
type Instead = FindingFigures['out of reach']['instead'];
/** Looking for substitutes takes longer than all other findings: what was found is kept while the script is typed. */
const substitutes = new Map<string, Instead>();
const MOST_KEPT = 32;

/** The best substitute for a shape that is too wide, when its name is a chord symbol. */
function insteadOf({ tuning, capo, profile }: FindingMatter, shape: Shape): Instead {
  const chord = shape.name.replace(/\s/g, '');
  if (!readChord(chord).ok) return null;
  const key = JSON.stringify([chord, shape.frets, shape.fingers, tuning, capo, profile]);
  const known = substitutes.get(key);
  if (known !== undefined) return known;
  const [best] = easier({ chord, tuning, neck: neckOf(profile, capo), profile }, shape);
  const own = best ? { chord: best.chord, frets: fretsText(best.shape), lost: best.lost } : null;
  if (substitutes.size >= MOST_KEPT) substitutes.clear();
  substitutes.set(key, own);
  return own;
}
