import { ARPEGGIOS } from './arpeggios.js';
import { BLOCKS } from './blocks.js';
import { OVER_BASSES } from './over-basses.js';
import { RUNS } from './runs.js';
import { THUMB_LINES } from './thumb-lines.js';
import { TREMOLOS } from './tremolos.js';
import { MIXED } from './mixed.js';
import type { Lesson } from './model.js';

export { LEFT_HAND_LESSONS } from './left-hand.js';
export { BOTH_HANDS } from './both-hands.js';
export type { Lesson } from './model.js';
export { PLECTRUM } from './plectrum.js';
export { KEY_LESSONS, MOVE_LESSONS, ROW_LESSONS } from './rows.js';
export { STROKES } from './strokes.js';
/** What is taught of the right hand, kind by kind. The next wrong answer is written down here first. */
export const LESSONS: readonly Lesson[] = [
  ...RUNS,
  ...ARPEGGIOS,
  ...TREMOLOS,
  ...OVER_BASSES,
  ...THUMB_LINES,
  ...BLOCKS,
  ...MIXED,
];
