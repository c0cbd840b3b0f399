import { type ChordNotes, fifthOf, readChord } from '../../chord/index.js';
import type { BassRequest, BassRole } from './model.js';

/** What a chord's symbol says about its basses. */
export interface BassTones {
  /** The bass that is named after the slash, else the root. */
  readonly root: number;
  readonly fifth: number;
  /** All tones of the chord, as pitch classes. */
  readonly tones: ReadonlySet<number>;
  /** The notes by which one walks under it. */
  readonly scale: ReadonlySet<number>;
}

/** Semitones over the root, by the kind of chord. */
const SCALES = {
  major: [0, 2, 4, 5, 7, 9, 11],
  seventh: [0, 2, 4, 5, 7, 9, 10],
  flatNinth: [0, 1, 4, 5, 7, 8, 10],
  /** The sixth either way: a second degree has it high, a sixth degree low. */
  minor: [0, 2, 3, 5, 7, 8, 9, 10],
  halfDiminished: [0, 1, 3, 5, 6, 8, 10],
  diminished: [0, 2, 3, 5, 6, 8, 9, 11],
} as const;

function scaleOf({ tones }: ChordNotes): readonly number[] {
  const has = (...intervals: string[]) => intervals.every((i) => tones.some((t) => t.interval === i));
  if (has('3m', '5d')) return has('7m') ? SCALES.halfDiminished : SCALES.diminished;
  if (has('3m')) return SCALES.minor;
  if (has('9m') || has('2m')) return SCALES.flatNinth;
  return has('7m') || !has('3M') ? SCALES.seventh : SCALES.major;
}

/** Symbols are read once: a line asks for them stroke after stroke. */
const known = new Map<string, BassTones | null>();
const MOST_KNOWN = 500;
/** @returns null for what is no chord symbol */
export function bassTones(symbol: string): BassTones | null {
  const before = known.get(symbol);
  if (before !== undefined) return before;
  const read = readChord(symbol);
  let found: BassTones | null = null;
  if (read.ok) {
    const { chord } = read;
    const tones = new Set(chord.tones.map((t) => t.pitchClass));
    found = {
      root: chord.bass ?? chord.root,
      fifth: fifthOf(chord),
      tones,
      scale: new Set([...tones, ...scaleOf(chord).map((s) => (chord.root + s) % 12)]),
    };
  }
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(symbol, found);
  return found;
}

/** What each stroke is to its chord: the first is the root, whatever the habit. */
export function rolesOf({ strokes, chords, habit, round }: BassRequest): BassRole[] {
  let [since, chord] = [0, -1];
  return strokes.map((s, n): BassRole => {
    since = s.chord === chord ? since + 1 : 0;
    chord = s.chord;
    if (since === 0 || habit === 'root') return 'root';
    if (habit === 'root fifth') return since % 2 ? 'fifth' : 'root';
    const next = strokes[n + 1] ?? (round ? strokes[0] : undefined);
    const changes = !!next && next.chord !== s.chord && rootOf(chords[next.chord]) !== rootOf(chords[s.chord]);
    return changes ? 'approach' : 'walk';
  });
}
const rootOf = (chord: { readonly symbol: string } | undefined) => (chord ? bassTones(chord.symbol)?.root : undefined);
