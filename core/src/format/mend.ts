import { CYCLES } from '../catalogue/index.js';
import { FAMILIES } from '../cycle/index.js';
import type { DataFault } from '../fault/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { cleanName } from '../name/index.js';
import { makeSection } from '../piece/index.js';
import { bringStudyForward, namesApart } from './bring-forward.js';
import { type Complaint, complaints, schemaFault } from './check.js';
import type { Kept } from './model.js';
import { ROWS } from './rows.js';

export interface Mended {
  readonly row: unknown;
  /** What was changed: the faults that were mended. */
  readonly changes: readonly DataFault[];
}
const MOST_ROUNDS = 400;
type Path = readonly (string | number)[];
type Box = Record<string | number, unknown>;

/** What stands in for a field that is missing or can't be used, by its name; undefined when nothing can. */
function standIn(path: Path): unknown {
  const section = makeSection('mended', 'Mended', CYCLES[0] as NonNullable<(typeof CYCLES)[0]>);
  const fields: Record<string, unknown> = {
    ...section,
    name: 'Mended',
    studyName: 'Mended',
    sectionName: 'Mended',
    family: FAMILIES[0],
    instrument: { tuning: STANDARD_TUNING, capo: 0 },
    tuning: STANDARD_TUNING,
    capo: 0,
    note: '',
    form: '',
    reminders: [],
    text: '',
    begun: '2000-01-01',
    passed: [],
    steps: [],
    blocks: [],
    result: null,
    profileId: '',
    shapes: [],
    cells: [],
    sections: [section],
    minutes: 0,
    pain: false,
    clean: false,
    cautionsRead: false,
    littleFinger: 'e',
    passes: path.includes('ladder') ? section.ladder.passes : [],
    start: path.includes('ladder') ? section.ladder.start : 0,
    end: section.ladder.end,
    step: section.ladder.step,
    finger: 0,
    weight: 1,
    accents: [],
    countNote: 'quarter',
  };
  const last = path.at(-1);
  return typeof last === 'string' ? fields[last] : undefined;
}

/**
 * A stored row that its door refuses, brought through it with as little changed as can be: long texts and lists are
 * cut, figures go to the nearest bound, what nobody knows is left out, entries that can't be read go.
 * @returns null when nothing can be made of it; the row that came in is never touched
 */
export function mendRow(kind: Kept, row: unknown): Mended | null {
  if (typeof row !== 'object' || row === null || Array.isArray(row)) return null;
  const { schema, read: door } = ROWS[kind];
  const forward = (box: Box): Box => (kind === 'studies' ? namesApart(bringStudyForward(box) as Box) : box);
  let copy = structuredCloneOf(row);
  const changes: DataFault[] = [];
  const tries = new Map<string, number>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    // What an older form says is understood as soon as what stood in its way is mended.
    copy = forward(copy);
    const read = door(copy);
    if (read.ok) return { row: read.value, changes };
    const { found } = complaints<unknown>(schema, copy);
    const path: Path = found[0]?.path ?? pathOf(read.faults[0]?.path ?? '');
    const where = path.join('.');
    const times = (tries.get(where) ?? 0) + 1;
    tries.set(where, times);
    const fault = found[0] ? schemaFault(found[0]) : read.faults[0];
    if (changes.length < 100 && fault) changes.push(fault);
    const done = found[0] && times === 1 ? byComplaint(copy, found[0]) : times <= 2 && replace(copy, path);
    // What a gentler hand did not mend goes, with the entry of the list that holds it.
    if (!done && !leaveOut(copy, path)) return null;
  }
  return null;
}
const structuredCloneOf = (row: object): Box => JSON.parse(JSON.stringify(row)) as Box;
/** `sections[0].cycle.groups` as keys. */
const pathOf = (text: string): Path =>
  [...text.matchAll(/([^.[\]]+)/g)].map(([, part = '']) => (/^\d+$/.test(part) ? Number(part) : part));

function boxAt(root: Box, path: Path): Box | null {
  let box: unknown = root;
  for (const key of path.slice(0, -1)) box = typeof box === 'object' && box !== null ? (box as Box)[key] : null;
  return typeof box === 'object' && box !== null ? (box as Box) : null;
}

function byComplaint(root: Box, { type, path, context = {} }: Complaint): boolean {
  const box = boxAt(root, path);
  const key = path.at(-1);
  if (!box || key === undefined) return false;
  const value = box[key];
  const limit = typeof context.limit === 'number' ? context.limit : null;
  if (type === 'object.unknown') return delete box[key];
  if (type === 'array.unique') return leaveOut(root, path);
  if (limit !== null && typeof value === 'string' && type === 'string.max')
    box[key] = /name/i.test(String(key)) ? cleanName(value) : value.slice(0, limit);
  else if (limit !== null && Array.isArray(value) && type === 'array.max') box[key] = value.slice(0, limit);
  else if (limit !== null && (type === 'number.min' || type === 'number.max')) box[key] = limit;
  else if (type === 'number.integer') box[key] = Math.round(value as number);
  else return replace(root, path);
  return true;
}
function replace(root: Box, path: Path): boolean {
  const box = boxAt(root, path);
  const key = path.at(-1);
  const other = standIn(path);
  if (!box || key === undefined || other === undefined) return false;
  box[key] = structuredCloneOf({ other })['other'];
  return true;
}
/** Takes the innermost list entry on the path out of its list, or an optional field out of its object. */
function leaveOut(root: Box, path: Path): boolean {
  for (let end = path.length; end > 0; end--) {
    const key = path[end - 1];
    const box = boxAt(root, path.slice(0, end));
    if (typeof key === 'number' && Array.isArray(box)) {
      box.splice(key, 1);
      return true;
    }
    if (box && (key === 'chord' || key === 'left' || key === 'school') && key in box) return delete box[key];
    if (key === 'cycle' && box) return replace(root, path.slice(0, end));
  }
  return false;
}
