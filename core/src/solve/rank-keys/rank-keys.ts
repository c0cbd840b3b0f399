import { transposeChord } from '../../chord/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { openPitch } from '../../instrument/index.js';
import { type Ask, settled } from '../../player/index.js';
import { SearchCancelled, type SearchWatch } from '../../search/index.js';
import { midi, type Midi, STRINGS } from '../../time/index.js';
import {
  type FretEvent,
  type FretLineRequest,
  type FretRefusal,
  holdingFor,
  leastFretting,
  pedalsIn,
} from '../fret-line/index.js';

export interface KeyRequest extends Omit<FretLineRequest, 'k'> {
  /** Semitones up or down to be tried; default the octave around, −6 … 5. */
  readonly transpositions?: readonly number[];
  /** Capo frets to be tried; default 0 … 7. */
  readonly capos?: readonly number[];
}
/** What a key has not that the passage has. */
export type LostKey = 'open basses' | 'open pedal' | FretRefusal;
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

/** Lines longer than this are weighed by the cheapest ways of each event: places are compared, not fingered. */
const LONG = 48;
const FEW_WAYS = 4;

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

/** Strokes of a pedal that have no open string in another key. */
const closedPedals = (request: FretLineRequest, pedals: readonly Midi[], by: number): number => {
  const open = STRINGS.map((s) => openPitch(request.tuning, s, request.neck.capo));
  return pedals.filter((pitch) => !open.includes(midi(pitch + by))).length;
};

/**
 * Every transposition with every capo place through the fretting solver: those in which a pedal stays open before the
 * others, the easiest first; those that can't be played come last. All events count; of lines of more than 48 the four
 * cheapest ways of each are weighed. Strings and fingers that were given are left free, for they belong to one key.
 * @throws SearchCancelled when the watch says so
 */
export function rankKeys(ask: Ask<KeyRequest>, watch: SearchWatch = {}): RankedKey[] {
  const request = settled<KeyRequest>(ask);
  const { transpositions = AROUND, capos = CAPOS } = request;
  const free = freed(request);
  const pitches = free.flatMap((e) => e.notes.map((n) => n.midi));
  const basses = openBasses({ ...request, events: free });
  const pedals = pedalsIn({ ...request, events: free }).flatMap((p) => p ?? []);
  const ranked: { key: RankedKey; closed: number }[] = [];
  capos.forEach((capo, c) => {
    const neck = { ...request.neck, capo };
    // Keys on the same neck share most of their notes.
    const holding = holdingFor({ ...request, neck });
    for (const [t, transposed] of transpositions.entries()) {
      watch.progress?.((c + t / transpositions.length) / capos.length);
      const events = moved(free, transposed);
      if (watch.cancelled?.()) throw new SearchCancelled();
      const own = { ...request, events, neck, ...(events.length > LONG ? { mostWays: FEW_WAYS } : {}) };
      const least = leastFretting(own, holding);
      const open = openBasses(own);
      const closed = closedPedals(own, pedals, transposed);
      const lost: Fact<LostKey>[] = [];
      if (closed > 0) lost.push(fact('open pedal', closed, pedals.length));
      if (open < basses) lost.push(fact('open basses', basses - open, basses));
      if (typeof least !== 'number') lost.push(least);
      const key: RankedKey = {
        transposed,
        capo,
        total: typeof least === 'number' ? least : null,
        lowest: pitches.length ? Math.min(...pitches) + transposed : null,
        highest: pitches.length ? Math.max(...pitches) + transposed : null,
        lost,
      };
      ranked.push({ key, closed });
    }
  });
  const far = (k: RankedKey) => Math.abs(k.transposed) + k.capo / 100;
  const minds = ({ key, closed }: (typeof ranked)[number]): readonly number[] => [
    key.total === null ? 1 : 0,
    closed,
    key.total ?? 0,
    far(key),
  ];
  return ranked.sort((a, b) => firstApart(minds(a), minds(b))).map((r) => r.key);
}
/** The difference of two lists where they first differ. */
const firstApart = (a: readonly number[], b: readonly number[]): number => {
  const at = a.findIndex((x, i) => x !== b[i]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
};
