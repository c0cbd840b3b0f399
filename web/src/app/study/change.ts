import type { Study } from '@ruffle-wheel/core';
import type { Place } from '../data';

/** Rows that became others without the open study's own doing. */
export interface Change {
  /** Null when it may be any. */
  readonly places: readonly Place[] | null;
  /** Another tab has stored them. */
  readonly elsewhere: boolean;
}
/** Two versions of one study, between which the player has to choose. */
export interface Conflict {
  readonly key: string;
  readonly id: string;
  readonly mine: Study;
}
