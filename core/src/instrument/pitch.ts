const LETTER: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const SHIFT: Readonly<Record<string, number>> = { '#': 1, b: -1 };
const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

/**
 * Scientific name of a pitch: 40 → E2.
 * @example pitchName(64) // 'E4'
 */
export const pitchName = (m: number): string => `${NAMES[m % 12] ?? '?'}${Math.floor(m / 12) - 1}`;

/**
 * Pitch class of a note name such as F#, Bb, Bbb. Null for anything else.
 * @example pitchClassOf('F#') // 6
 */
export function pitchClassOf(name: string): number | null {
  const m = /^([A-G])([#b]*)$/.exec(name);
  const letter = LETTER[m?.[1] ?? ''];
  if (!m || letter === undefined) return null;
  const shift = [...(m[2] ?? '')].reduce((sum, sign) => sum + (SHIFT[sign] ?? 0), 0);
  return (((letter + shift) % 12) + 12) % 12;
}

/**
 * Pitch of a note name with its octave, sharps and flats as signs or letters: F#2, B♭3, cb4. Null for anything else.
 * @example pitchOf('e4') // 64
 */
export function pitchOf(text: string): number | null {
  const m = /^([A-Ga-g])([#b♯♭]*)(\d)$/.exec(text.trim());
  const letter = LETTER[(m?.[1] ?? '').toUpperCase()];
  if (!m || letter === undefined) return null;
  const signs = [...(m[2] ?? '')].reduce((sum, s) => sum + (s === '#' || s === '♯' ? 1 : -1), 0);
  // A sharp B is in the octave above, a flat C in the one below: the number belongs to the letter.
  return 12 * (Number(m[3]) + 1) + letter + signs;
}
