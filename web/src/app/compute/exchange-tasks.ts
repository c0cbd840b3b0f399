import {
  type AccentCycle,
  type FormPlace,
  type HandProfile,
  type Loss,
  type NotatedBar,
  isFileFormat,
  practiceSheet,
  type Scope,
  SCORE_FORMATS,
  type ScoreFormat,
  type SheetSection,
  type Study,
  studyTablature,
  type TablaturePart,
  writtenPlaces,
} from '@ruffle-wheel/core';
import {
  type FileImport,
  type FileSetting,
  importFile,
  knownSessions,
  logCsv,
  type LogCsvReading,
  practiceTrack,
  readLogFile,
  scopeLosses,
  scoreFile,
  type TrackWishes,
  wavBytes,
} from '@ruffle-wheel/core/exchange';
import type { LogEntry } from '@ruffle-wheel/core';
import type { MidiNames } from '@ruffle-wheel/core/exchange';
import type { Progress } from './protocol';

/** A study, or part of it, in a format. */
export interface OutAsk {
  readonly study: Study;
  readonly profile: HandProfile;
  readonly scope: Scope;
  readonly format: ScoreFormat;
  /** Tablature of the right hand alone. */
  readonly rightHand?: boolean;
}
/** What a format would lose, and the text where it is one. */
export interface OutLook {
  readonly losses: readonly Loss[];
  readonly tablature: readonly TablaturePart[];
}
/** A section as its page has it. */
export interface StandSection extends Omit<FormPlace, 'section'> {
  readonly name: string;
  readonly cycle: AccentCycle;
  readonly bpm: number;
  readonly bars: readonly NotatedBar[];
}
export type InSetting = Omit<FileSetting, 'progress'> & { readonly cycle: AccentCycle };

/** What the exchange worker can be asked. */
export interface ExchangeTasks {
  look(ask: OutAsk): OutLook;
  /** @param names what the tracks of a MIDI file are called */
  file(ask: OutAsk, names: MidiNames): Uint8Array;
  /** Null where it is too long, or has not the part that is wished. */
  track(ask: OutAsk, wishes: TrackWishes, progress: Progress): Uint8Array | null;
  read(bytes: Uint8Array, setting: InSetting, progress: Progress): FileImport;
  logTable(log: readonly LogEntry[]): string;
  /** @param log what is kept: sessions that the table does not name are found in it */
  readLogTable(bytes: Uint8Array, log: readonly LogEntry[]): LogCsvReading;
  /** Sections as their pages have them. */
  stand(ask: OutAsk): StandSection[];
  sheet(ask: OutAsk): SheetSection[];
}
/** The worker exposes it, tests call it in the page. */
export const exchangeTasks: ExchangeTasks = {
  look: ({ study, profile, scope, format, rightHand }) => {
    const { losesAs, made } = SCORE_FORMATS[format];
    return {
      tablature: made === 'text' ? studyTablature(study, profile, scope, rightHand) : [],
      losses: losesAs ? scopeLosses(study, profile, scope, losesAs) : [],
    };
  },
  file: ({ study, profile, scope, format }, names) =>
    isFileFormat(format) ? scoreFile(study, profile, scope, format, names) : new Uint8Array(),
  track: ({ study, profile, scope }, wishes, progress) => {
    const track = practiceTrack(study, profile, scope, wishes);
    return track && wavBytes(track, wishes.volumes, progress);
  },
  read: (bytes, setting, progress) => importFile(bytes, { ...setting, progress }),
  logTable: (log) => logCsv(log),
  readLogTable: (bytes, log) => {
    const read = readLogFile(bytes);
    return 'log' in read ? { log: knownSessions(read, log) } : read;
  },
  sheet: ({ study, profile, scope }) => practiceSheet(study, profile, scope),
  stand: ({ study, profile, scope }) =>
    writtenPlaces(study, profile, scope, { as: 'page' }).map(({ section, bars, opens, closes, ending }) => ({
      name: section.name,
      cycle: section.cycle,
      bpm: section.bpm,
      bars,
      opens,
      closes,
      ending,
    })),
};
