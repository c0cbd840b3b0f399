import { hasMark, numberedStrings, stopOn } from '../stroke/index.js';
import type { StringNumber } from '../time/index.js';
import type { Score } from './model.js';

/**
 * The strings that strokes name by their numbers under each chord, by the chord's name, thickest first: a shape for it
 * should let them sound. A string that the stroke frets itself, or that is muted, asks for nothing.
 */
export function playedUnder({ events, chords }: Pick<Score, 'events' | 'chords'>): ReadonlyMap<string, StringNumber[]> {
  const played = new Map<string, Set<StringNumber>>();
  for (const { motion, chord } of events) {
    if (motion.kind !== 'stroke' || hasMark(motion, 'x')) continue;
    const name = chords[chord]?.name ?? '';
    const strings = played.get(name) ?? new Set<StringNumber>();
    played.set(name, strings);
    for (const string of numberedStrings(motion) ?? []) if (!stopOn(motion, string)) strings.add(string);
  }
  return new Map([...played].map(([name, strings]) => [name, [...strings].sort((a, b) => b - a)]));
}
