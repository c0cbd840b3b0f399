import { type FlatPattern, flatten, type Item, type Pattern } from '../script/index.js';
import type { Step, Stroke } from '../stroke/index.js';

/** What is made stands in no text. */
export const NOWHERE = { from: 0, to: 0 };
export const stepItem = (step: Step): Item => ({ kind: 'step', step, range: NOWHERE });
/** A pattern of even steps, as fine as another one. */
export const patternOf = ({ stepsPerCount }: Pick<Pattern, 'stepsPerCount'>, steps: readonly Step[]): Pattern => ({
  stepsPerCount,
  items: steps.map(stepItem),
});
/** Only patterns of even steps can be regrouped; others keep their own rhythm. */
export const isEven = ({ slots }: Pick<FlatPattern, 'slots'>): boolean =>
  slots.every((s) => s.duration === slots[0]?.duration);
export const strokesOf = (pattern: Pattern): Stroke[] =>
  flatten(pattern).events.flatMap((e) => (e.motion.kind === 'stroke' ? [e.motion] : []));
