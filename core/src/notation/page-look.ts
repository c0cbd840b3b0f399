import type { ScoreEvent } from '../score/index.js';
import type { NotatedBar } from './model.js';

/**
 * What a page shows under counts and chords: staff and tablature; tablature alone; the right hand's letters on six lines;
 * the rhythm alone, with the frets of each chord once.
 */
export const PAGE_LOOKS = ['staff', 'tablature', 'hand', 'rhythm'] as const;
export type PageLook = (typeof PAGE_LOOKS)[number];
/** @example isPageLook('staff') // true */
export const isPageLook = (text: unknown): text is PageLook => PAGE_LOOKS.some((own) => own === text);

/**
 * Strums that go through the very places of the strum before, on one chord: they may be written as slashes. The first one
 * of a system is written out.
 * @param bars of one system
 */
export function repeatedStrums(bars: readonly NotatedBar[]): ReadonlySet<ScoreEvent> {
  const again = new Set<ScoreEvent>();
  let before = '';
  for (const bar of bars)
    for (const e of bar.events) {
      if (e.at < bar.at || e.motion.kind !== 'stroke' || e.motion.dir === null || e.notes.length < 2) continue;
      const own = `${e.chord} ${e.notes
        .map((n) => `${n.string}.${n.fret}`)
        .sort()
        .join()}`;
      if (own === before) again.add(e);
      before = own;
    }
  return again;
}
