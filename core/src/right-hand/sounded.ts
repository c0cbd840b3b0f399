import { harmonicPitch, type Instrument, openPitch } from '../instrument/index.js';
import {
  bassString,
  fifthInBass,
  leadNote,
  type NeckPlace,
  OPEN_SHAPE,
  type Shape,
  trebleSet,
} from '../left-hand/index.js';
import {
  type Finger,
  HOME_STRING,
  markRow,
  marksOn,
  type Motion,
  numberedStrings,
  stopOn,
  type Stroke,
} from '../stroke/index.js';
import { type FretFromCapo, midi, type Midi, type StringNumber, STRINGS } from '../time/index.js';

export interface SoundedNote {
  readonly string: StringNumber;
  readonly fret: FretFromCapo;
  readonly midi: Midi;
  /**
   * The finger that plays it; in a strum every string has the strum's first finger. Null for a plectrum, for what is
   * still to be worked out, and for what the left hand sounds alone.
   */
  readonly finger: Finger | null;
}

/**
 * The strings a stroke meets under a shape, with their pitches, in the order struck. Where the script
 * names no strings: thumb on the bass string, i m a on 3 2 1 (their homes), strums through all that sound.
 * Numbered strings that the shape leaves out are struck open, as a hand would.
 * @param next the shape after this one, for a note that leads on to its bass
 * @example soundStroke(readStep('p').step, OPEN_SHAPE, { tuning: STANDARD_TUNING, capo: 0 }).map((n) => n.string) // [6]
 */
export function soundStroke(
  motion: Motion,
  shape: Shape,
  instrument: Instrument,
  next: Shape = OPEN_SHAPE,
): SoundedNote[] {
  if (motion.kind === 'golpe' || motion.kind === 'slap' || motion.kind === 'ghost') return [];
  const key = motion.kind === 'stroke' && motion.strings === 'lead' ? next : null;
  const known = met.get(motion)?.find((m) => m.shape === shape && m.instrument === instrument && m.next === key);
  if (known) return known.notes;
  const notes = soundAnew(motion, shape, instrument, next);
  const own = met.get(motion) ?? [];
  if (own.length >= MOST_KEPT) own.length = 0;
  own.push({ shape, instrument, next: key, notes });
  met.set(motion, own);
  return notes;
}
/** The same few strokes meet the same few shapes all through a section. */
const met = new WeakMap<Motion, Met[]>();
const MOST_KEPT = 16;
interface Met {
  readonly shape: Shape;
  readonly instrument: Instrument;
  readonly next: Shape | null;
  readonly notes: SoundedNote[];
}

function soundAnew(motion: Motion, shape: Shape, instrument: Instrument, next: Shape): SoundedNote[] {
  const note = (string: StringNumber, own: number | null, finger: Finger | null): SoundedNote => {
    // What the stroke brings with it goes before the shape that is held.
    const fret = own ?? shape.frets[STRINGS.indexOf(string)] ?? 0;
    const open = openPitch(instrument.tuning, string, instrument.capo);
    const touched = marksOn(motion, string).some((m) => markRow(m).node) ? harmonicPitch(open, fret) : null;
    return { string, fret, finger, midi: touched ?? midi(open + fret) };
  };
  if (motion.kind === 'ligado') return [note(motion.string, motion.stop?.fret ?? null, null)];
  if (motion.kind !== 'stroke') return [];
  const bass = bassPlace(motion, shape, instrument, next);
  if (bass) return [note(bass.string, bass.fret, motion.fingers[0] ?? null)];
  const pairs = motion.dir ? strummed(motion, shape) : plucked(motion, shape);
  return pairs.map(({ string, finger }) => note(string, stopOn(motion, string)?.fret ?? null, finger));
}

/** A bass that is no note of the shape. */
function bassPlace({ strings }: Stroke, shape: Shape, instrument: Instrument, next: Shape): NeckPlace | null {
  if (strings === 'fifth') return fifthInBass(shape, instrument);
  return strings === 'lead' ? leadNote(shape, next, instrument) : null;
}

interface Pair {
  readonly string: StringNumber;
  readonly finger: Finger | null;
}
const sounding = (shape: Shape): readonly StringNumber[] => STRINGS.filter((_, i) => shape.frets[i] !== null);
/** So many strings that sound, from the bass on. */
const fromBass = (shape: Shape, choice: string): readonly StringNumber[] =>
  sounding(shape).slice(0, Number(choice.split(' ')[1]));

/** The strings that a stroke names, or leaves to the chord; null where the fingers live. */
function chosenStrings(stroke: Stroke, shape: Shape): readonly StringNumber[] | null {
  const { strings } = stroke;
  if (strings === null || strings === 'fifth' || strings === 'lead') return null;
  if (strings === 'bass') return [bassString(shape) ?? 6];
  if (strings === 'treble') return trebleSet(shape);
  return numberedStrings(stroke) ?? fromBass(shape, strings as string);
}

function strummed(stroke: Stroke, shape: Shape): Pair[] {
  const finger = stroke.fingers[0] ?? null;
  const strings = chosenStrings(stroke, shape) ?? sounding(shape);
  return [...strings]
    .sort((a, b) => (stroke.dir === 'd' ? b - a : a - b))
    .map((string) => ({ string, finger: stroke.plectrum ? null : (finger ?? 'i') }));
}

function plucked(stroke: Stroke, shape: Shape): Pair[] {
  const { strings, fingers } = stroke;
  const numbered = numberedStrings(stroke);
  if (stroke.open !== undefined)
    return (chosenStrings(stroke, shape) ?? trebleSet(shape))
      .slice(0, stroke.open)
      .map((string) => ({ string, finger: null }));
  if (numbered || (typeof strings === 'string' && strings.startsWith('bass '))) {
    const list = numbered ?? fromBass(shape, strings as string);
    return fingers.flatMap((finger, i) => {
      const string = numbered ? (list[i] ?? 1) : list[i];
      return string === undefined ? [] : [{ finger, string }];
    });
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
