import type { Fact } from '../fault/index.js';

/** What of a score a format can't hold; about: how many strokes it concerns. */
export type LossCode =
  'lengths' | 'marks' | 'left fingers' | 'strum fingers' | 'strokes without strings' | 'between steps';
export type Loss = Fact<LossCode>;
