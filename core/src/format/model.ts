import type { AccentCycle } from '../cycle/index.js';
import type { DataFault, Fact } from '../fault/index.js';
import type { Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import type { Course, Goal, LogEntry, SessionPlan, TakeRecord } from '../practice/index.js';
import type { OwnCell } from '../script/index.js';

export const FORMAT = 'ruffle-wheel';
/** Raised when a field changes meaning; older files are brought forward, later ones refused. */
export const FORMAT_VERSION = 4;
/** Larger files are refused before they are read. */
export const LARGEST_FILE = 20 * 1024 * 1024;

/** How many of each a file holds, and the shelf with it. */
export const MOST_KEPT = {
  studies: 500,
  log: 50_000,
  profiles: 50,
  cycles: 500,
  cells: 500,
  goals: 500,
  courses: 500,
  plans: 10_000,
  takes: 20_000,
} as const;
/** Faults told of one file; reading ends there. */
export const MOST_FILE_FAULTS = 100;

/** Everything that a player keeps. */
export interface Collection {
  readonly studies: readonly Study[];
  readonly log: readonly LogEntry[];
  readonly profiles: readonly HandProfile[];
  readonly cycles: readonly AccentCycle[];
  /** The player's own cells. */
  readonly cells: readonly OwnCell[];
  readonly goals: readonly Goal[];
  readonly courses: readonly Course[];
  /** Sessions that were planned, with what became of them. */
  readonly plans: readonly SessionPlan[];
  /** What is known of takes; their sound is kept apart. */
  readonly takes: readonly TakeRecord[];
}
/** What a shelf has many of. */
export type Kept = keyof Collection;
export const KEPT: readonly Kept[] = [
  'studies',
  'log',
  'profiles',
  'cycles',
  'cells',
  'goals',
  'courses',
  'plans',
  'takes',
];
/** Lists that came with version 4. */
export const KEPT_SINCE_4 = ['goals', 'courses', 'plans', 'takes'] as const satisfies readonly Kept[];
export interface StudyFile extends Collection {
  readonly format: typeof FORMAT;
  readonly version: typeof FORMAT_VERSION;
  /** One study alone, or all there is. */
  readonly kind: 'study' | 'everything';
}
export type FileRefusal =
  'too large' | 'empty' | 'damaged letters' | 'not JSON' | 'not ours' | 'later version' | 'faulty';
export type FileFaultCode =
  | 'file empty'
  | 'file too large'
  | 'file’s letters'
  | 'file breaks off'
  | 'file goes on'
  | 'JSON damaged'
  | 'no JSON'
  | 'another’s file'
  | 'later version'
  | 'no version'
  | 'faults in the file'
  | 'too many faults in the file';
export type FileReading =
  | { readonly ok: true; readonly file: StudyFile }
  | {
      readonly ok: false;
      readonly code: FileRefusal;
      /** What is wrong with it as a whole. */
      readonly why: Fact<FileFaultCode>;
      readonly faults: readonly DataFault[];
    };
