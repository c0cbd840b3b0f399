import { fact } from '../../fault/index.js';
import type { PlannedBlock } from '../records.js';
import { HALVES } from './allot.js';
import type { Session } from './session.js';

/** Minutes without a break, as usual and after pain. */
export const MINUTES_WITHOUT_BREAK = 20;
const EVERY_AFTER_PAIN = 5;
/** A session from so many minutes on has longer ones. */
const LONG = 60;

/** How many breaks a session has: none under half an hour, but after pain. */
export const breaksIn = ({ minutes, after }: Session): number =>
  after === 'pain'
    ? Math.floor((minutes - 1) / EVERY_AFTER_PAIN)
    : minutes < MINUTES_WITHOUT_BREAK * 1.5
      ? 0
      : Math.floor((minutes - 1) / MINUTES_WITHOUT_BREAK);
/** How long one is, in half minutes. */
export const breakHalves = (minutes: number): number => (minutes < LONG ? 2 : 4);

/** Breaks stand between blocks, as evenly as these end; time that is left over is theirs. */
export function withBreaks(
  blocks: readonly PlannedBlock[],
  breaks: number,
  { minutes, after }: Session,
): PlannedBlock[] {
  const played = blocks.reduce((sum, b) => sum + b.minutes, 0);
  const n = Math.min(breaks, blocks.length - 1);
  const free = (minutes - played) * HALVES;
  if (n < 1) return lengthened(blocks, free / HALVES);
  const ends = blocks.slice(0, -1).map((_, i) => blocks.slice(0, i + 1).reduce((sum, b) => sum + b.minutes, 0));
  const at = new Set<number>();
  for (let k = 1; k <= n; k++) {
    const ideal = (k * played) / (n + 1);
    const open = ends.map((end, i) => ({ i, far: Math.abs(end - ideal) })).filter(({ i }) => !at.has(i));
    at.add(open.sort((a, b) => a.far - b.far)[0]?.i ?? 0);
  }
  let given = 0;
  return blocks.flatMap((block, i) => {
    if (!at.has(i)) return [block];
    const halves = Math.ceil((free - given) / (at.size - [...at].filter((a) => a < i).length));
    given += halves;
    return [
      block,
      {
        kind: 'break',
        bpm: null,
        minutes: halves / HALVES,
        why: fact(after === 'pain' ? 'rest after pain' : 'rest the hands'),
      },
    ];
  });
}
const lengthened = (blocks: readonly PlannedBlock[], minutes: number): PlannedBlock[] =>
  blocks.map((b, n) => (n === 0 ? { ...b, minutes: b.minutes + minutes } : b));
