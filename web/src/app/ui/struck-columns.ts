import { handLetters, isDead, type ScoreEvent } from '@ruffle-wheel/core';
import type { TablatureColumn } from './small-tablature';

/** For a string that the left hand lies on. */
const DEAD = '×';

/** Strokes as columns of a small tablature: places with the left hand's fingers, the right hand's letters below. */
export const columnsOf = (events: readonly ScoreEvent[]): TablatureColumn[] =>
  events.map((event) => ({
    notes: event.notes.map(({ string, fret, left }) => {
      const dead = isDead(event.motion, string);
      return { string, fret: dead ? DEAD : fret, left: fret > 0 && !dead ? String(left ?? '') : '' };
    }),
    right: lettersOf(event),
  }));
/** Of what is plucked each string's own finger, thickest string first. */
function lettersOf({ motion, notes }: ScoreEvent): string {
  const plucked = motion.kind === 'stroke' && !motion.plectrum && motion.dir === null;
  const own = plucked ? [...notes].sort((a, b) => b.string - a.string).map((n) => n.right ?? '') : [];
  return own.join('') || handLetters(motion);
}
