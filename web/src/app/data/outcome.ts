import type { Place, Settings, StudyRow } from './rows';

/** What became of an operation. */
export type Outcome =
  | {
      readonly ok: true;
      readonly row?: StudyRow;
      /** Rows that nobody could foresee before it was done. */
      readonly touched?: readonly Place[];
      /** Rows of a bin entry that are no rows and stay where they are. */
      readonly stayed?: number;
      /** Revisions of studies that came, by their ids. */
      readonly revisions?: ReadonlyMap<string, number>;
    }
  /** Another tab has stored the study since, or deleted it: mine is kept beside it. */
  | { readonly ok: false; readonly theirs: StudyRow | null }
  /** A row that its own door would refuse is never written. */
  | { readonly ok: false; readonly refused: string }
  /** It can't be done, whatever the storage says. */
  | { readonly ok: false; readonly failed: string };
/** Told to the other tabs after something was stored: which rows, or null for all there are. */
export interface Stored {
  readonly places: readonly Place[] | null;
  readonly settings?: Partial<Settings>;
  readonly bin?: boolean;
}
