import { type Direction, type Finger, hasMark, type Motion, type PlectrumWay } from '../../stroke/index.js';

export const WAY: Record<Direction, string> = { d: 'down', u: 'up' };
export const FINGER_NAME: Record<Finger, string> = {
  p: 'thumb',
  i: 'index',
  m: 'middle',
  a: 'ring',
  e: 'little finger',
};

/**
 * A list as it is said: “12, 3 and 8”.
 * @example listed(['12', '3', '8']) // '12, 3 and 8'
 */
export const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1] ?? ''}`;
/** @example plural(1, 'step') // '1 step' */
export const plural = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`;
const ENDS: Record<number, string> = { 1: 'st', 2: 'nd', 3: 'rd' };
/** @example ordinal(22) // '22nd' */
export const ordinal = (n: number): string => `${n}${n % 100 >= 11 && n % 100 <= 13 ? 'th' : (ENDS[n % 10] ?? 'th')}`;

/** What a plectrum does: down on to the next string, up in answer, down and off. */
const PLECTRUM: Record<PlectrumWay, string> = { d: 'rest', u: 'up', w: 'whip' };

/**
 * “e down”, “p i m a together”, “golpe”.
 * @example sayMotion(readStep('ed').step) // 'e down'
 */
export function sayMotion(m: Motion): string {
  if (m.kind === 'golpe' || m.kind === 'slap') return m.kind;
  if (m.kind === 'ghost') return `ghost ${WAY[m.dir]}`;
  if (m.kind === 'ligado') return `ligado on string ${m.string}`;
  if (m.plectrum) return `plectrum ${PLECTRUM[m.plectrum]}${hasMark(m, '*') ? ' with golpe' : ''}`;
  const fingers = m.fingers.join(' ') || '?';
  const golpe = hasMark(m, '*') ? ' with golpe' : '';
  return (m.dir ? `${fingers} ${WAY[m.dir]}` : fingers) + golpe;
}
/** The same for what meets an accent. */
export const sayMet = (
  by: { fingers: readonly Finger[]; dir: Direction | null; kind: Motion['kind'] } | null,
): string => {
  if (!by) return 'nothing';
  if (by.kind !== 'stroke') return by.kind;
  return (by.fingers.join(' ') || (by.dir ? 'plectrum' : '?')) + (by.dir ? ` ${WAY[by.dir]}` : '');
};
