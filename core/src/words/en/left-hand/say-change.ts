import type { FingerChange, ShapeChange } from '../../../left-hand/index.js';
import { isNone, landingOrder } from '../../how-much.js';
import { byNumber, listed, plural } from '../numbers.js';
import { fingerName } from './left-hand-findings.js';

const on = (p: FingerChange['from']): string =>
  p ? `${byNumber(p.strings.length, 'string', 'strings')} ${p.strings.join(' ')}` : '';
const at = (p: FingerChange['from']): string => (p ? `${on(p)} fret ${p.fret}` : '');

/** One finger's part in a change, as a sentence without its end. */
export function sayFinger(f: FingerChange): string {
  const who = f.finger === 'T' ? 'Thumb' : `Finger ${f.finger}`;
  switch (f.action) {
    case 'stays':
      return `${who} stays on ${at(f.to)}`;
    case 'guides':
      return `${who} slides along to fret ${f.to?.fret ?? ''} of ${on(f.to)}, ${f.mm} mm`;
    case 'swaps':
      return `${who} goes over to ${at(f.to)}, ${f.mm} mm`;
    case 'lands':
      return `${who} lands on ${at(f.to)}`;
    case 'lifts':
      return `${who} lifts`;
    case 'idle':
      return `${who} is free`;
  }
}

/** A change in a few sentences: what stays, what moves, the time for it, where it squeaks. */
export function sayChange(change: ShapeChange): string[] {
  const lines: string[] = [];
  const stay = change.fingers.filter((f) => f.action === 'stays').map((f) => String(f.finger));
  const guide = change.fingers.filter((f) => f.action === 'guides').map((f) => String(f.finger));
  if (stay.length) lines.push(`${listed(stay)} ${byNumber(stay.length, 'stays', 'stay')}.`);
  if (guide.length) lines.push(`${listed(guide)} ${byNumber(guide.length, 'guides', 'guide')} along the string.`);
  if (!isNone(change.arm)) lines.push(`The arm carries the hand ${change.arm} mm along the neck.`);
  lines.push(
    change.moving
      ? `${plural(change.moving, 'finger')} really ${byNumber(change.moving, 'moves', 'move')}.`
      : 'No finger leaves its string.',
  );
  if (change.hinge) lines.push('The first finger works as a hinge.');
  const s = change.sequential;
  if (s) {
    const who = fingerName(s.finger);
    lines.push(
      s.neededMs > s.thereMs
        ? `No room: ${who} has ${s.thereMs} ms, needs about ${s.neededMs}.`
        : `Tightest: ${who} has ${s.thereMs} ms and needs about ${s.neededMs}.`,
    );
  }
  const landing = landingOrder(change);
  if (landing) lines.push(`Landing in the order of the strokes: ${landing.join(', ')}.`);
  if (change.squeaks.length)
    lines.push(`Lighten on string ${listed(change.squeaks.map(String))}: it is wound and squeaks.`);
  return lines;
}
