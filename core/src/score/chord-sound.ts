import { isCalled, readChord } from '../chord/index.js';
import { openPitch } from '../instrument/index.js';
import { soundingSymbol } from '../left-hand/index.js';
import { numberedStrings, stopOn } from '../stroke/index.js';
import { type StringNumber, STRINGS, type Ticks } from '../time/index.js';
import type { Score } from './model.js';

/** What the strokes make of a chord, where that is not what its name and its shape promise. */
export interface ChordSound {
  readonly name: string;
  /** Strings that are struck and that the shape mutes, each with the first place. */
  readonly muted: readonly { readonly string: StringNumber; readonly at: Ticks }[];
  /** Tones that make the chord what it is, third, seventh or the colour it names, on none of the strings that are struck. */
  readonly unheard: readonly string[];
  /** Such tones that the shape has on no string at all. */
  readonly lacking: readonly string[];
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
    const shape = chords.find((c) => c.name === name)?.shape;
    const read = readChord(shape ? soundingSymbol(name, shape, instrument) : name);
    const tones = read.ok ? read.chord.tones : [];
    const held = STRINGS.flatMap((string, i) => {
      const fret = shape?.frets[i] ?? null;
      return fret === null
        ? []
        : [{ string, pitch: (openPitch(instrument.tuning, string, instrument.capo) + fret) % 12 }];
    });
    const foreign = read.ok ? held.flatMap((h) => (tones.some((t) => t.pitchClass === h.pitch) ? [] : [h.string])) : [];
    // Where the shape is another chord, that is what there is to say.
    const tell = foreign.length ? [] : tones.filter(isCalled);
    const isHeld = (t: (typeof tones)[number]) => held.some((h) => h.pitch === t.pitchClass);
    const lacking = tell.filter((t) => !isHeld(t)).map((t) => t.interval);
    const unheard =
      struck.size < A_CHORD ? [] : tell.filter((t) => isHeld(t) && !pitches.has(t.pitchClass)).map((t) => t.interval);
    const strings = [...muted].map(([string, at]) => ({ string, at }));
    return strings.length + unheard.length + lacking.length + foreign.length
      ? [{ name, muted: strings, unheard, lacking, foreign }]
      : [];
  });
}
