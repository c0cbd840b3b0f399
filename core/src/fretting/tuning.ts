import { midi, STRINGS, type Midi, type StringNumber } from '../time/index.js';

/** Open strings from 6 to 1, as MIDI numbers. */
export type Tuning = readonly number[];
/** E2 A2 D3 G3 B3 E4. */
export const STANDARD_TUNING: Tuning = [40, 45, 50, 55, 59, 64];
export const TUNINGS: readonly { readonly name: string; readonly strings: Tuning }[] = [
  { name: 'Standard', strings: STANDARD_TUNING },
  { name: 'Sixth to D', strings: [38, 45, 50, 55, 59, 64] },
  { name: 'Sixth to D, fifth to G', strings: [38, 43, 50, 55, 59, 64] },
  { name: 'Open G', strings: [38, 43, 50, 55, 59, 62] },
];

const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];
/** Scientific name of a pitch: 40 → E2. */
export const pitchName = (m: number): string => `${NAMES[m % 12] ?? '?'}${Math.floor(m / 12) - 1}`;

/** Pitch of an open string with the capo on. */
export const openPitch = (tuning: Tuning, string: StringNumber, capo: number): Midi =>
  midi((tuning[STRINGS.indexOf(string)] ?? 0) + capo);
