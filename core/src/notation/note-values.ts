import { gcd, ticks, type Ticks, TICKS_PER_COUNT } from '../time/index.js';
import type { NoteValue, Sign, Tuplet } from './model.js';

/** A stretch of a voice that sounds or is silent. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly event: number | null;
  /** It began in the bar before. */
  readonly tied: boolean;
  /** It ends in the next bar. */
  readonly goesOver?: boolean;
  /** A note of the other voice, in this one's beam. */
  readonly shared?: boolean;
}
const besides = ({ goesOver, shared }: Stretch, last: boolean): Pick<Sign, 'goesOver' | 'shared'> => ({
  ...(goesOver && last ? { goesOver: true } : {}),
  ...(shared ? { shared: true } : {}),
});
/** Whole counts written as one sign, the longest first; values where a count is a quarter. */
const COUNTS: readonly { counts: number; value: NoteValue; dotted: boolean }[] = [
  { counts: 6, value: 1, dotted: true },
  { counts: 4, value: 1, dotted: false },
  { counts: 3, value: 2, dotted: true },
  { counts: 2, value: 2, dotted: false },
  { counts: 1, value: 4, dotted: false },
];
/** Parts of a quarter in units of its own division, as signs: so many units are a note of this many to a quarter. */
const FINEST = 8;

/**
 * The signs of one voice through a bar. What goes over a count that is divided, or over a group's seam, is tied, but for a
 * count and a half from a count on; each count has the coarsest division that its strokes fall on.
 * @param stretches cover the bar without a gap
 * @param seams where long notes are cut, in ticks from the bar's beginning
 * @param group number of the first tuplet
 * @param count how a count is written: the same music in other values
 * @example signsOf([{ from: 0, to: 7560, event: 0, tied: false }, { from: 7560, to: 10080, event: 1, tied: false }], []).map((s) => s.value) // [4, 8]
 */
export function signsOf(
  stretches: readonly Stretch[],
  seams: readonly number[],
  group = 0,
  count: NoteValue = 4,
): Sign[] {
  const signs: Sign[] = [];
  let groups = group;
  const end = stretches.at(-1)?.to ?? 0;
  const cuts = new Set(seams);
  for (let at = 0; at < end;) {
    const here = stretches.find((s) => s.from <= at && at < s.to);
    if (!here) break;
    const whole = wholeCounts(at, here.to, cuts);
    if (whole === 1 && isHalfMore(at, here.to, stretches, cuts)) {
      const value = asCount(4, count);
      signs.push({
        ...{ at: ticks(at), ticks: ticks(HALF_MORE), value, dotted: true, tuplet: null, event: here.event },
        tied: here.event !== null && (here.tied || at > here.from),
        ...besides(here, true),
      });
      at = here.to;
      continue;
    }
    if (whole > 0) {
      put(signs, here, at, whole, count);
      at += whole * TICKS_PER_COUNT;
      continue;
    }
    const next = Math.min(end, at + TICKS_PER_COUNT - (at % TICKS_PER_COUNT));
    const begin = at - (at % TICKS_PER_COUNT);
    const inside = stretches.filter((s) => s.from < next && s.to > at);
    const points = [...inside.flatMap((s) => [s.from, s.to]), next].filter((p) => p > begin && p <= next);
    const unit = points.reduce((u, p) => gcd(u, p - begin), TICKS_PER_COUNT as number);
    const division = Math.round(TICKS_PER_COUNT / unit);
    const tuplet = tupletOf(division, groups);
    if (tuplet) groups++;
    for (const s of inside) {
      const [from, to] = [Math.max(s.from, at), Math.min(s.to, next)];
      for (const part of partsOf(from - begin, to - begin, division))
        signs.push({
          at: ticks(begin + part.from),
          ticks: ticks(part.to - part.from),
          value: asCount(part.value, count),
          dotted: part.dotted,
          tuplet,
          event: s.event,
          tied: s.event !== null && (s.tied || begin + part.from > s.from),
          ...besides(s, begin + part.to === s.to),
        });
    }
    at = next;
  }
  return signs;
}
/** A value where a count is a quarter, as it is written with another count. */
const asCount = (value: number, count: NoteValue): NoteValue => ((value * count) / 4) as NoteValue;
function put(signs: Sign[], stretch: Stretch, at: number, counts: number, count: NoteValue) {
  const { event, from, tied } = stretch;
  let left = counts;
  let here = at;
  while (left > 0) {
    // No sign is longer than a whole note, dotted.
    const sign = COUNTS.find((c) => c.counts <= left && c.value * count >= 4) ?? {
      counts: 1,
      value: 4 as const,
      dotted: false,
    };
    signs.push({
      at: ticks(here),
      ticks: ticks(sign.counts * TICKS_PER_COUNT),
      value: asCount(sign.value, count),
      dotted: sign.dotted,
      tuplet: null,
      event,
      tied: event !== null && (tied || here > from),
      ...besides(stretch, here + sign.counts * TICKS_PER_COUNT === stretch.to),
    });
    here += sign.counts * TICKS_PER_COUNT;
    left -= sign.counts;
  }
}
/** Counts that a stretch fills from a count on, to the next seam at the most. */
function wholeCounts(at: number, to: number, cuts: ReadonlySet<number>): number {
  if (at % TICKS_PER_COUNT !== 0) return 0;
  let n = Math.floor((to - at) / TICKS_PER_COUNT);
  for (let k = 1; k < n; k++) if (cuts.has(at + k * TICKS_PER_COUNT)) n = k;
  return n;
}
const HALF_MORE = TICKS_PER_COUNT * 1.5;
/** Whether a stretch from a count on is a count and a half: a dotted note, where nothing divides the second count otherwise. */
function isHalfMore(at: number, to: number, stretches: readonly Stretch[], cuts: ReadonlySet<number>): boolean {
  const second = at + TICKS_PER_COUNT;
  if (to - at !== HALF_MORE || cuts.has(second)) return false;
  const points = stretches.flatMap((s) => [s.from, s.to]).filter((p) => p > second && p < second + TICKS_PER_COUNT);
  const unit = points.reduce((u, p) => gcd(u, p - second), TICKS_PER_COUNT as number);
  return Number.isInteger(Math.log2(TICKS_PER_COUNT / unit));
}
/** Null where a count is halved and halved again. */
function tupletOf(division: number, group: number): Tuplet | null {
  if (Number.isInteger(Math.log2(division))) return null;
  return { group, notes: division, inSpaceOf: 2 ** Math.floor(Math.log2(division)) };
}
/** A part of a count as signs: from a stretch's beginning on the longest that fit, tied. */
function partsOf(
  from: number,
  to: number,
  division: number,
): { from: Ticks; to: Ticks; value: NoteValue; dotted: boolean }[] {
  const unit = TICKS_PER_COUNT / division;
  const base = Math.min(FINEST, 2 ** Math.floor(Math.log2(division)));
  const parts: { from: Ticks; to: Ticks; value: NoteValue; dotted: boolean }[] = [];
  let here = Math.round(from / unit);
  const end = Math.round(to / unit);
  while (here < end) {
    const left = end - here;
    // 1, 2, 4 … units are one note, 3, 6 … a dotted one.
    const plain = 2 ** Math.floor(Math.log2(left));
    const dotted = plain * 1.5 <= left && plain > 1;
    const units = dotted ? plain * 1.5 : plain;
    const value = Math.max(4, Math.round((4 * base) / plain)) as NoteValue;
    parts.push({ from: ticks(here * unit), to: ticks((here + units) * unit), value, dotted });
    here += units;
  }
  return parts;
}
