import { type ChordNotes, readChord } from '../chord/index.js';
import { openPitch } from '../instrument/index.js';
import { numberedStrings, stopOn } from '../stroke/index.js';
import { type StringNumber, STRINGS, type Ticks } from '../time/index.js';
import type { Score } from './model.js';

/** What the strokes make of a chord, where that is not what its name and its shape promise. */
export interface ChordSound {
  readonly name: string;
  /** Strings that are struck and that the shape mutes, each with the first place. */
  readonly muted: readonly { readonly string: StringNumber; readonly at: Ticks }[];
  /** Tones that make the chord what it is, third or seventh, on none of the strings that are struck. */
  readonly unheard: readonly string[];
  /** Strings whose note in the shape is no tone of the chord. */
  readonly foreign: readonly StringNumber[];
}

/** Fewer strings than this say nothing of a chord: a bass alone, two notes of a line. */
const A_CHORD = 3;

/** The chords of a score whose strokes or shapes do not bear their names out; each name once. */
export function chordSounds({ chords, events, instrument }: Score): ChordSound[] {
  const found = new Map<string, { struck: Set<StringNumber>; pitches: Set<number>; muted: Map<StringNumber, Ticks> }>();
  for (const e of events) {
    const chord = chords[e.chord];
    if (!chord?.known || chord.name === '') continue;
    const own = found.get(chord.name) ?? { struck: new Set(), pitches: new Set(), muted: new Map() };
    found.set(chord.name, own);
    for (const n of e.notes) {
      own.struck.add(n.string);
      own.pitches.add(n.midi % 12);
    }
    const { motion } = e;
    if (motion.kind !== 'stroke') continue;
    for (const string of numberedStrings(motion) ?? [])
      if (!stopOn(motion, string) && chord.shape.frets[STRINGS.indexOf(string)] === null && !own.muted.has(string))
        own.muted.set(string, e.at);
  }
  return [...found].flatMap(([name, { struck, pitches, muted }]): ChordSound[] => {
    const read = readChord(name);
    const shape = chords.find((c) => c.name === name)?.shape;
    const tones = read.ok ? read.chord.tones : [];
    const foreign = STRINGS.filter((string, i) => {
      const fret = shape?.frets[i] ?? null;
      const pitch = fret === null ? null : (openPitch(instrument.tuning, string, instrument.capo) + fret) % 12;
      return read.ok && pitch !== null && !tones.some((t) => t.pitchClass === pitch);
    });
    // Where the shape is another chord, that is what there is to say.
    const unheard =
      struck.size < A_CHORD || foreign.length
        ? []
        : tones.filter((t) => telling(t) && !pitches.has(t.pitchClass)).map((t) => t.interval);
    const strings = [...muted].map(([string, at]) => ({ string, at }));
    return strings.length + unheard.length + foreign.length ? [{ name, muted: strings, unheard, foreign }] : [];
  });
}
/** Thirds and sevenths, and what stands in for them: a fourth, a sixth. */
const telling = ({ interval, needed }: ChordNotes['tones'][number]): boolean => needed && /^[3467]/.test(interval);
