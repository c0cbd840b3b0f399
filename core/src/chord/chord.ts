import chordLibrary from '@tonaljs/chord';
import { type Fact, fact, quoted } from '../fault/index.js';
import { pitchClassOf } from '../instrument/index.js';

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
export type ChordRefusal = 'symbol too long' | 'no chord symbol' | 'chord not known';
export type ChordReading =
  | { readonly ok: true; readonly chord: ChordNotes }
  | { readonly ok: false; readonly refusal: Fact<ChordRefusal>; readonly near: readonly string[] };

/** Signs and spellings that players use, as the library reads them. */
const plain = (text: string) =>
  text
    .trim()
    .replace(/♯/g, '#')
    .replace(/♭/g, 'b')
    .replace(/ø7?/g, 'm7b5')
    .replace(/°/g, 'dim')
    .replace(/Δ7?/g, 'maj7')
    .replace(/[()\s]/g, '')
    .replace(/^([A-Ga-g][#b]?)[-−](?=\d|$)/, '$1m')
    .replace(/^([a-g])/, (l) => l.toUpperCase());

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
  const symbol = plain(text);
  const slash = /^(.+)\/([A-G][#b]?)$/.exec(symbol);
  const head = slash?.[1] ?? symbol;
  const bass = slash ? pitchClassOf(slash[2] ?? '') : null;
  const found = chordLibrary.get(head);
  const root = pitchClassOf(found.tonic ?? '');
  if (found.empty || root === null) return unknown(text.trim(), head);
  const perfectFifth = found.intervals.includes('5P');
  const seen = new Set<number>();
  const tones = found.notes.flatMap((name, i) => {
    const pitchClass = pitchClassOf(name);
    if (pitchClass === null || seen.has(pitchClass)) return [];
    seen.add(pitchClass);
    const interval = found.intervals[i] ?? '';
    return [{ pitchClass, interval, needed: !(perfectFifth && interval === '5P') }];
  });
  // A bass that is no tone of the chord belongs to it all the same.
  if (bass !== null && !seen.has(bass)) tones.push({ pitchClass: bass, interval: 'bass', needed: true });
  return { ok: true, chord: { symbol: text.trim(), tones, root, bass } };
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

const SPELLED = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'G#', 'A', 'Bb', 'B'];
/**
 * The same chord so many semitones higher, its bass too; what is no chord symbol stays as it is.
 * @example transposeChord('Am7', 2) // 'Bm7'
 */
export function transposeChord(text: string, semitones: number): string {
  const up = (name: string): string => {
    const pitchClass = pitchClassOf(plain(name));
    return pitchClass === null ? name : (SPELLED[(((pitchClass + semitones) % 12) + 12) % 12] ?? name);
  };
  return text.replace(/^([A-Ga-g][#b♯♭]?)/, up).replace(/\/([A-G][#b♯♭]?)$/, (_, bass: string) => `/${up(bass)}`);
}

function unknown(text: string, head: string): ChordReading {
  const german = /^H(.*)$/.exec(head);
  const root = /^[A-G][#b]?/.exec(head)?.[0] ?? (german ? 'B' : '');
  if (!root)
    return {
      ok: false,
      refusal: fact('no chord symbol', quoted(text)),
      near: [],
    };
  const rest = german ? (german[1] ?? '') : head.slice(root.length);
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
