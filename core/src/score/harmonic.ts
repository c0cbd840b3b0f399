import { NODES } from '../instrument/index.js';
import { markRow, marksOn, type Motion } from '../stroke/index.js';
import type { ScoreNote } from './model.js';

/** Whether a note is to be a harmonic: touched at its fret, not pressed. */
export const isTouched = (motion: Motion, { string }: Pick<ScoreNote, 'string'>): boolean =>
  marksOn(motion, string).some((m) => markRow(m).node);
/** Whether it is one: a node lies over its fret. */
export const isHarmonic = (motion: Motion, note: Pick<ScoreNote, 'string' | 'fret'>): boolean =>
  isTouched(motion, note) && NODES.includes(note.fret);
