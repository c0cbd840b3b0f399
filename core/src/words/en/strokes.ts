import { type Direction, type Finger, hasMark, type Motion, type PlectrumWay } from '../../stroke/index.js';

export const WAY: Record<Direction, string> = { d: 'down', u: 'up' };
export const FINGER_NAME: Record<Finger, string> = {
  p: 'thumb',
  i: 'index',
  m: 'middle',
  a: 'ring',
  e: 'little finger',
};

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
  by: { fingers: readonly Finger[]; dir: Direction | null; kind: Motion['kind']; dead?: boolean } | null,
): string => {
  if (!by) return 'nothing';
  if (by.kind !== 'stroke') return by.kind;
  const hand = by.fingers.join(' ') || (by.dir ? 'plectrum' : '?');
  return `${hand}${by.dir ? ` ${WAY[by.dir]}` : ''}${by.dead ? ' dead' : ''}`;
};
