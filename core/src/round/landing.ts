import { type Finger, FINGERS, type Motion } from '../stroke/index.js';

const flick = (m: Motion | undefined): number =>
  m?.kind === 'stroke' && m.dir === 'd' && m.fingers.length === 1 ? FINGERS.indexOf(m.fingers[0] as Finger) : -1;
/**
 * Whether a stroke opens a roll of flicks straight after one that has ended with the index: the roll before leans on its
 * landing, and that is here, whatever finger it is.
 * @example isLanding(readStep('iu').step, readStep('ed').step, readStep('ad').step) // true
 * @example isLanding(readStep('ed').step, readStep('ad').step, readStep('md').step) // false
 */
export function isLanding(before: Motion | undefined, stroke: Motion, after: Motion | undefined): boolean {
  const ended = before?.kind === 'stroke' && before.dir !== null && before.fingers.join('') === 'i';
  return ended && flick(stroke) > flick(after) && flick(after) >= FINGERS.indexOf('i');
}
