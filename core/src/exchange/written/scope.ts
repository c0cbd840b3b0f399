import { type NotatedBar, notate, type WrittenAs } from '../../notation/index.js';
import { readForm, type Section, type Study } from '../../piece/index.js';
import type { HandProfile } from '../../player/index.js';
import { workedScore } from '../../reading/index.js';
import { type Score, unrollForm } from '../../score/index.js';
import { formLine, type FormPlace } from './form-line.js';

/** What of a study is written: a section, some of its bars (first and last, counted from 0), or the whole form. */
export type Scope =
  | { readonly kind: 'section'; readonly section: string }
  | { readonly kind: 'bars'; readonly section: string; readonly bars: readonly [number, number] }
  | { readonly kind: 'form' };

/** A section as it is written, both hands worked out. */
export interface WrittenSection {
  readonly section: Section;
  readonly score: Score;
  /** The first of its bars that is written, counted from 0, and the one behind the last. */
  readonly from: number;
  readonly to: number;
  readonly bars: readonly NotatedBar[];
}
/** A section in its place, with the signs of repetition around it. */
export interface WrittenPlace extends WrittenSection, Omit<FormPlace, 'section'> {}

/**
 * What a scope holds, in the order in which it is written: of the whole form each section as often as the form writes it.
 * Sections in which nothing stands are left out.
 * @param more.line places other than the form's
 * @param more.as how long strokes are written
 */
export function writtenPlaces(
  study: Study,
  profile: HandProfile,
  scope: Scope,
  {
    line = lineOf(study, scope),
    as = 'struck',
  }: { readonly line?: readonly FormPlace[]; readonly as?: WrittenAs } = {},
): WrittenPlace[] {
  const made = new Map<string, WrittenSection | null>();
  return line.flatMap(({ section: id, ...signs }): WrittenPlace[] => {
    if (!made.has(id))
      made.set(id, writtenSection(study, profile, { id, range: scope.kind === 'bars' ? scope.bars : null, as }));
    const own = made.get(id);
    return own ? [{ ...own, ...signs }] : [];
  });
}
/** What a scope holds, each section once, in the order in which it comes first. */
export const writtenSections = (
  study: Study,
  profile: HandProfile,
  scope: Scope,
  as: WrittenAs = 'struck',
): WrittenSection[] =>
  writtenPlaces(study, profile, scope, { as }).filter(
    (p, n, all) => all.findIndex((o) => o.section === p.section) === n,
  );
/** The form with its signs of repetition. */
const lineOf = (study: Study, scope: Scope): FormPlace[] =>
  scope.kind === 'form' ? formLine(readForm(study.form, study.sections).items) : [plain(scope.section)];
/** The form as it is played, every repeat written out. */
export const playedLine = (study: Study, scope: Scope): FormPlace[] =>
  scope.kind === 'form' ? unrollForm(study).parts.map((p) => plain(p.section)) : [plain(scope.section)];
const plain = (section: string): FormPlace => ({ section, opens: false, closes: null, ending: null });
function writtenSection(
  { sections, shapes, instrument, cells }: Study,
  profile: HandProfile,
  { id, range, as }: { readonly id: string; readonly range: readonly [number, number] | null; readonly as: WrittenAs },
): WrittenSection | null {
  const section = sections.find((s) => s.id === id);
  if (!section) return null;
  const { score } = workedScore({ section, shapes, ...instrument, profile, called: cells });
  const [from, to] = range ? [range[0], Math.min(range[1] + 1, score.bars.length)] : [0, score.bars.length];
  if (score.bars.length === 0 || from >= to) return null;
  return { section, score, from, to, bars: notate(score, section.cycle, from, to, as) };
}
