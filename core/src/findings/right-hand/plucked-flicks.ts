import type { FlatPattern } from '../../script/index.js';
import type { Finger, Step, Stroke } from '../../stroke/index.js';
import { finding, type FindingOf, type GraveMatter, placeOfSlot } from '../model.js';

/** From the little finger on, as they flick one after another. */
const IN_TURN: readonly Finger[] = ['e', 'a', 'm', 'i'];
const FEWEST = 3;

/** One finger that plucks, with nothing said of strings: the letter alone. */
const bareFinger = (step: Step): Finger | null =>
  step.kind === 'stroke' && !step.dir && !step.plectrum && !step.strings && step.fingers.length === 1
    ? (step.fingers[0] ?? null)
    : null;

/** Slots of fingers in turn that begin with the little finger, whose plucks are hardly ever meant: `e a m i`. */
export function pluckedFlicks({ slots }: Pick<FlatPattern, 'slots'>): { slot: number; step: Stroke }[][] {
  const found: { slot: number; step: Stroke }[][] = [];
  for (let from = 0; from < slots.length; from++) {
    const run = IN_TURN.flatMap((finger, n) => {
      const step = slots[from + n]?.step;
      return step?.kind === 'stroke' && bareFinger(step) === finger ? [{ slot: from + n, step }] : [];
    });
    const unbroken = run.findIndex((r, n) => r.slot !== from + n);
    const own = unbroken < 0 ? run : run.slice(0, unbroken);
    if (own.length < FEWEST) continue;
    found.push(own);
    from += own.length - 1;
  }
  return found;
}

/** Plucks of e a m i in a family that strums them, told once with what they would be as strums. */
export function flicksPlucked(m: GraveMatter): FindingOf<'flicks plucked'> | null {
  const [first] = m.section.cycle.family === 'flamenco' ? pluckedFlicks(m.flat) : [];
  if (!first) return null;
  const letters = first.flatMap((r) => r.step.fingers);
  return finding('flicks plucked', 'watch', placeOfSlot(m, first[0]?.slot ?? 0), { letters });
}
