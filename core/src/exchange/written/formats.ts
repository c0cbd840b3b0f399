import type { Format } from './model.js';

/** What a file of a format is made of: a score's bytes, a text, sound, or pages. */
export type Made = 'score' | 'text' | 'sound' | 'pages';
export interface FormatRow {
  /** Of a file that is written. */
  readonly ending: string;
  /** Media type. */
  readonly type: string;
  readonly made: Made;
  /** The format whose losses it has; null where it holds all that is heard or seen. */
  readonly losesAs: Format | null;
  /** Endings of files that are read as it; none where none are. */
  readonly read: readonly string[];
}
/** Every format of score files, in the order in which they are offered: all that the program knows of one. */
export const SCORE_FORMATS = {
  pdf: { ending: 'pdf', type: 'application/pdf', made: 'pages', losesAs: null, read: [] },
  sheet: { ending: 'pdf', type: 'application/pdf', made: 'pages', losesAs: null, read: [] },
  musicxml: {
    ending: 'musicxml',
    type: 'application/vnd.recordare.musicxml+xml',
    made: 'score',
    losesAs: 'musicxml',
    read: ['musicxml', 'xml'],
  },
  'compressed musicxml': {
    ending: 'mxl',
    type: 'application/vnd.recordare.musicxml',
    made: 'score',
    losesAs: 'musicxml',
    read: ['mxl'],
  },
  midi: { ending: 'mid', type: 'audio/midi', made: 'score', losesAs: 'midi', read: ['mid', 'midi'] },
  wav: { ending: 'wav', type: 'audio/wav', made: 'sound', losesAs: null, read: [] },
  tablature: { ending: 'txt', type: 'text/plain', made: 'text', losesAs: 'tablature', read: ['txt', 'tab'] },
} as const satisfies Readonly<Record<string, FormatRow>>;
export type ScoreFormat = keyof typeof SCORE_FORMATS;
/** Formats of which a whole file is made of the score alone. */
export type FileFormat = {
  [F in ScoreFormat]: (typeof SCORE_FORMATS)[F]['made'] extends 'score' ? F : never;
}[ScoreFormat];
/**
 * Whether a file's bytes are the score's own: the rest is put together where its words, fonts or sounds are.
 * @example isFileFormat('wav') // false
 */
export const isFileFormat = (format: ScoreFormat): format is FileFormat => SCORE_FORMATS[format].made === 'score';
