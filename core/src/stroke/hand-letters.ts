import type { Motion } from './model.js';

/**
 * What the right hand does in one or two letters: fingers with their way, a plectrum, a knock; `L` where the left one
 * sounds alone, '' of a stroke whose fingers nobody knows.
 * @example handLetters({ kind: 'golpe', marks: [] }) // 'G'
 */
export function handLetters(motion: Motion): string {
  switch (motion.kind) {
    case 'golpe':
      return 'G';
    case 'slap':
      return 'S';
    case 'ligado':
      return 'L';
    case 'ghost':
      return `(${motion.dir})`;
    case 'stroke':
      return motion.plectrum ? `P${motion.plectrum}` : `${motion.fingers.join('')}${motion.dir ?? ''}`;
  }
}
