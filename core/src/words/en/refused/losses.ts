import type { Loss, LossCode } from '../../../exchange/written/index.js';
import { byNumber, plural } from '../numbers.js';

const SAID: Record<LossCode, (strokes: string, one: boolean) => string> = {
  'worked out': (n, one) => `Fingers of ${n} that ${one ? 'is' : 'are'} worked out look like written ones.`,
  places: (n, one) => `Strings, frets and fingers of ${n} are not written, only ${one ? 'its' : 'their'} pitch.`,
  ligados: (n, one) => `${n} of the left hand alone ${one ? 'sounds' : 'sound'} like plucked ones.`,
  'dead strings': (n) => `Dead strings of ${n} are left out.`,
  unisons: (n) => `Of one pitch on two strings at once one is written (${n}).`,
  'chord names': () => 'Chords are not written, only their notes.',
  words: () => 'The words under the counts are not written.',
  'words between notes': () => 'Words that stand under no note are left out.',
  'goes on': () => 'It goes on beyond what is written out here.',
  marks: (n) => `Marks of ${n} are not written.`,
  'left fingers': (n) => `Left fingers of ${n} are not written.`,
  strums: (n, one) => `Of ${n} that ${one ? 'is' : 'are'} strummed the direction is not written.`,
  'strokes without strings': (n, one) =>
    `${n} ${one ? 'sounds' : 'sound'} no string and ${one ? 'is' : 'are'} left out.`,
};
/**
 * What a format can't hold of a score.
 * @example sayLoss({ code: 'left fingers', about: [3] }) // 'Left fingers of 3 strokes are not written.'
 */
export const sayLoss = ({ code, about: [n] }: Loss): string =>
  SAID[code](plural(Number(n), 'stroke'), byNumber(Number(n), true, false));
