import type { Operation } from './operations';
import { nameOfRow } from './rows';

/** Work that will not be stored by trying again: kept until the player has exported it or lets it go. */
export interface Aside {
  readonly key: string;
  /** Names what it is about; '' where nobody can tell. */
  readonly name: string;
  /** Why, in words. */
  readonly why: string;
  /** The operation, or the journal, as it was written. */
  readonly text: string;
}
/** Names what an operation is about. */
export function nameOf(operation: Operation): string {
  switch (operation.kind) {
    case 'study':
      return operation.study.name;
    case 'row':
      return nameOfRow(operation.row);
    case 'exchange':
    case 'settle':
      return operation.name;
    default:
      return '';
  }
}
