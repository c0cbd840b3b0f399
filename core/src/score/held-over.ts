import { markRow, type Motion } from '../stroke/index.js';
import type { HeldOver, Score } from './model.js';

const endsItself = (m: Motion): boolean => m.kind !== 'ghost' && m.marks.some((mark) => markRow(mark).overChange);

/**
 * Strokes that are held on while the chord changes under them: ties over a change. A stroke that is marked as the next
 * chord's belongs to it already.
 */
export function heldOver({ events, chords }: Pick<Score, 'events' | 'chords'>): HeldOver[] {
  let chord = 0;
  return events.flatMap((e, event): HeldOver[] => {
    // Events come in their order, and so do chords.
    while (chord < chords.length && (chords[chord]?.at ?? 0) <= e.at) chord++;
    if (e.notes.length === 0 || endsItself(e.motion)) return [];
    const next = chords[chord];
    return next && next.at < e.at + e.duration ? [{ event, chord }] : [];
  });
}
