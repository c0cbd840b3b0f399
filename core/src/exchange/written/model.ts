import type { Fact } from '../../fault/index.js';

/** Formats that a score is written in. */
export type Format = 'musicxml' | 'midi' | 'tablature';
/** What of a score a format can't hold; about: how many strokes it concerns. */
export type LossCode =
  | 'marks'
  | 'left fingers'
  | 'strums'
  | 'strokes without strings'
  | 'worked out'
  | 'places'
  | 'ligados'
  | 'dead strings'
  | 'unisons'
  | 'chord names'
  | 'words'
  | 'words between notes'
  | 'goes on';
export type Loss = Fact<LossCode>;
