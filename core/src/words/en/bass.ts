import { fingerName } from './left-hand/left-hand-findings.js';
import type { BassFacts } from '../../solve/bass-line/index.js';
import { isOpen } from '../how-much.js';
import { byNumber, sentence } from './numbers.js';
import { sayStrings } from './left-hand/tones.js';

const ROLES: Record<BassFacts['role'], string> = {
  root: 'root',
  fifth: 'fifth',
  walk: 'on the way',
  approach: 'leads on',
};
const who = ({ finger }: BassFacts): string => (finger ? fingerName(finger) : '');
const WAYS: Record<BassFacts['way'], (f: BassFacts) => string> = {
  there: () => 'there already',
  open: () => 'open',
  'free finger': (f) => `${who(f)} comes down`,
  'goes over': (f) => `${who(f)} goes over from its bass`,
  'lies over': (f) => `${who(f)} lies over one string more`,
  borrowed: (f) => (isOpen(f) ? 'its finger lifts' : `${who(f)} leaves its place`),
  alone: (f) => `the shape is let go for ${who(f)}`,
};
/**
 * One bass note: what it is, how the left hand has it, and what suffers by it.
 * @example sayBass({ stroke: 0, role: 'fifth', string: 6, fret: 3, finger: 1, way: 'goes over', suffers: [], muddy: [], underRoot: true, thumb: { thereMs: 500, neededMs: 190 }, thumbLate: false }) // 'Fifth, finger 1 goes over from its bass. It sounds under the root.'
 */
export function sayBass(f: BassFacts): string {
  const lines = [sentence(`${ROLES[f.role]}, ${WAYS[f.way](f)}`)];
  if (f.suffers.length)
    lines.push(
      `Meanwhile ${sayStrings(f.suffers)} ${byNumber(f.suffers.length, 'loses its note', 'lose their notes')}.`,
    );
  if (f.muddy.length) lines.push(`Muddy with ${sayStrings(f.muddy)}.`);
  if (f.underRoot && f.role !== 'root') lines.push('It sounds under the root.');
  const { thereMs, neededMs } = f.thumb;
  if (f.thumbLate) lines.push(`The thumb has ${Math.round(thereMs ?? 0)} ms and needs about ${Math.round(neededMs)}.`);
  return lines.join(' ');
}
