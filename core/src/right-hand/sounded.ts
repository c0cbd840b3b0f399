import { type Instrument, openPitch } from '../instrument/index.js';
import { bassString, type Shape, trebleSet } from '../left-hand/index.js';
import { directionOf, type Finger, type Motion, type Stroke, HOME_STRING, stopOn } from '../stroke/index.js';
import { midi, type Midi, type StringNumber, STRINGS } from '../time/index.js';

export interface SoundedNote {
  readonly string: StringNumber;
  readonly fret: number;
  readonly midi: Midi;
  /** The finger that plays it; in a strum every string has the strum's first finger. */
  readonly finger: Finger;
}

/**
 * The strings a stroke meets under a shape, with their pitches, in the order struck. Where the script
 * names no strings: thumb on the bass string, i m a on 3 2 1 (their homes), strums through all that sound.
 * Numbered strings that the shape leaves out are struck open, as a hand would.
 * @example soundStroke(readStep('p').step, OPEN_SHAPE, { tuning: STANDARD_TUNING, capo: 0 }).map((n) => n.string) // [6]
 */
export function soundStroke(motion: Motion, shape: Shape, instrument: Instrument): SoundedNote[] {
  if (motion.kind !== 'stroke') return [];
  const sounding = STRINGS.filter((_, i) => shape.frets[i] !== null);
  const pairs = motion.dir ? strummed(motion, shape, sounding) : plucked(motion, shape);
  return pairs.map(({ string, finger }) => {
    // What the stroke brings with it goes before the shape that is held.
    const fret = stopOn(motion, string)?.fret ?? shape.frets[STRINGS.indexOf(string)] ?? 0;
    return { string, fret, finger, midi: midi(openPitch(instrument.tuning, string, instrument.capo) + fret) };
  });
}

type Pair = { string: StringNumber; finger: Finger };

function strummed(stroke: Stroke, shape: Shape, sounding: readonly StringNumber[]): Pair[] {
  const finger = stroke.fingers[0] ?? 'i';
  let strings: readonly StringNumber[] = sounding;
  if (stroke.strings === 'bass') strings = [bassString(shape) ?? 6];
  else if (stroke.strings === 'treble') strings = trebleSet(shape);
  else if (stroke.strings) strings = stroke.strings;
  const down = directionOf(stroke) === 'd';
  return [...strings].sort((a, b) => (down ? b - a : a - b)).map((string) => ({ string, finger }));
}

function plucked(stroke: Stroke, shape: Shape): Pair[] {
  const { strings, fingers } = stroke;
  if (Array.isArray(strings)) {
    const list = strings as readonly StringNumber[];
    return fingers.map((finger, i) => ({ finger, string: list[i] ?? 1 }));
  }
  const set = trebleSet(shape);
  const upper = fingers.filter((f) => f !== 'p');
  const used = new Set<StringNumber>();
  return fingers.flatMap((finger): Pair[] => {
    let string: StringNumber;
    if (finger === 'p' || strings === 'bass') string = bassString(shape) ?? 6;
    else if (strings === 'treble') {
      // Three fingers take the set in order; one or two keep the place they have in i m a.
      const place = upper.length >= 3 ? upper.indexOf(finger) : Math.min(2, ['i', 'm', 'a', 'e'].indexOf(finger));
      string = set[place] ?? set[set.length - 1] ?? HOME_STRING[finger];
    } else string = HOME_STRING[finger];
    if (used.has(string)) return [];
    used.add(string);
    return [{ finger, string }];
  });
}
