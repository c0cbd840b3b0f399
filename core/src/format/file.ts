import { checkCycle, type DataFault } from '../cycle/index.js';
import { checkCell } from '../pattern/index.js';
import type { Study } from '../piece/index.js';
import {
  FORMAT,
  FORMAT_VERSION,
  LARGEST_FILE,
  type Collection,
  type FileReading,
  type FileRefusal,
  type StudyFile,
} from './model.js';
import { schemaFault, studyFaults } from './rows.js';
import { fileSchema } from './schemas.js';

const refuse = (code: FileRefusal, message: string, faults: readonly DataFault[] = []): FileReading => ({
  ok: false,
  code,
  message,
  faults,
});
const megabytes = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MB`;

/** To be asked before a file is read at all. Null when its size is no obstacle. */
export function refuseBySize(bytes: number): FileReading | null {
  if (bytes === 0) return refuse('empty', 'The file is empty. Choose a file that Ruffle Wheel exported.');
  return bytes > LARGEST_FILE
    ? refuse(
        'too large',
        `The file has ${megabytes(bytes)}; ${megabytes(LARGEST_FILE)} is the most. A whole shelf of studies takes less than one.`,
      )
    : null;
}

/** Reads an exported file. Refusals say why and what would work; nothing is thrown. */
export function readFile(text: string): FileReading {
  const tooLarge = refuseBySize(text.length);
  if (tooLarge) return tooLarge;
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    const cut = /^\s*[{[]/.test(text) && !/[}\]]\s*$/.test(text);
    return refuse(
      'not JSON',
      cut
        ? 'The file breaks off before its end. Export it again, or fetch the whole file.'
        : 'This is not a study file: it is no JSON. Choose a file that Ruffle Wheel exported.',
    );
  }
  const head = raw as { format?: unknown; version?: unknown } | null;
  if (typeof head !== 'object' || head === null || head.format !== FORMAT)
    return refuse(
      'not ours',
      'This file is JSON, but no study file of Ruffle Wheel. Choose one exported from the Shelf.',
    );
  if (typeof head.version === 'number' && head.version > FORMAT_VERSION)
    return refuse(
      'later version',
      `The file has version ${head.version}; this Ruffle Wheel reads up to ${FORMAT_VERSION}. Update it, or export from the older one.`,
    );
  const present = bringForward(head);
  if (!present) return refuse('faulty', 'The file names no version that was ever used.');
  const { error, value } = fileSchema.validate(present, { abortEarly: false, convert: false }) as {
    error?: { details: readonly { path: readonly (string | number)[]; message: string }[] };
    value: StudyFile;
  };
  const faults = error ? error.details.map(schemaFault) : fileFaults(value);
  if (faults.length)
    return refuse(
      'faulty',
      `The file has ${faults.length === 1 ? 'a fault' : `${faults.length} faults`}; nothing was taken from it.`,
      faults,
    );
  return { ok: true, file: value };
}

/** An older file as the present version would have written it; null when its version never was. */
function bringForward(file: { readonly version?: unknown }): object | null {
  // Version 1 knew no cells of the player's own.
  if (file.version === 1) return { ...file, version: FORMAT_VERSION, cells: [] };
  return file.version === FORMAT_VERSION ? file : null;
}

const fileFaults = (file: StudyFile): DataFault[] => [
  ...file.studies.flatMap((s, i) => studyFaults(s, `studies[${i}].`)),
  ...file.cells.flatMap((c, i) => checkCell(c).map((f) => ({ path: `cells[${i}].${f.path}`, message: f.message }))),
  ...file.cycles.flatMap((c, i) => checkCycle(c).map((f) => ({ path: `cycles[${i}].${f.path}`, message: f.message }))),
];

const byId = <T extends { id: string }>(list: readonly T[]) => [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
const write = (kind: StudyFile['kind'], c: Collection): string =>
  JSON.stringify(
    {
      format: FORMAT,
      version: FORMAT_VERSION,
      kind,
      studies: byId(c.studies),
      log: byId(c.log),
      profiles: byId(c.profiles),
      cycles: byId(c.cycles),
      cells: byId(c.cells),
    } satisfies StudyFile,
    null,
    1,
  ) + '\n';

/** Everything, in an order that depends on the data alone: the same shelf always writes the same file. */
export const writeEverything = (collection: Collection): string => write('everything', collection);
/** One study; the log, hands and cycles of the player stay at home. */
export const writeStudy = (study: Study): string =>
  write('study', { studies: [study], log: [], profiles: [], cycles: [], cells: [] });
