import type { Loss, LossCode } from '../../exchange/index.js';
import { plural } from './strokes.js';

const SAID: Record<LossCode, (strokes: string, one: boolean) => string> = {
  lengths: (n, one) => `${n} ${one ? 'ends' : 'end'} before the next begins; tablature says when, not how long.`,
  marks: (n, one) => `Marks of ${n} are not written, nor how loud ${one ? 'it is' : 'they are'}.`,
  'left fingers': (n) => `Left fingers of ${n} are not written.`,
  'strum fingers': (n, one) =>
    `Of ${n} ${one ? 'that is strummed' : 'that are strummed'} only the direction is written.`,
  'strokes without strings': (n, one) =>
    `${n} ${one ? 'sounds' : 'sound'} no string and ${one ? 'is' : 'are'} left out.`,
  'between steps': (n, one) =>
    `${n} ${one ? 'stands' : 'stand'} between two steps and ${one ? 'is' : 'are'} put on the nearer one.`,
};
/**
 * What a format can't hold of a score.
 * @example sayLoss({ code: 'left fingers', about: [3] }) // 'Left fingers of 3 strokes are not written.'
 */
export const sayLoss = ({ code, about: [n] }: Loss): string => SAID[code](plural(Number(n), 'stroke'), Number(n) === 1);
