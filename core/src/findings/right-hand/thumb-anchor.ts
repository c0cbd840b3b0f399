import { anchorPlan } from '../../solve/finger-line/index.js';
import { fingersOf } from '../../stroke/index.js';
import { finding, type FindingMatter, type FindingOf, placeIn } from '../model.js';
import { firstPass } from './first-pass.js';

/** Fewer notes than these need no place for the thumb. */
const A_RUN = 4;

/** Where the thumb rests while the fingers run alone, and where it comes and goes. */
export function thumbAnchor(m: FindingMatter): FindingOf<'thumb anchor'> | null {
  const run = firstPass(m).filter((e) => e.motion.kind === 'stroke' && e.notes.length > 0);
  const [first] = run;
  if (!first || run.length < A_RUN) return null;
  const notes = run.map((e) => ({ at: e.at, strings: e.notes.map((n) => n.string) }));
  const plan = anchorPlan(
    notes,
    run.map((e) => fingersOf(e.motion)),
  );
  const changes = plan.flatMap(({ index, thumb }) => {
    const e = run[index];
    return e ? [{ thumb, label: placeIn(m, e.at, e.slot).label }] : [];
  });
  return finding('thumb anchor', 'plain', placeIn(m, first.at, first.slot), { changes });
}
