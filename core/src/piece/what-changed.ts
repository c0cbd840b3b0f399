import { flatten, parseScript } from '../script/index.js';
import type { Section, Study } from './model.js';

/** What of a study or of a section became another. */
export type ChangedPart =
  | Exclude<keyof Section, 'id' | 'name'>
  | Exclude<keyof Study, 'id' | 'sections' | 'name'>
  | 'study name'
  | 'section name'
  | 'sections'
  | 'section order';
export interface Changed {
  readonly what: ChangedPart;
  /** The section that it is in, as it is called now; null for the study as a whole. */
  readonly section: { readonly id: string; readonly name: string } | null;
  /** The one stroke of its script that became another, counted from 1; null where more did. */
  readonly stroke: number | null;
}

const OF_STUDY = ['instrument', 'shapes', 'cells', 'form', 'reminders', 'note'] as const;
const OF_SECTION = [
  ...(['cycle', 'script', 'stepsPerCount', 'start', 'chart', 'bars', 'bpm'] as const),
  ...(['feel', 'ladder', 'words', 'key'] as const),
];
const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/**
 * What is different in a study as it stands now, part by part: what an undo or a redo has brought.
 * @example whatChanged(makeStudy('s', 'Stair'), { ...makeStudy('s', 'Stair'), form: 'A A' }).map((c) => c.what) // ['form']
 */
export function whatChanged(before: Study, now: Study): readonly Changed[] {
  const whole = (what: ChangedPart): Changed => ({ what, section: null, stroke: null });
  const found: Changed[] = [];
  if (before.name !== now.name) found.push(whole('study name'));
  for (const part of OF_STUDY) if (!same(before[part], now[part])) found.push(whole(part));
  const ids = (study: Study) => study.sections.map((s) => s.id);
  const came = now.sections.filter((s) => !ids(before).includes(s.id));
  const went = before.sections.filter((s) => !ids(now).includes(s.id));
  for (const { id, name } of [...came, ...went]) found.push({ what: 'sections', section: { id, name }, stroke: null });
  if (came.length + went.length === 0 && !same(ids(before), ids(now))) found.push(whole('section order'));
  for (const section of now.sections) {
    const was = before.sections.find((s) => s.id === section.id);
    if (!was || was === section) continue;
    const { id, name } = section;
    const say = (what: ChangedPart, stroke: number | null = null) =>
      found.push({ what, section: { id, name }, stroke });
    if (was.name !== name) say('section name');
    for (const part of OF_SECTION)
      if (!same(was[part], section[part])) say(part, part === 'script' ? oneStroke(was, section) : null);
  }
  return found;
}

/** Which stroke became another where only one did. */
function oneStroke(was: Section, now: Section): number | null {
  if (was.stepsPerCount !== now.stepsPerCount) return null;
  const steps = ({ script, stepsPerCount }: Section) =>
    flatten(parseScript(script, { stepsPerCount }).pattern).slots.map((s) => script.slice(s.range.from, s.range.to));
  const [a, b] = [steps(was), steps(now)];
  if (a.length !== b.length) return null;
  const other = a.flatMap((text, n) => (text === b[n] ? [] : [n]));
  return other.length === 1 ? (other[0] ?? 0) + 1 : null;
}
