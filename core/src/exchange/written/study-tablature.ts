import type { Study } from '../../piece/index.js';
import type { HandProfile } from '../../player/index.js';
import { lossesOf } from './losses.js';
import type { Loss } from './model.js';
import { type Scope, writtenSections } from './scope.js';
import { tablatureText } from './tablature.js';

/** One section as tablature. */
export interface TablaturePart {
  readonly section: string;
  /** Empty where nothing is played. */
  readonly text: string;
  readonly losses: readonly Loss[];
}

/**
 * A study as tablature in plain text, both hands worked out: each section once, in the order in which the form has it
 * first.
 */
export function studyTablature(study: Study, profile: HandProfile, scope: Scope): TablaturePart[] {
  return writtenSections(study, profile, scope).flatMap(({ section, score, from, to }): TablaturePart[] => {
    const { cycle, stepsPerCount } = section;
    const text = score.events.length ? tablatureText(score, cycle, stepsPerCount, from, to) : '';
    return [{ section: section.id, text, losses: lossesOf(score, 'tablature', stepsPerCount, from, to) }];
  });
}
