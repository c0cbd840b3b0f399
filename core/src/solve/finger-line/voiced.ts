import { readPassage } from '../../passage/index.js';
import type { LineNote, LineRequest } from './model.js';

/**
 * The same line with every note given to the thumb or to the fingers as its voices are read: what the schools finger that
 * know of none. What is settled already stays.
 */
export function voiced<R extends Pick<LineRequest, 'notes' | 'bpm' | 'profile'>>(request: R): R {
  const { bass, kinds } = readPassage(request);
  const strings = new Set(request.notes.flatMap((n) => n.strings));
  // On one string every order may be practised, the thumb’s too.
  if (strings.size === 1 && kinds[0] === 'run') return request;
  const notes = request.notes.map((n, i): LineNote => {
    if (n.layer || n.pinned || n.strings.length > 1) return n;
    return { ...n, layer: bass[i] ? 'thumb' : 'fingers' };
  });
  return { ...request, notes };
}
