import { LONGEST_CHART } from '../chart/index.js';
import { type AccentCycle, checkCycle } from '../cycle/index.js';
import { type DataFault, dataFault } from '../fault/index.js';
import type { Shape } from '../left-hand/index.js';
import { LONGEST_SCRIPT } from '../script/index.js';
import { LONGEST_WORDS } from '../syllables/index.js';
import { type Command, refusable } from './command.js';
import { LONGEST_ID, type Section, type Study } from './model.js';

export const sectionOf = (study: Study, id: string) => study.sections.find((s) => s.id === id);
const replaced = (study: Study, id: string, change: (s: Section) => Section): Study => {
  const sections = study.sections.map((s) => (s.id === id ? change(s) : s));
  return sections.some((s, i) => s !== study.sections[i]) ? { ...study, sections } : study;
};
/** A change of one section; `ask` is put to the section as it is and as it would be. */
export const inSection = (
  id: string,
  change: (s: Section, study: Study) => Section,
  ask: (after: Section, study: Study) => DataFault | null = () => null,
): Command =>
  refusable(
    (study) => replaced(study, id, (s) => change(s, study)),
    (study) => {
      const before = sectionOf(study, id);
      const after = before && change(before, study);
      return after && after !== before ? ask(after, study) : null;
    },
  );
/** A text of a section that has grown longer than it may. */
const lengthFault = (path: 'script' | 'chart' | 'words', text: string, most: number): DataFault | null =>
  text.length <= most
    ? null
    : refused(path, path === 'words' ? 'too many words' : 'text too long', path, most, text.length);
export const scriptFault = ({ script }: Section) => lengthFault('script', script, LONGEST_SCRIPT);
export const chartFault = ({ chart }: Section) => lengthFault('chart', chart, LONGEST_CHART);
export const wordsFault = ({ words }: Section) => lengthFault('words', words, LONGEST_WORDS);

/** The thing with these values; itself where they are its own. */
export const put = <T extends object>(thing: T, values: Partial<T>): T =>
  (Object.keys(values) as (keyof T)[]).every((k) => thing[k] === values[k]) ? thing : { ...thing, ...values };
export const bounded = (n: number, low: number, high: number, otherwise: number): number =>
  Number.isFinite(n) ? Math.min(high, Math.max(low, n)) : otherwise;
export type CommandFaultCode =
  | 'cycle without id'
  | 'shape without id'
  | 'section without id'
  | 'section unnamed'
  | 'cell unnamed'
  | 'cell’s name'
  | 'cell can’t be kept'
  | 'text too long'
  | 'too many words'
  | 'too many shapes'
  | 'too many sections'
  | 'form too long'
  | 'reminder too long'
  | 'too many reminders'
  | 'texts with faults'
  | 'begins elsewhere'
  | 'cut within a pass'
  | 'no turn begins there'
  | 'no cut at that bar'
  | 'too many bars'
  | 'unlike sections'
  | 'apart in the form'
  | 'too many cells'
  | 'six pitches wanted';
/** Why a command changes nothing. */
export const refused = (path: string, code: CommandFaultCode, ...about: (string | number)[]): DataFault =>
  dataFault(path, code, ...about);
export const within = (path: string, faults: readonly DataFault[]): DataFault | null =>
  faults[0] ? { ...faults[0], path: `${path}.${faults[0].path}` } : null;

/** A thing with these fields alone: what came along with it must not reach the table. */
export function only<T extends object>(thing: T, fields: readonly (keyof T)[]): T {
  if (Object.keys(thing).every((k) => fields.includes(k as keyof T))) return thing;
  return Object.fromEntries(fields.flatMap((k) => (k in thing ? [[k, thing[k]]] : []))) as T;
}
export const plainShape = (shape: Shape): Shape => only(shape, ['id', 'name', 'chord', 'frets', 'fingers']);
/** All that a cycle has; one that is forgotten here does not compile. */
const CYCLE_HAS: Record<keyof AccentCycle, true> = {
  ...{ id: true, name: true, family: true, counts: true, labels: true, accents: true, groups: true, bars: true },
  ...{ countNote: true, tempo: true, wishedSilent: true, school: true, note: true },
};
const CYCLE_FIELDS = Object.keys(CYCLE_HAS) as (keyof AccentCycle)[];
export const plainCycle = (cycle: AccentCycle): AccentCycle => {
  const fields = only(cycle, CYCLE_FIELDS);
  const accents = fields.accents.map((a) => only(a, ['at', 'weight']));
  const tempo = only(fields.tempo, ['low', 'usual', 'high']);
  const same = tempo === fields.tempo && accents.every((a, n) => a === fields.accents[n]);
  return same ? fields : { ...fields, accents, tempo };
};

export const cycleFault = (cycle: AccentCycle): DataFault | null =>
  cycle.id === '' || cycle.id.length > LONGEST_ID
    ? refused('cycle.id', 'cycle without id')
    : within('cycle', checkCycle(cycle));
