import { isDead, type ScoreEvent } from '@ruffle-wheel/core';
import type { TablatureColumn } from './small-tablature';

/** Strokes as columns of a small tablature: places with the left hand's fingers, the right hand's letters below. */
export const columnsOf = (events: readonly ScoreEvent[]): TablatureColumn[] =>
  events.map(({ motion, notes }) => ({
    notes: notes.map(({ string, fret, left }) => {
      const dead = isDead(motion, string);
      return { string, fret: dead ? DEAD : fret, left: fret > 0 && !dead ? String(left ?? '') : '' };
    }),
    right: lettersOf(motion, notes),
  }));
/** For a string that the left hand lies on. */
const DEAD = '×';
function lettersOf(motion: ScoreEvent['motion'], notes: ScoreEvent['notes']): string {
  switch (motion.kind) {
    case 'golpe':
      return 'G';
    case 'slap':
      return 'S';
    case 'ghost':
      return `(${motion.dir})`;
    case 'ligado':
      return 'L';
    case 'stroke': {
      if (motion.plectrum) return `P${motion.plectrum}`;
      if (motion.dir) return `${motion.fingers.join('')}${motion.dir}`;
      const own = [...notes].sort((a, b) => b.string - a.string).map((n) => n.right ?? '');
      return own.join('') || motion.fingers.join('');
    }
  }
}
