import type { Shape } from '../../left-hand/index.js';
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
  /** Shapes that its chords call, by the chords' names. */
  readonly shapes: readonly Pick<Shape, 'name' | 'frets' | 'fingers'>[];
}

/**
 * A study as tablature in plain text, both hands worked out: each section once, in the order in which the form has it
 * first.
 * @param right the right hand alone, its fingers on their strings
 */
export function studyTablature(study: Study, profile: HandProfile, scope: Scope, right = false): TablaturePart[] {
  return writtenSections(study, profile, scope).flatMap(({ section, score, from, to }): TablaturePart[] => {
    const { cycle } = section;
    const text = score.events.length ? tablatureText(score, cycle, from, to, right) : '';
    const held = score.chords.filter((c) => c.known && c.name !== '');
    const shapes = [
      ...new Map(held.map(({ name, shape: { frets, fingers } }) => [name, { name, frets, fingers }])).values(),
    ];
    return [{ section: section.id, text, shapes, losses: lossesOf(score, 'tablature', from, to) }];
  });
}
