import chordLibrary from '@tonaljs/chord';
import { type Fact, fact, quoted } from '../fault/index.js';
import { pitchClassOf } from '../instrument/index.js';
import {
  type Degree,
  BASS_WRITTEN,
  degreeOf,
  noteOf,
  ROOT_WRITTEN,
  separated,
  takeApart,
  type WrittenSymbol,
} from './written-symbol.js';

/** A chord as pitch classes, 0 = C … 11 = B. */
export interface ChordNotes {
  readonly symbol: string;
  /** Each tone with its place in the chord; the fifth may be left out when it is perfect. */
  readonly tones: readonly { readonly pitchClass: number; readonly interval: string; readonly needed: boolean }[];
  readonly root: number;
  /** The bass named after a slash; else the root is wanted there, and not demanded. */
  readonly bass: number | null;
}
/** Why a text is no chord symbol. */
export type ChordRefusal =
  'symbol too long' | 'no chord symbol' | 'chord not known' | 'two readings' | 'several chords';
export type ChordReading =
  | { readonly ok: true; readonly chord: ChordNotes }
  | { readonly ok: false; readonly refusal: Fact<ChordRefusal>; readonly near: readonly string[] };

/** How the usual chord symbols go on after their root; '' is the major chord. */
export const USUAL_ENDINGS: readonly string[] = [
  '',
  'm',
  '7',
  'm7',
  'maj7',
  '6',
  'm6',
  '9',
  'm9',
  'maj9',
  '7b9',
  'm7b5',
  'dim7',
  'sus4',
  '7sus4',
  'add9',
  '69',
  '13',
];
const LONGEST_SYMBOL = 24;

/**
 * Reads a chord symbol, bass after a slash. What is not known comes back with the nearest readings.
 * @example readChord('G7/B').chord.bass // 11
 */
export function readChord(text: string): ChordReading {
  const before = readings.get(text);
  if (before) return before;
  const reading = readAnew(text);
  if (readings.size >= MOST_READ) readings.clear();
  readings.set(text, reading);
  return reading;
}
/** The same few symbols are asked for chord after chord. */
const readings = new Map<string, ChordReading>();
const MOST_READ = 500;
function readAnew(text: string): ChordReading {
  if (text.trim().length > LONGEST_SYMBOL)
    return { ok: false, refusal: fact('symbol too long', LONGEST_SYMBOL), near: [] };
  const apart = takeApart(text);
  const own = text.trim();
  if (apart && 'either' in apart)
    return { ok: false, refusal: fact('two readings', quoted(own), ...apart.either), near: apart.either };
  const chord = apart && build(own, apart);
  if (chord) return { ok: true, chord };
  const several = separated(own, (symbol) => readChord(symbol).ok);
  if (several !== null) return { ok: false, refusal: fact('several chords', quoted(own), several), near: [several] };
  return unknown(own, apart);
}
/** The tones of a symbol that was taken apart; null where the library does not know its chord. */
function build(symbol: string, { root: name, quality, added, bass: under }: WrittenSymbol): ChordNotes | null {
  const root = pitchClassOf(name);
  const found = chordLibrary.get(name + quality);
  if (root === null || found.empty || found.tonic !== name) return null;
  const degrees = added.map(degreeOf);
  if (degrees.some((d) => d === null)) return null;
  const more = degrees as readonly Degree[];
  const number = (interval: string) => interval.replace(/\D/g, '');
  // What is altered takes the place of what stood there.
  const replaced = new Set(more.map((d) => number(d.interval)));
  const all = [
    ...found.notes.map((note, i) => ({ pitchClass: pitchClassOf(note), interval: found.intervals[i] ?? '' })),
    ...more.map((d) => ({ pitchClass: (root + d.semitones) % 12, interval: d.interval })),
  ].filter((t, i) => i >= found.notes.length || !replaced.has(number(t.interval)));
  const perfectFifth = all.some((t) => t.interval === '5P');
  // A thirteenth is heard without its ninth too.
  const thirteenth = all.some((t) => t.interval === '13M');
  const seen = new Set<number>();
  const tones = all.flatMap(({ pitchClass, interval }) => {
    if (pitchClass === null || seen.has(pitchClass)) return [];
    seen.add(pitchClass);
    return [
      { pitchClass, interval, needed: !(perfectFifth && interval === '5P') && !(thirteenth && interval === '9M') },
    ];
  });
  const bass = under === null ? null : pitchClassOf(under);
  // A bass that is no tone of the chord belongs to it all the same.
  if (bass !== null && !seen.has(bass)) tones.push({ pitchClass: bass, interval: 'bass', needed: true });
  return { symbol, tones, root, bass };
}

const PERFECT_FIFTH = 7;
/**
 * The chord's own fifth: diminished or raised where it is so, perfect where the symbol says nothing of it.
 * @example fifthOf(readChord('Bm7b5').chord) // 5
 */
export const fifthOf = ({ tones, root }: ChordNotes): number =>
  tones.find((t) => t.interval.startsWith('5'))?.pitchClass ?? (root + PERFECT_FIFTH) % 12;
/** Tones that make a chord what it is: thirds and sevenths, and what stands in for them, a fourth, a sixth. */
export const isTelling = ({ interval, needed }: ChordNotes['tones'][number]): boolean =>
  needed && /^[3467]/.test(interval);

/** The colour that a symbol names over that: ninths, elevenths and thirteenths. */
export const isColour = ({ interval, needed }: ChordNotes['tones'][number]): boolean =>
  needed && /^(9|11|13)/.test(interval);
/**
 * What has to sound for a chord to be the one that is called.
 * @example readChord('C9').chord.tones.filter(isCalled).map((t) => t.interval) // ['3M', '7m', '9M']
 */
export const isCalled = (tone: ChordNotes['tones'][number]): boolean => isTelling(tone) || isColour(tone);

const SPELLED = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'G#', 'A', 'Bb', 'B'];
/** @example nameOfPitchClass(10) // 'Bb' */
export const nameOfPitchClass = (pitchClass: number): string => SPELLED[((pitchClass % 12) + 12) % 12] ?? '';
/**
 * The same chord so many semitones higher, its bass too; what is no chord symbol stays as it is.
 * @example transposeChord('Am7', 2) // 'Bm7'
 */
export function transposeChord(text: string, semitones: number): string {
  const up = (name: string): string => {
    const pitchClass = pitchClassOf(noteOf(name) ?? '');
    return pitchClass === null ? name : nameOfPitchClass(pitchClass + semitones);
  };
  return text.replace(ROOT_WRITTEN, up).replace(BASS_WRITTEN, (_, bass: string) => `/${up(bass)}`);
}

function unknown(text: string, apart: WrittenSymbol | null): ChordReading {
  const german = /^H(.*)$/.exec(text);
  const root = apart?.root ?? (german ? 'B' : '');
  if (!root) return { ok: false, refusal: fact('no chord symbol', quoted(text)), near: [] };
  const rest = german ? (german[1] ?? '') : `${apart?.quality ?? ''}${apart?.added.join('') ?? ''}`;
  const near = USUAL_ENDINGS.map((ending) => ({ ending, far: distance(rest, ending) }))
    .sort((a, b) => a.far - b.far)
    .slice(0, 3)
    .map((n) => root + n.ending);
  return { ok: false, refusal: fact('chord not known', quoted(text), ...near), near };
}

/** How many letters must be changed, added or taken away. */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++)
      next.push(
        Math.min((row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1, (row[j - 1] ?? 0) + (a[i - 1] === b[j - 1] ? 0 : 1)),
      );
    row = next;
  }
  return row[b.length] ?? 0;
}
