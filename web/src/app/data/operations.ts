import { KEPT, type Kept, type Study } from '@ruffle-wheel/core';
import { type BinKind, isTypedRow, type Place, type PlacedRow, type Settings, type Shelf, type StudyRow } from './rows';

/** On what an edit was made: a revision, or a save of this tab that was still on its way. */
export interface Base {
  readonly revision: number;
  /** `savedAt` of the save that may have landed meanwhile; it counts as the base as well. */
  readonly orSavedAt?: string;
}
/** An edit of a study; it is stored only where nobody else has stored another since. */
export interface StudyEdit {
  readonly kind: 'study';
  readonly study: Study;
  readonly savedAt: string;
  readonly base: Base;
}
export type OneRow = {
  [T in Exclude<Kept, 'studies'>]: { readonly table: T; readonly row: Shelf[T] };
}[Exclude<Kept, 'studies'>];
/**
 * Everything that is ever written, as plain data: it can be kept while storage refuses, written to the journal of a
 * tab that is left, and done again at the next start.
 */
export type Operation =
  | StudyEdit
  | ({ readonly kind: 'row' } & OneRow)
  | { readonly kind: 'settings'; readonly change: Partial<Settings> }
  /** What stands in a panel's field; '' takes it away. */
  | { readonly kind: 'typed'; readonly key: string; readonly text: string; readonly at: string }
  /** Rows that come, rows that go; what stood in their places goes to the bin, all in one transaction. */
  | {
      readonly kind: 'exchange';
      readonly id: string;
      readonly at: string;
      readonly what: BinKind;
      readonly name: string;
      readonly come: readonly PlacedRow[];
      readonly go: readonly Place[];
      /** Only where the tables of the shelf are found empty then; else nothing comes. */
      readonly ifEmpty?: true;
    }
  /** A bin entry's rows go back to where they were. */
  | { readonly kind: 'put back'; readonly id: string }
  /** The player has chosen between two versions of a study; mine goes to the bin unless it is kept as another study. */
  | {
      readonly kind: 'settle';
      readonly key: string;
      readonly id: string;
      readonly at: string;
      readonly name: string;
      readonly copy: StudyRow | null;
    };

/** Newer operations of one key take the place of older ones that still wait. Null: every one of them counts. */
export function keyOf(operation: Operation): string | null {
  switch (operation.kind) {
    case 'study':
      return `study ${operation.study.id}`;
    case 'row':
      return `${operation.table} ${operation.row.id}`;
    case 'settings':
      return 'settings';
    case 'typed':
      return `typed ${operation.key}`;
    default:
      return null;
  }
}
/** A waiting operation and a newer one of its key as one. */
export function joined(waiting: Operation, newer: Operation): Operation {
  if (waiting.kind === 'settings' && newer.kind === 'settings')
    return { kind: 'settings', change: { ...waiting.change, ...newer.change } };
  // The newer edit was made on the waiting one: on whatever that one stood.
  if (waiting.kind === 'study' && newer.kind === 'study')
    return { ...newer, base: { ...newer.base, revision: waiting.base.revision } };
  return newer;
}
/** Rows that an operation will have put, or taken away with null: what is shown until storage has them. */
export function foreseen(operation: Operation): (Place & { readonly row: PlacedRow['row'] | null })[] {
  switch (operation.kind) {
    case 'study': {
      const { study, savedAt, base } = operation;
      return [{ table: 'studies', id: study.id, row: { id: study.id, revision: base.revision, savedAt, study } }];
    }
    case 'row':
      return [{ table: operation.table, id: operation.row.id, row: operation.row }];
    case 'exchange':
      return [
        ...operation.go.map((p) => ({ ...p, row: null })),
        ...operation.come.map((p) => ({ table: p.table, id: p.row.id, row: p.row })),
      ];
    case 'settle':
      return operation.copy ? [{ table: 'studies', id: operation.copy.id, row: operation.copy }] : [];
    default:
      return [];
  }
}

const text = (value: unknown): value is string => typeof value === 'string' && value.length <= 200;
/** Whether a value names a row's place. */
export const isPlace = (value: unknown): value is Place => {
  const { table, id } = (value ?? {}) as { table?: unknown; id?: unknown };
  return KEPT.includes(table as Kept) && text(id);
};
/** Whether a value can be put into its table; its door has still to be asked. */
export const isPlacedRow = (value: unknown): value is PlacedRow => {
  const { table, row } = (value ?? {}) as { table?: unknown; row?: { id?: unknown } | null };
  return isPlace({ table, id: row?.id });
};
/** Whether something read back is an operation; its rows go through their doors when it is done. */
export function isOperation(value: unknown): value is Operation {
  if (typeof value !== 'object' || value === null) return false;
  const o = value as Record<string, unknown>;
  const listed = (list: unknown, each: (item: unknown) => boolean) => Array.isArray(list) && list.every(each);
  switch (o['kind']) {
    case 'study': {
      const base = o['base'] as Base | null;
      const id = (o['study'] as { id?: unknown } | null)?.id;
      return text(id) && text(o['savedAt']) && Number.isSafeInteger(base?.revision);
    }
    case 'row':
      return o['table'] !== 'studies' && isPlacedRow(o);
    case 'settings':
      return typeof o['change'] === 'object' && o['change'] !== null;
    case 'typed':
      return isTypedRow(o);
    case 'exchange':
      return (
        text(o['id']) && text(o['at']) && text(o['name']) && listed(o['come'], isPlacedRow) && listed(o['go'], isPlace)
      );
    case 'put back':
      return text(o['id']);
    case 'settle':
      return text(o['key']) && text(o['id']) && text(o['at']) && text(o['name']);
    default:
      return false;
  }
}
/** The row that an edit makes. */
export const rowOf = ({ study, savedAt }: StudyEdit, revision: number): StudyRow => ({
  id: study.id,
  revision,
  savedAt,
  study,
});
