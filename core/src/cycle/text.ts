import { TICKS_PER_COUNT } from '../time/index.js';
import { countTicks } from './make.js';
import type { Accent } from './model.js';

/** A fraction of counts as a player writes it: 1.5, 0.75, 4. */
const countsText = (n: number): string => String(Math.round((n / TICKS_PER_COUNT) * 10_000) / 10_000);

/**
 * Group lengths in counts: “3+3+2+2+2”.
 * @example groupsText([15120, 10080]) // '3+2'
 */
export const groupsText = (groups: readonly number[]): string => groups.map(countsText).join('+');

/**
 * Reads “3+3+2” or “1.5 1.5 1”; null when something in it isn't a length.
 * @example readGroups('3+x') // null
 */
export function readGroups(text: string): ReturnType<typeof countTicks>[] | null {
  const parts = text.split(/[+\s]+/).filter(Boolean);
  const lengths = parts.map(Number);
  return parts.length && lengths.every((n) => Number.isFinite(n) && n > 0 && n <= 64) ? lengths.map(countTicks) : null;
}

/** Accents by place in counts from 1 with their weight in tenths: “1!10 2.5!8”; 10 is left out. */
export const accentsText = (accents: readonly Accent[]): string =>
  accents
    .map((a) => countsText(a.at + TICKS_PER_COUNT) + (a.weight === 1 ? '' : `!${Math.round(a.weight * 10)}`))
    .join(' ');

/**
 * Reads the form that accentsText writes; null when something in it isn't an accent.
 * @example readAccents('2.5!8') // [{ at: 7560, weight: 0.8 }]
 */
export function readAccents(text: string): Accent[] | null {
  const accents: Accent[] = [];
  for (const part of text.split(/[\s;]+/).filter(Boolean)) {
    const found = /^(\d+(?:\.\d+)?)(?:!(\d+))?$/.exec(part);
    if (!found) return null;
    const place = Number(found[1]);
    if (place < 1 || place >= 66) return null;
    accents.push({ at: countTicks(place - 1), weight: Number(found[2] ?? 10) / 10 });
  }
  return accents;
}
