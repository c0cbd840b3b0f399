import { type Fact, fact, quoted } from '../fault/index.js';
import { midi, type Midi, perString, type SixStrings, type StringNumber, STRINGS } from '../time/index.js';
import { pitchClassOf, pitchName, pitchOf } from './pitch.js';

/** Open strings from 6 to 1, as MIDI numbers. */
export type Tuning = SixStrings<number>;
/** E2 A2 D3 G3 B3 E4. */
export const STANDARD_TUNING: Tuning = [40, 45, 50, 55, 59, 64];
export const TUNINGS: readonly { readonly name: string; readonly strings: Tuning }[] = [
  { name: 'Standard', strings: STANDARD_TUNING },
  { name: 'Sixth to D', strings: [38, 45, 50, 55, 59, 64] },
  { name: 'Sixth to D, fifth to G', strings: [38, 43, 50, 55, 59, 64] },
  { name: 'Open G', strings: [38, 43, 50, 55, 59, 62] },
  { name: 'Third to F♯', strings: [40, 45, 50, 54, 59, 64] },
];
/** Lowest and highest pitch that an open string may be given. */
export const LOWEST_OPEN = 28;
export const HIGHEST_OPEN = 76;

/**
 * Pitch of an open string with the capo on.
 * @example openPitch(STANDARD_TUNING, 6, 2) // 42
 */
export const openPitch = (tuning: Tuning, string: StringNumber, capo: number): Midi =>
  midi((tuning[STRINGS.indexOf(string)] ?? 0) + capo);

export type TuningWarning = 'string may break' | 'string hangs slack';
export type TuningFault = 'strings of a tuning' | 'string’s note' | 'no pitch for a string';
export type TuningReading =
  | { readonly tuning: Tuning; readonly faults?: undefined }
  | {
      readonly tuning?: undefined;
      readonly faults: readonly Fact<TuningFault>[];
    };
/**
 * Reads a tuning by six note names from string 6 to 1: `D2 A2 D3 G3 B3 E4`. Without its octave a name means the
 * pitch nearest to the string's usual one: `D A D G B E`.
 * @example readTuning('D A D G B E').tuning // [38, 45, 50, 55, 59, 64]
 */
export function readTuning(text: string): TuningReading {
  const names = text.split(/[\s,|-]+/).filter((n) => n !== '');
  if (names.length !== 6) return { faults: [fact('strings of a tuning', names.length)] };
  const faults: Fact<TuningFault>[] = [];
  const tuning = perString((string, i) => {
    const name = names[i] ?? '';
    const usual = STANDARD_TUNING[i] ?? 0;
    const plain = name.replace(/♯/g, '#').replace(/♭/g, 'b');
    const pitchClass = pitchClassOf(plain.charAt(0).toUpperCase() + plain.slice(1));
    const pitch = pitchOf(name) ?? (pitchClass === null ? null : nearest(pitchClass, usual));
    if (pitch === null) faults.push(fact('string’s note', string, quoted(name)));
    else if (pitch < LOWEST_OPEN || pitch > HIGHEST_OPEN)
      faults.push(
        fact('no pitch for a string', string, pitchName(pitch), pitchName(LOWEST_OPEN), pitchName(HIGHEST_OPEN)),
      );
    return pitch ?? usual;
  });
  return faults.length ? { faults } : { tuning };
}
const nearest = (pitchClass: number, to: number): number => to + ((((pitchClass - to + 6) % 12) + 12) % 12) - 6;

/** Semitones above its usual pitch that a nylon string bears, and below it that still sound clean. */
const BEARS = 2;
const SLACK = 5;
/**
 * Warnings about strings tuned where they break or rattle; the capo adds no pull.
 * @example tuningWarnings(STANDARD_TUNING) // []
 */
export const tuningWarnings = (tuning: Tuning): Fact<TuningWarning>[] =>
  STRINGS.flatMap((string, i): Fact<TuningWarning>[] => {
    const usual = STANDARD_TUNING[i] ?? 0;
    const by = (tuning[i] ?? usual) - usual;
    const name = pitchName(tuning[i] ?? usual);
    if (by > BEARS) return [fact('string may break', string, name, by, pitchName(usual), pitchName(usual + BEARS))];
    if (by < 0 - SLACK) return [fact('string hangs slack', string, name, 0 - by, pitchName(usual))];
    return [];
  });
/** @example tuningText(STANDARD_TUNING) // 'E2 A2 D3 G3 B3 E4' */
export const tuningText = (tuning: Tuning): string => tuning.map(pitchName).join(' ');
