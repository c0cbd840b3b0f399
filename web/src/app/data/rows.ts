import type { AccentCycle, HandProfile, LogEntry, OwnCell, Study } from '@ruffle-wheel/core';

/** A study as stored. The revision goes up by one with every save, so that a tab sees when another has saved. */
export interface StudyRow {
  readonly id: string;
  readonly revision: number;
  /** ISO date and time of the last save, for the order on the shelf. */
  readonly savedAt: string;
  readonly study: Study;
}
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
  readonly countIn: boolean;
  readonly loop: boolean;
  readonly guitar: number;
  readonly claps: number;
  readonly click: number;
  readonly profileId: string;
  readonly studyId: string;
  readonly sectionId: string;
}
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
export type Row = StudyRow | LogEntry | HandProfile | AccentCycle | OwnCell | Settings;
/** A stored row that did not pass its check. It stays where it is and is never handed on. */
export interface DamagedRow {
  readonly table: string;
  readonly id: string;
  readonly message: string;
}
