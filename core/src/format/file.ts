import { type DataFault, dataFault, type Fact, fact, quoted } from '../fault/index.js';
import type { Study } from '../piece/index.js';
import type { Checked, SchemaFaultCode } from './check.js';
import {
  type Collection,
  type FileFaultCode,
  type FileReading,
  type FileRefusal,
  FORMAT,
  FORMAT_VERSION,
  KEPT,
  KEPT_SINCE_4,
  type Kept,
  LARGEST_FILE,
  MOST_FILE_FAULTS,
  MOST_KEPT,
  type StudyFile,
} from './model.js';
import { ROWS } from './rows.js';

const refuse = (code: FileRefusal, why: Fact<FileFaultCode>, faults: readonly DataFault[] = []): FileReading => ({
  ok: false,
  code,
  why,
  faults,
});

/** To be asked before a file is read at all. Null when its size is no obstacle. */
export function refuseBySize(bytes: number): FileReading | null {
  if (bytes === 0) return refuse('empty', fact('file empty'));
  return bytes > LARGEST_FILE ? refuse('too large', fact('file too large', bytes, LARGEST_FILE)) : null;
}
/** A file whose letters are no UTF-8. */
export const refuseByLetters = (): FileReading => refuse('damaged letters', fact('file’s letters'));

/** Where the outermost bracket of a text closes; null when it never does. */
function endOfObject(text: string): number | null {
  let depth = 0;
  let quote = false;
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (quote) {
      if (c === '\\') i++;
      else if (c === '"') quote = false;
    } else if (c === '"') quote = true;
    else if (c === '{' || c === '[') depth++;
    else if ((c === '}' || c === ']') && --depth === 0) return i + 1;
  }
  return null;
}
function refuseNoJson(text: string): FileReading {
  const opens = /^\s*[{[]/.test(text);
  const end = opens ? endOfObject(text) : null;
  if (opens && end === null) return refuse('not JSON', fact('file breaks off'));
  const tail = end === null ? '' : text.slice(end).trim();
  if (tail) return refuse('not JSON', fact('file goes on', quoted(tail)));
  return refuse('not JSON', fact(opens ? 'JSON damaged' : 'no JSON'));
}

/** Reads an exported file. Refusals say why and what would work; nothing is thrown. */
export function readFile(text: string): FileReading {
  const tooLarge = refuseBySize(text.length);
  if (tooLarge) return tooLarge;
  const plain = text.replace(/^\uFEFF/, '');
  let raw: unknown;
  try {
    raw = JSON.parse(plain);
  } catch {
    return refuseNoJson(plain);
  }
  const head = raw as { format?: unknown; version?: unknown } | null;
  if (typeof head !== 'object' || head === null || head.format !== FORMAT)
    return refuse('not ours', fact('another’s file'));
  if (typeof head.version === 'number' && head.version > FORMAT_VERSION)
    return refuse('later version', fact('later version', head.version, FORMAT_VERSION));
  const present = bringForward(head);
  if (!present) return refuse('faulty', fact('no version'));
  const faults = headFaults(present);
  const read = faults.length ? null : readLists(present as unknown as Record<Kept, unknown[]>, faults);
  if (read) return { ok: true, file: { format: FORMAT, version: FORMAT_VERSION, kind: present.kind, ...read } };
  const n = faults.length;
  return refuse(
    'faulty',
    fact(n >= MOST_FILE_FAULTS ? 'too many faults in the file' : 'faults in the file', n),
    faults,
  );
}

/** An older file as the present version would have written it; null when its version never was. */
function bringForward(file: { readonly version?: unknown }): (object & { readonly kind: StudyFile['kind'] }) | null {
  if (typeof file.version !== 'number' || !Number.isInteger(file.version) || file.version < 1) return null;
  return MIGRATIONS.slice(file.version - 1).reduce<object>((f, migrate) => migrate(f), file) as never;
}
/** From each version to the next. Studies of an older form are brought forward as they pass the door, as stored rows are. */
const MIGRATIONS: readonly ((file: object) => object)[] = [
  // Version 1 knew no cells of the player's own.
  (file) => ({ ...file, version: 2, cells: [] }),
  // Version 2 had shapes by turn or group, frets beside the script, and lines of the log without their section's id.
  (file) => ({ ...file, version: 3 }),
  // Version 3 knew no goals, courses, plans and takes; of its studies and hands nothing changed its meaning.
  (file) => ({ ...Object.fromEntries(KEPT_SINCE_4.map((list) => [list, []])), ...file, version: 4 }),
];

/** Kind, fields and the sizes of lists, before anything inside them is looked at. */
function headFaults(file: object): DataFault[] {
  const faults: DataFault[] = [];
  const say = (path: string, code: SchemaFaultCode, ...about: (string | number)[]) => {
    if (faults.length < MOST_FILE_FAULTS) faults.push(dataFault(path.slice(0, 80), code, ...about));
  };
  const fields = file as Record<string, unknown>;
  if (fields['kind'] !== 'study' && fields['kind'] !== 'everything')
    say('kind', 'not one of these', '', 'study', 'everything');
  for (const list of KEPT) {
    const there = fields[list];
    if (there === undefined) say(list, 'missing');
    else if (!Array.isArray(there)) say(list, 'list wanted', '');
    else if (there.length > MOST_KEPT[list]) say(list, 'list too long', there.length, MOST_KEPT[list]);
  }
  const known = new Set<string>(['format', 'version', 'kind', ...KEPT]);
  for (const field of Object.keys(fields)) if (!known.has(field)) say(field, 'no such field');
  return faults;
}

/** Every list through its door, until there are enough faults to tell. Null when there are any. */
function readLists(file: Record<Kept, unknown[]>, faults: DataFault[]): Collection | null {
  const pass = (list: Kept): { readonly id: string }[] => {
    const door: (row: unknown, at: string) => Checked<{ readonly id: string }> = ROWS[list].read;
    const ids = new Set<string>();
    const passed: { readonly id: string }[] = [];
    for (const [n, row] of file[list].entries()) {
      if (faults.length >= MOST_FILE_FAULTS) break;
      const at = `${list}[${n}]`;
      const read = door(row, at);
      if (!read.ok) faults.push(...read.faults.slice(0, MOST_FILE_FAULTS - faults.length));
      else if (ids.has(read.value.id)) faults.push(dataFault(at, 'id twice'));
      else {
        ids.add(read.value.id);
        passed.push(read.value);
      }
    }
    return passed;
  };
  const read = Object.fromEntries(KEPT.map((list) => [list, pass(list)])) as unknown as Collection;
  return faults.length ? null : read;
}

const byId = <T extends { id: string }>(list: readonly T[]) =>
  [...list].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));

/** A piece of text and the file it belongs to, counted from 0. */
export interface FilePiece {
  readonly file: number;
  readonly text: string;
}
const opening = (kind: StudyFile['kind']) =>
  `{\n "format": ${JSON.stringify(FORMAT)},\n "version": ${FORMAT_VERSION},\n "kind": ${JSON.stringify(kind)}`;
const emptyList = (list: Kept) => `,\n "${list}": []`;
const closing = '\n}\n';
/** No letter takes more bytes. */
const BYTES_A_LETTER = 3;
/** Kept free in every file for its head and its empty lists. */
const ROOM_FOR_LISTS = 1_000;

/**
 * The text of a shelf's files in their order, one thing of the shelf a piece: who writes a large shelf can rest
 * between them. A shelf that is larger than what a file may hold goes on in another one.
 * @param collection lists that are left out are empty
 * @param most bytes of a file at the most
 */
export function* filePieces(
  kind: StudyFile['kind'],
  collection: Partial<Collection>,
  most: number = LARGEST_FILE,
): Generator<FilePiece> {
  let file = 0;
  let bytes = 0;
  yield { file, text: opening(kind) };
  for (const [place, list] of KEPT.entries()) {
    let n = 0;
    for (const thing of byId<{ id: string }>(collection[list] ?? [])) {
      const text = `\n  ${JSON.stringify(thing, null, 1).replace(/\n/g, '\n  ')}`;
      const size = text.length * BYTES_A_LETTER;
      const full = (most < Infinity && n >= MOST_KEPT[list]) || (bytes > 0 && bytes + size + ROOM_FOR_LISTS > most);
      if (full) {
        const rest = KEPT.slice(n > 0 ? place + 1 : place).map(emptyList);
        yield { file, text: `${n > 0 ? '\n ]' : ''}${rest.join('')}${closing}` };
        file++;
        [bytes, n] = [0, 0];
        yield { file, text: opening(kind) + KEPT.slice(0, place).map(emptyList).join('') };
      }
      yield { file, text: `${n > 0 ? ',' : `,\n "${list}": [`}${text}` };
      bytes += size;
      n++;
    }
    yield { file, text: n > 0 ? '\n ]' : emptyList(list) };
  }
  yield { file, text: closing };
}
const write = (kind: StudyFile['kind'], c: Partial<Collection>): string =>
  [...filePieces(kind, c, Infinity)].map((piece) => piece.text).join('');

/** Everything, in an order that depends on the data alone: the same shelf always writes the same file. */
export const writeEverything = (collection: Partial<Collection>): string => write('everything', collection);
/**
 * One study; the log, hands and cycles of the player stay at home.
 * @param work what belongs to it and goes with it: its courses, and what was played of them
 */
export const writeStudy = (study: Study, work: Pick<Partial<Collection>, 'courses' | 'log'> = {}): string =>
  write('study', { ...work, studies: [study] });
