import type { FlatPattern } from '../../script/index.js';
import type { Finger, Step, Stroke } from '../../stroke/index.js';
import { finding, type FindingOf, type GraveMatter, placeOfSlot } from '../model.js';

/** From the little finger on, as they flick one after another. */
const IN_TURN: readonly Finger[] = ['e', 'a', 'm', 'i'];
const FEWEST = 3;

/** A stroke that is this finger's letter alone: it plucks, and nothing is said of strings. */
const isLetterOf = (step: Step | undefined, finger: Finger): step is Stroke =>
  step?.kind === 'stroke' && !step.dir && !step.plectrum && !step.strings && step.fingers.join() === finger;

/** Slots of fingers in turn that begin with the little finger, whose plucks are hardly ever meant: `e a m i`. */
export function pluckedFlicks({ slots }: Pick<FlatPattern, 'slots'>): { slot: number; step: Stroke }[][] {
  const found: { slot: number; step: Stroke }[][] = [];
  for (let from = 0; from < slots.length; from++) {
    const run: { slot: number; step: Stroke }[] = [];
    for (const finger of IN_TURN) {
      const step = slots[from + run.length]?.step;
      if (!step || !isLetterOf(step, finger)) break;
      run.push({ slot: from + run.length, step });
    }
    if (run.length < FEWEST) continue;
    found.push(run);
    from += run.length - 1;
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
