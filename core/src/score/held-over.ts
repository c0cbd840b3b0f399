import { hasMark } from '../stroke/index.js';
import type { HeldOver, Score } from './model.js';

/**
 * Strokes that are held on while the chord changes under them: ties over a change. A stroke that is marked as the next
 * chord's belongs to it already.
 */
export function heldOver({ events, chords }: Pick<Score, 'events' | 'chords'>): HeldOver[] {
  return events.flatMap((e, event): HeldOver[] => {
    if (e.notes.length === 0 || hasMark(e.motion, '>') || hasMark(e.motion, '^') || hasMark(e.motion, "'")) return [];
    const chord = chords.findIndex((c) => c.at > e.at && c.at < e.at + e.duration);
    return chord < 0 ? [] : [{ event, chord }];
  });
}
