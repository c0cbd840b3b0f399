import { readPassage } from '../../passage/index.js';
import type { LineRequest } from './model.js';

/** How each note is struck: a rest stroke is a run's alone, and is asked for. */
export function strokesOf(request: Pick<LineRequest, 'notes' | 'bpm' | 'profile' | 'stroke'>): ('rest' | 'free')[] {
  const { kinds, bass } = readPassage(request);
  return kinds.map((kind, i) => (request.stroke === 'rest' && kind === 'run' && !bass[i] ? 'rest' : 'free'));
}
/** The stroke that a line begins with: rest strokes where all of it is a run. */
export const usualStroke = (request: Pick<LineRequest, 'notes' | 'bpm' | 'profile'>): 'rest' | 'free' =>
  readPassage(request).kinds.every((k) => k === 'run') ? 'rest' : 'free';
