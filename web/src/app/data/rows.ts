import type { Collection, DataFault, Kept, PageLook, Study, TimeKeeping } from '@ruffle-wheel/core';

/** A study as stored. The revision goes up by one with every save, so that a tab sees when another has saved. */
export interface StudyRow {
  readonly id: string;
  readonly revision: number;
  /** ISO date and time of the last save, for the order on the shelf. Empty where the row names none that can be read. */
  readonly savedAt: string;
  readonly study: Study;
}
/** A row's revision as it counts: one that is no number is none. */
export const revisionOf = (row: { readonly revision?: unknown } | undefined): number =>
  Number.isSafeInteger(row?.revision) ? Math.max(0, row?.revision as number) : 0;
export type Theme = 'system' | 'day' | 'stage';
/** What the player has set for the whole application. */
export interface Settings {
  readonly key: 'player';
  readonly seeded: boolean;
  readonly theme: Theme;
  /** The wheel turns under a fixed hand instead of the hand going round. */
  readonly wheelTurns: boolean;
  /** The neck as a left-handed player sees it. */
  readonly neckMirrored?: boolean;
  /** Buttons beside what is written; where nobody has asked, where the pointer is a finger. */
  readonly buttons?: boolean;
  /** What a page shows; staff and tablature where nobody has asked. */
  readonly page?: PageLook;
  /** Strums on one shape again and again as slashes. */
  readonly slashes?: boolean;
  /** Letters and digits are keys; Space, Enter and the pedal are so always. */
  readonly letterKeys?: boolean;
  /** What this is was said once, or never asked for: it is not said again. */
  readonly welcomed?: boolean;
  /** Studies of the set, in their order. */
  readonly set?: readonly string[];
  /** What keeps the time; claps on the accents and a click on the beats where nobody has asked. */
  readonly time?: TimeKeeping;
  readonly countIn: boolean;
  readonly loop: boolean;
  readonly guitar: number;
  readonly claps: number;
  readonly click: number;
  readonly profileId: string;
  readonly studyId: string;
  readonly sectionId: string;
}
/** Settings that may be missing. */
export const OPTIONAL_SETTINGS = [
  'neckMirrored',
  'buttons',
  'page',
  'slashes',
  'letterKeys',
  'welcomed',
  'time',
  'set',
] as const satisfies readonly (keyof Settings)[];
export const DEFAULT_SETTINGS: Settings = {
  key: 'player',
  seeded: false,
  theme: 'system',
  wheelTurns: false,
  countIn: true,
  loop: true,
  guitar: 0.8,
  claps: 0.5,
  click: 0.3,
  profileId: '',
  studyId: '',
  sectionId: '',
};
/** Where a tab stands is its own; everything else that is set holds in all tabs. */
export const OWN_TO_A_TAB: readonly (keyof Settings)[] = ['studyId', 'sectionId'];

/** What the tables of the shelf hold. */
export type Shelf = { readonly [T in Kept]: T extends 'studies' ? StudyRow : Collection[T][number] };
export type Row = Shelf[Kept];
/** What a row is called: a study’s name, an own name, what was practised; '' of what has none. */
export const nameOfRow = (row: Row): string =>
  'study' in row ? row.study.name : 'name' in row ? row.name : 'studyName' in row ? row.studyName : '';
export interface Place {
  readonly table: Kept;
  readonly id: string;
}
/** A row with the table it belongs to. */
export type PlacedRow = { [T in Kept]: { readonly table: T; readonly row: Shelf[T] } }[Kept];

/** A stored row that did not pass its check. It stays where it is and is never handed on. */
export interface DamagedRow {
  readonly table: Kept;
  /** The key it is stored under. */
  readonly id: string;
  /** The first thing that speaks against it, where it is known. */
  readonly fault: DataFault | null;
}

/** Something of the player's that was deleted or overwritten, kept so that it can be put back. */
export interface BinEntry {
  readonly id: string;
  /** ISO date and time. */
  readonly at: string;
  readonly what: BinKind;
  /** Names what is gone: a study's, a hand's, a file's. */
  readonly name: string;
  /** How many rows it holds. */
  readonly rows: number;
  /** Rows that came with the act; they go when it is taken back. */
  readonly came: readonly Place[];
}
const BIN_KINDS = ['deleted', 'replaced', 'cleared', 'other version', 'unread'] as const;
export type BinKind = (typeof BIN_KINDS)[number];
/** Whether a stored row is a bin entry that can be listed and put back. */
export function isBinEntry(row: Partial<BinEntry>): row is BinEntry {
  return (
    typeof row.id === 'string' &&
    typeof row.at === 'string' &&
    !Number.isNaN(Date.parse(row.at)) &&
    BIN_KINDS.includes(row.what as BinKind) &&
    typeof row.name === 'string' &&
    typeof row.rows === 'number' &&
    Array.isArray(row.came)
  );
}
/** One row of a bin entry, as it was stored. */
export interface BinnedRow {
  readonly n?: number;
  readonly entry: string;
  readonly table: Kept;
  readonly row: unknown;
}
/** A study changed in this tab while another tab stored another version: both are kept until the player chooses. */
export interface UnsettledRow {
  /** Study and tab. */
  readonly key: string;
  readonly id: string;
  readonly mine: Study;
}

/** What stands in a panel's own field, by field and section. */
export interface TypedRow {
  readonly key: string;
  readonly text: string;
  readonly at: string;
}
const LONGEST_KEY = 200;
/** Longer than any field takes. */
const LONGEST_TEXT = 100_000;
export function isTypedRow(value: unknown): value is TypedRow {
  const { key, text, at } = (value ?? {}) as Record<string, unknown>;
  const short = (v: unknown, most: number) => typeof v === 'string' && v.length <= most;
  return short(key, LONGEST_KEY) && short(text, LONGEST_TEXT) && short(at, LONGEST_KEY);
}
/** Whether two studies are the same to the letter. */
export const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
