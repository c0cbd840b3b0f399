import type { FingerChange, ShapeChange } from '../../left-hand/index.js';
import { listed, plural } from './strokes.js';

const at = (p: FingerChange['from']): string =>
  p ? `${p.strings.length > 1 ? 'strings' : 'string'} ${p.strings.join(' ')} fret ${p.fret}` : '';

/** One finger's part in a change, as a sentence without its end. */
export function sayFinger(f: FingerChange): string {
  const who = f.finger === 'T' ? 'Thumb' : `Finger ${f.finger}`;
  switch (f.action) {
    case 'stays':
      return `${who} stays on ${at(f.to)}`;
    case 'guides':
      return `${who} slides along to fret ${f.to?.fret ?? ''} of ${at(f.to).replace(/ fret.*/, '')}, ${f.mm} mm`;
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
  if (stay.length) lines.push(`${listed(stay)} ${stay.length === 1 ? 'stays' : 'stay'}.`);
  if (guide.length) lines.push(`${listed(guide)} ${guide.length === 1 ? 'guides' : 'guide'} along the string.`);
  lines.push(
    change.moving === 0
      ? 'No finger leaves its string.'
      : `${plural(change.moving, 'finger')} really ${change.moving === 1 ? 'moves' : 'move'}.`,
  );
  if (change.hinge) lines.push('The first finger works as a hinge.');
  const s = change.sequential;
  if (s) {
    const who = s.finger === 'T' ? 'the thumb' : `finger ${s.finger}`;
    lines.push(
      s.neededMs > s.thereMs
        ? `No room: ${who} has ${s.thereMs} ms, needs about ${s.neededMs}.`
        : `Tightest: ${who} has ${s.thereMs} ms and needs about ${s.neededMs}.`,
    );
  }
  const order = change.fingers
    .filter((f) => f.order !== null && f.action !== 'stays')
    .sort((a, b) => (a.order ?? 0) - (b.order ?? 0));
  if (new Set(order.map((f) => f.order)).size > 1)
    lines.push(`Landing in the order of the strokes: ${order.map((f) => f.finger).join(', ')}.`);
  if (change.squeaks.length)
    lines.push(`Lighten on string ${listed(change.squeaks.map(String))}: it is wound and squeaks.`);
  return lines;
}
