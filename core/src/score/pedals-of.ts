import { pedalNotes, type PassageNote, struckAs } from '../passage/index.js';
import type { ScoreEvent } from './model.js';

const known = new WeakMap<readonly ScoreEvent[], ReadonlySet<ScoreEvent>>();

/**
 * The strokes of a score whose string is a pedal, struck again and again open beside a voice that moves: it rings though
 * nothing says so.
 * @example pedalsOf(scoreOf(makeStudy('s', 'Stair').sections[0], makeStudy('s', 'Stair')).events).size // 0
 */
export function pedalsOf(events: readonly ScoreEvent[]): ReadonlySet<ScoreEvent> {
  const there = known.get(events);
  if (there) return there;
  const struck = events.filter((e) => e.notes.length > 0);
  const notes = struck.map(({ at, motion, notes: own }): PassageNote => ({
    at,
    strings: own.map((n) => n.string),
    frets: own.map((n) => n.fret),
    ...struckAs(motion),
  }));
  const found = pedalNotes({ notes });
  const pedals = new Set(struck.filter((_, i) => found.has(i)));
  known.set(events, pedals);
  return pedals;
}
