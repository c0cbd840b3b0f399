import chordLibrary from '@tonaljs/chord';
import { type ChordNotes, nameOfPitchClass, readChord, USUAL_ENDINGS } from './chord.js';
import { takeApart } from './written-symbol.js';

const MOST_SYMBOLS = 3;
const USUAL: ReadonlySet<string> = new Set(USUAL_ENDINGS);
/** The major chord as the library ends it. */
const PLAIN_MAJOR = /^([A-G][#b]?)M(?=$|\/)/;

/** Whether the notes are just the tones of the chord: all that it needs, and none beside it. */
const isBorneOut = ({ tones }: ChordNotes, heard: ReadonlySet<number>): boolean =>
  tones.every((t) => !t.needed || heard.has(t.pitchClass)) &&
  [...heard].every((p) => tones.some((t) => t.pitchClass === p));

/**
 * Chord symbols that notes bear, those over their lowest note first, others only as players call them; none where they
 * are no chord.
 * @param pitches in semitones, the lowest first
 * @example symbolsOf([45, 52, 57, 60, 64]) // ['Am']
 */
export function symbolsOf(pitches: readonly number[]): string[] {
  const classes = [...new Set(pitches.map((p) => p % 12))];
  const [bass] = classes;
  if (bass === undefined || classes.length < 2) return [];
  const heard = new Set(classes);
  const found = chordLibrary.detect(classes.map(nameOfPitchClass)).map((s) => s.replace(PLAIN_MAJOR, '$1'));
  const read = found.flatMap((symbol) => {
    const reading = readChord(symbol);
    if (!reading.ok || !isBorneOut(reading.chord, heard)) return [];
    const onBass = reading.chord.root === bass;
    const apart = takeApart(symbol);
    return onBass || (apart && 'quality' in apart && USUAL.has(apart.quality)) ? [{ symbol, onBass }] : [];
  });
  return read
    .sort((a, b) => Number(b.onBass) - Number(a.onBass) || a.symbol.length - b.symbol.length)
    .slice(0, MOST_SYMBOLS)
    .map((r) => r.symbol);
}
