import { transposeChord } from '../../chord/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { openPitch } from '../../instrument/index.js';
import { type Ask, settled } from '../../player/index.js';
import { SearchCancelled, type SearchWatch } from '../../search/index.js';
import { STRINGS } from '../../time/index.js';
import {
  type FretEvent,
  type FretLineRequest,
  type FretRefusal,
  holdingFor,
  leastFretting,
} from '../fret-line/index.js';

export interface KeyRequest extends Omit<FretLineRequest, 'k'> {
  /** Semitones up or down to be tried; default the octave around, −6 … 5. */
  readonly transpositions?: readonly number[];
  /** Capo frets to be tried; default 0 … 7. */
  readonly capos?: readonly number[];
}
/** What a key has not that the passage has. */
export type LostKey = 'open basses' | FretRefusal;
export interface RankedKey {
  /** Semitones from where it stands. */
  readonly transposed: number;
  readonly capo: number;
  /** Points of its best fretting; null where there is none. */
  readonly total: number | null;
  /** Lowest and highest single note as they sound; null of chords alone. */
  readonly lowest: number | null;
  readonly highest: number | null;
  /** What is lost against the passage as it stands; empty when nothing. */
  readonly lost: readonly Fact<LostKey>[];
}
/** Twelve keys around the present one. */
const AROUND: readonly number[] = Array.from({ length: 12 }, (_, n) => n - 6);
const CAPOS: readonly number[] = Array.from({ length: 8 }, (_, n) => n);

const moved = (events: readonly FretEvent[], by: number): FretEvent[] =>
  events.map((e) => ({
    ...e,
    notes: e.notes.map((n) => ({ ...n, midi: n.midi + by })),
    ...(e.chord === undefined ? {} : { chord: transposeChord(e.chord, by) }),
  }));

/** Strings and fingers that were given belong to one key: notes are left free, shapes become their notes. */
function freed(request: FretLineRequest): FretEvent[] {
  const { tuning, neck } = request;
  return request.events.map(({ at, notes, shapes, chord, rings }): FretEvent => {
    const ring = rings === undefined ? {} : { rings };
    if (chord !== undefined) return { at, notes: [], chord, ...ring };
    const held = shapes?.[0];
    if (held)
      return {
        at,
        notes: STRINGS.flatMap((s, i) => {
          const fret = held.frets[i] ?? null;
          return fret === null ? [] : [{ midi: openPitch(tuning, s, neck.capo) + fret, ...ring }];
        }),
      };
    return {
      at,
      notes: notes.map((n) => (n.rings === undefined ? { midi: n.midi } : { midi: n.midi, rings: n.rings })),
    };
  });
}

/** How many of the lowest notes that begin together with others, or ring, are open strings. */
function openBasses(request: FretLineRequest): number {
  return request.events.filter((e) => {
    const bass = e.notes.find((n) => n.rings !== undefined);
    return bass && STRINGS.some((s) => openPitch(request.tuning, s, request.neck.capo) === bass.midi);
  }).length;
}

/**
 * Every transposition with every capo place through the fretting solver, the easiest first; those that
 * can't be played come last. Strings and fingers that were given are left free, for they belong to one key.
 * @throws SearchCancelled when the watch says so
 */
export function rankKeys(ask: Ask<KeyRequest>, watch: SearchWatch = {}): RankedKey[] {
  const request = settled<KeyRequest>(ask);
  const { transpositions = AROUND, capos = CAPOS } = request;
  const free = freed(request);
  const pitches = free.flatMap((e) => e.notes.map((n) => n.midi));
  const basses = openBasses({ ...request, events: free });
  const ranked: RankedKey[] = [];
  capos.forEach((capo, c) => {
    const neck = { ...request.neck, capo };
    // Keys on the same neck share most of their notes.
    const holding = holdingFor({ ...request, neck });
    for (const [t, transposed] of transpositions.entries()) {
      watch.progress?.((c + t / transpositions.length) / capos.length);
      const events = moved(free, transposed);
      if (watch.cancelled?.()) throw new SearchCancelled();
      const own = { ...request, events, neck };
      const least = leastFretting(own, holding);
      const open = openBasses(own);
      const lost: Fact<LostKey>[] = [];
      if (open < basses) lost.push(fact('open basses', basses - open, basses));
      if (typeof least !== 'number') lost.push(least);
      ranked.push({
        transposed,
        capo,
        total: typeof least === 'number' ? least : null,
        lowest: pitches.length ? Math.min(...pitches) + transposed : null,
        highest: pitches.length ? Math.max(...pitches) + transposed : null,
        lost,
      });
    }
  });
  const far = (k: RankedKey) => Math.abs(k.transposed) + k.capo / 100;
  return ranked.sort((a, b) => (a.total ?? Infinity) - (b.total ?? Infinity) || far(a) - far(b));
}
