import Papa from 'papaparse';
import { type Fact, fact } from '../../fault/index.js';
import { LARGEST_FILE, MOST_KEPT, readLogRow } from '../../format/index.js';
import type { LogEntry } from '../../practice/index.js';
import { decoded } from '../musicxml/door.js';

const COLUMNS = [
  'session',
  'started',
  'minutes',
  'study id',
  'study',
  'section id',
  'section',
  'drill',
  'tempo',
  'clean',
  'pain',
] as const;
type Column = (typeof COLUMNS)[number];
type Row = Record<Column, string>;
/** Without these a line is no practice. */
const NEEDED: readonly Column[] = ['started', 'study', 'section', 'tempo', 'clean'];

/** What a program for tables would take for a formula is marked as text. */
const plain = (text: string): string => (/^[=+\-@\t']/.test(text) ? `'${text}` : text);
const unmarked = (text: string): string => (text.startsWith("'") ? text.slice(1) : text);

/**
 * The log as a table, a line a pass; a session without passes has one line without a tempo.
 * @example logCsv([]).startsWith('session,started,minutes') // true
 */
export function logCsv(log: readonly LogEntry[]): string {
  const rows = log.flatMap((e): Row[] => {
    const own = {
      session: plain(e.id),
      started: e.startedAt,
      minutes: String(e.minutes),
      'study id': plain(e.studyId),
      study: plain(e.studyName),
      'section id': plain(e.sectionId ?? ''),
      section: plain(e.sectionName),
      drill: plain(e.drill ?? ''),
      pain: e.pain ? 'yes' : 'no',
    };
    const passes = e.passes.length ? e.passes : [null];
    return passes.map((p) => ({ ...own, tempo: p ? String(p.bpm) : '', clean: p ? (p.clean ? 'yes' : 'no') : '' }));
  });
  return Papa.unparse({ fields: [...COLUMNS], data: rows });
}

export type LogCsvFault =
  | 'file empty'
  | 'file too large'
  | 'columns wanted'
  | 'columns twice'
  | 'line broken'
  | 'line faulty'
  | 'too many lines'
  | 'letters no UTF-8';
export type LogCsvReading =
  | {
      readonly log: readonly LogEntry[];
      /** Sessions that the table does not name: told apart by study, section, drill and beginning. */
      readonly unnamed?: ReadonlySet<string>;
    }
  | { readonly faults: readonly Fact<LogCsvFault>[] };
/** Faults told of one table. */
const MOST_FAULTS = 20;

/**
 * A log from a table as a file: letters in UTF-8, or in UTF-16 with its mark. Those of older code pages are alike byte by
 * byte, so that nobody can tell which they are: they are refused, not guessed.
 */
export function readLogFile(bytes: Uint8Array): LogCsvReading {
  if (bytes.length > LARGEST_FILE) return { faults: [fact('file too large', bytes.length, LARGEST_FILE)] };
  const text = decoded(bytes);
  return typeof text === 'string' ? readLogCsv(text) : { faults: [fact('letters no UTF-8')] };
}
/** A session by what it was, where no table names it. */
const unnamedSession = (e: Pick<LogEntry, 'startedAt' | 'studyName' | 'sectionName' | 'drill'>): string =>
  [e.startedAt, e.studyName, e.sectionName, e.drill ?? ''].join('\n');
/** The same in few letters. */
function shortOf(text: string): string {
  let [a, b] = [0x811c9dc5, 0x1b873593];
  for (let i = 0; i < text.length; i++) {
    a = Math.imul(a ^ text.charCodeAt(i), 0x01000193) >>> 0;
    b = Math.imul(b ^ text.charCodeAt(i), 0x85ebca6b) >>> 0;
  }
  return `table-${a.toString(36)}${b.toString(36)}`;
}
/**
 * Sessions that a table did not name under the ids that they have here already: what is there comes in no second time.
 * @param there the log that is kept
 */
export function knownSessions(read: Extract<LogCsvReading, { readonly log: unknown }>, there: readonly LogEntry[]) {
  const { unnamed } = read;
  if (!unnamed) return read.log;
  const ids = new Map(there.map((e) => [unnamedSession(e), e] as const));
  return read.log.map((e): LogEntry => {
    const own = unnamed.has(e.id) ? ids.get(unnamedSession(e)) : undefined;
    // What the table does not say of it stays as it is here.
    return own ? { ...own, minutes: e.minutes, passes: e.passes, pain: e.pain } : e;
  });
}

/**
 * A log from a table: all of it, or the faults by their lines. Lines of one session belong together; a table without
 * sessions has one for each study, section and beginning.
 */
export function readLogCsv(text: string): LogCsvReading {
  if (text.length > LARGEST_FILE) return { faults: [fact('file too large', text.length, LARGEST_FILE)] };
  if (text.trim() === '') return { faults: [fact('file empty')] };
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), { skipEmptyLines: 'greedy' });
  const [head = [], ...lines] = data;
  const columns = head.map((h) => h.trim().toLowerCase());
  const missing = NEEDED.filter((c) => !columns.includes(c));
  if (missing.length) return { faults: [fact('columns wanted', ...missing)] };
  if (new Set(columns).size < columns.length) return { faults: [fact('columns twice')] };
  const quotes = errors.filter((e) => e.type === 'Quotes').map((e) => (e.row ?? 0) + 1);
  const uneven = lines.flatMap((cells, n) => (cells.length === columns.length ? [] : [n + 2]));
  const broken = [...new Set([...quotes, ...uneven])].sort((x, y) => x - y);
  if (broken.length) return { faults: broken.slice(0, MOST_FAULTS).map((line) => fact('line broken', line)) };
  if (lines.length > MOST_KEPT.log * 4) return { faults: [fact('too many lines', lines.length)] };
  const rows = lines.map((cells) => Object.fromEntries(columns.map((c, n) => [c, cells[n] ?? ''])) as Partial<Row>);
  const unnamed = new Set<string>();
  const entries = new Map<string, { entry: Record<string, unknown> & { passes: unknown[] }; line: number }>();
  rows.forEach((row, n) => {
    const of = (column: Column) => unmarked((row[column] ?? '').trim());
    const named = of('session');
    const [startedAt, studyName, sectionName, drill] = [of('started'), of('study'), of('section'), of('drill')];
    const id = named || shortOf(unnamedSession({ startedAt, studyName, sectionName, drill }));
    if (!named) unnamed.add(id);
    const there = entries.get(id);
    const pass = of('tempo') === '' ? [] : [{ bpm: Number(of('tempo')), clean: yes(of('clean')) }];
    if (there) {
      there.entry.passes.push(...pass);
      return;
    }
    const optional = (key: string, value: string) => (value === '' ? {} : { [key]: value });
    const entry = {
      id,
      studyId: of('study id') || of('study').slice(0, 80),
      studyName: of('study'),
      sectionName: of('section'),
      ...optional('sectionId', of('section id')),
      ...optional('drill', of('drill')),
      startedAt: of('started'),
      minutes: Number(of('minutes') || 0),
      passes: pass,
      pain: yes(of('pain')),
    };
    entries.set(id, { entry, line: n + 2 });
  });
  const log: LogEntry[] = [];
  const faults: Fact<LogCsvFault>[] = [];
  for (const { entry, line } of entries.values()) {
    const checked = readLogRow(entry);
    if (checked.ok) log.push(checked.value);
    else if (faults.length < MOST_FAULTS) faults.push(fact('line faulty', line, checked.faults[0]?.path ?? ''));
  }
  return faults.length ? { faults } : unnamed.size ? { log, unnamed } : { log };
}
/** Null for what is neither, which the door refuses. */
const yes = (text: string): boolean | null =>
  /^(?:yes|y|true|1|x)$/i.test(text) ? true : /^(?:no|n|false|0)?$/i.test(text) ? false : null;
