import { type Key, MODES } from '../piece/index.js';

/** Sharps of a key, or flats below nought. */
export type Signature = number;
/** Signatures beyond so many signs are written as their other name. */
const MOST_SIGNS = 6;
/** Letters a fifth apart, from F; C is the one in the middle of no signs. */
const FIFTHS = ['F', 'C', 'G', 'D', 'A', 'E', 'B'] as const;
const SIGNS = ['bb', 'b', '', '#', '##'] as const;
/** A scale goes from one fifth below its signature to five above; what is beside it from three below to eight above. */
const SCALE = [-1, 5] as const;
const BESIDE = [-3, 8] as const;

/** A name by its place on the line of fifths, C = 0. */
function nameAt(place: number): { name: string; pitchClass: number } {
  const letter = FIFTHS[(((place + 1) % 7) + 7) % 7] ?? 'C';
  const sign = SIGNS[Math.floor((place + 1) / 7) + 2] ?? '';
  return { name: `${letter}${sign}`, pitchClass: (((place * 7) % 12) + 12) % 12 };
}
const range = ([from, to]: readonly [number, number], signature: Signature) =>
  Array.from({ length: to - from + 1 }, (_, i) => nameAt(signature + from + i));
const scales = new Map<Signature, ReadonlySet<number>>();
function scaleOf(signature: Signature): ReadonlySet<number> {
  const there = scales.get(signature) ?? new Set(range(SCALE, signature).map((n) => n.pitchClass));
  scales.set(signature, there);
  return there;
}
/**
 * The names of all pitch classes, from C on, in the key of a signature: its scale's, beside it what leads up, and the third
 * and the seventh lowered.
 * @example namesIn(-1).join(' ') // 'C C# D Eb E F F# G Ab A Bb B'
 */
export function namesIn(signature: Signature): readonly string[] {
  const names: string[] = [];
  for (const { name, pitchClass } of range(BESIDE, signature)) names[pitchClass] = name;
  return names;
}

/**
 * The signature under which the fewest notes need a sign of their own; of equals the one with the fewest signs. A Phrygian
 * key has its scale's, with the raised third beside the notes.
 * @param pitches what is struck, each as often as it is
 * @example signatureOf([57, 59, 61, 62, 64, 66, 68]) // 3
 */
export function signatureOf(pitches: readonly number[]): Signature {
  const struck = Array.from({ length: 12 }, () => 0);
  for (const p of pitches) struck[((p % 12) + 12) % 12] = (struck[((p % 12) + 12) % 12] ?? 0) + 1;
  let [best, fewest]: [Signature, number] = [0, Infinity];
  // No signs first, then one sharp, one flat, and so on.
  for (let n = 0; n <= MOST_SIGNS; n++)
    for (const signature of n === 0 ? [0] : [n, 0 - n]) {
      const scale = scaleOf(signature);
      const signs = struck.reduce((sum, times, pc) => sum + (scale.has(pc) ? 0 : times), 0);
      if (signs < fewest) [best, fewest] = [signature, signs];
    }
  return best;
}

/** So many fifths a mode's scale lies beside the major one on the same tonic. */
const BESIDE_MAJOR: Readonly<Record<Key['mode'], number>> = {
  major: 0,
  mixolydian: -1,
  dorian: -2,
  minor: -3,
  phrygian: -4,
};
/** Beyond so many signs a key is written by its other name: so many fifths away. */
const OTHER_NAME = 12;
/**
 * The signature of a key, that of its other name where it has more than six signs.
 * @example signatureOfKey({ tonic: 'A', mode: 'phrygian' }) // -1
 */
export function signatureOfKey({ tonic, mode }: Key): Signature {
  const letter = FIFTHS.indexOf((tonic[0] ?? 'C') as 'F') - 1;
  const sign = tonic.endsWith('#') ? 7 : tonic.endsWith('b') ? -7 : 0;
  const own = letter + sign + BESIDE_MAJOR[mode];
  return own > MOST_SIGNS ? own - OTHER_NAME : own < 0 - MOST_SIGNS ? own + OTHER_NAME : own;
}
/**
 * The key of a signature in a mode; null where the mode is none, or the signature has too many signs.
 * @param mode as a file names it
 * @example keyOf(1, 'minor') // { tonic: 'E', mode: 'minor' }
 */
export function keyOf(signature: Signature, mode: string): Key | null {
  const own = MODES.find((m) => m === mode);
  if (!own || !Number.isInteger(signature) || Math.abs(signature) > MOST_SIGNS) return null;
  return { tonic: nameAt(signature - BESIDE_MAJOR[own]).name, mode: own };
}

/**
 * What the signature itself does to a letter.
 * @example alterIn(2, 'C') // 1
 */
export function alterIn(signature: Signature, letter: string): -1 | 0 | 1 {
  const at = FIFTHS.indexOf(letter as 'F');
  if (signature > 0) return at < signature ? 1 : 0;
  return FIFTHS.length - 1 - at < 0 - signature ? -1 : 0;
}
