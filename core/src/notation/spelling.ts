import chordLibrary from '@tonaljs/chord';
import { pitchClassOf } from '../instrument/index.js';
import type { Midi } from '../time/index.js';
import { namesIn, type Signature } from './signature.js';
import type { Spelled } from './spelled.js';

const SHARPS = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
const FLATS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
/** Roots whose keys have flats, of major and of minor chords. */
const FLAT_MAJOR = /^(?:F|Bb|Eb|Ab|Db|Gb)/;
const FLAT_MINOR = /^(?:D|G|C|F|Bb|Eb)m(?!aj)/;

const known = new Map<string, readonly (string | undefined)[]>();
/**
 * The names of all pitch classes under a chord: its own tones as it spells them, the rest as the section's key has them, or
 * as its own would.
 */
function namesUnder(chord: string, signature: Signature | null): readonly (string | undefined)[] {
  const key = `${signature ?? ''} ${chord}`;
  const there = known.get(key);
  if (there) return there;
  const symbol = chord.replace(/\s/g, '').replace(/♯/g, '#').replace(/♭/g, 'b');
  const sharpRoot = /^[A-G]#/.test(symbol);
  const flat = !sharpRoot && (FLAT_MAJOR.test(symbol) || FLAT_MINOR.test(symbol) || /^[A-G]b/.test(symbol));
  const names: (string | undefined)[] = [...(signature !== null ? namesIn(signature) : flat ? FLATS : SHARPS)];
  for (const note of chordLibrary.get(symbol.split('/')[0] ?? '').notes) {
    const pitchClass = pitchClassOf(note);
    if (pitchClass !== null && /^[A-G](?:#|b)?$/.test(note)) names[pitchClass] = note;
  }
  if (known.size > 256) known.clear();
  known.set(key, names);
  return names;
}

/**
 * A note as it is written under a chord, an octave above its sound.
 * @param signature of the key it stands in; null where there is none
 * @example spell(58, 'C7') // { letter: 'B', accidental: 'b', octave: 4 }
 */
export function spell(midi: Midi, chord = '', signature: Signature | null = null): Spelled {
  const written = midi + 12;
  const name = namesUnder(chord, signature)[((written % 12) + 12) % 12] ?? 'C';
  const accidental = name.slice(1) as Spelled['accidental'];
  // B sharp belongs to the octave below the C that it sounds as, C flat to the one above.
  const shift = name.startsWith('C') && accidental === 'b' ? 1 : name.startsWith('B') && accidental === '#' ? -1 : 0;
  return { letter: name[0] ?? 'C', accidental, octave: Math.floor(written / 12) - 1 + shift };
}
