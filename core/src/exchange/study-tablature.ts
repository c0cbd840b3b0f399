import type { Section, Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import { workedScore } from '../reading/index.js';
import { unrollForm } from '../score/index.js';
import type { Loss } from './model.js';
import { tablatureLosses, tablatureText } from './tablature.js';

/** What of a study is written: a section, some of its bars (first and last, counted from 0), or all sections of the form. */
export type Scope =
  | { readonly kind: 'section'; readonly section: string }
  | { readonly kind: 'bars'; readonly section: string; readonly bars: readonly [number, number] }
  | { readonly kind: 'form' };
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
  const order = scope.kind === 'form' ? [...new Set(unrollForm(study).parts.map((p) => p.section))] : [scope.section];
  return order.flatMap((id) => {
    const section = study.sections.find((s) => s.id === id);
    return section ? [partOf(section, study, profile, scope.kind === 'bars' ? scope.bars : null)] : [];
  });
}
function partOf(
  section: Section,
  { shapes, instrument, cells }: Study,
  profile: HandProfile,
  bars: readonly [number, number] | null,
): TablaturePart {
  const { score } = workedScore({ section, shapes, ...instrument, profile, called: cells });
  const [from, to] = bars ? [bars[0], bars[1] + 1] : [0, score.bars.length];
  return {
    section: section.id,
    text: score.events.length ? tablatureText(score, section.cycle, section.stepsPerCount, from, to) : '',
    losses: tablatureLosses(score, section.stepsPerCount, from, to),
  };
}
