import { beyondNeck, lastFret } from '@ruffle-wheel/core';
import { neck as neckWords } from '../words/neck';

/** Where a shape would be stopped beyond the neck, and which fret is the last; empty when nowhere. */
export function sayBeyondNeck(frets: readonly (number | null)[], capo: number): string {
  const beyond = beyondNeck(frets, capo);
  if (beyond.length === 0) return '';
  const { neck } = neckWords;
  const where = beyond.map((b) => neck.place(b.string, b.fret));
  return neck.beyondNeck(where, capo, lastFret(capo));
}
