import { type Fact, fact } from '../../fault/index.js';
import type { Instrument } from '../../instrument/index.js';
import { harmonicPitch, lastFret, openPitch } from '../../instrument/index.js';
import { type HandProfile, neckOf } from '../../player/index.js';
import { type FretEvent, fretLine, type FretLineRequest, fretSchool } from '../../solve/fret-line/index.js';
import { HIGHEST_STOP } from '../../script/index.js';
import { markRow } from '../../stroke/index.js';
import { type Bpm, STRINGS, ticks } from '../../time/index.js';
import type { LaidNote, LaidStroke } from './lay.js';
import type { ImportNote, ImportRefusal } from './model.js';

export interface FrettedPart {
  readonly strokes: readonly LaidStroke[];
  readonly notes: readonly ImportNote[];
  /** So many notes had no place, or none that the strings have. */
  readonly fretted: number;
}
/** Ringing is ended stroke by stroke so often; then all of it is, for each stroke alone can be held by then. */
const MOST_TRIES = 6;
/** Ways of a stroke that are weighed: all that a few notes have, and of full chords the most comfortable. */
const MOST_WAYS = 24;

/**
 * Every note with its place on the neck: as the file has it where the strings bear it out, else where the left hand has
 * the least to do. What lies beyond the neck, or can't be held with the rest, is left out and told.
 */
export function fretPart(
  strokes: readonly LaidStroke[],
  instrument: Instrument,
  profile: HandProfile,
  tempo: Bpm,
  progress?: (share: number) => void,
): FrettedPart | Fact<ImportRefusal> {
  const { tuning, capo } = instrument;
  const open = (string: number) => openPitch(tuning, STRINGS.find((s) => s === string) ?? 6, capo);
  const highest = Math.max(...STRINGS.map(open)) + lastFret(capo);
  const lowest = Math.min(...STRINGS.map(open));
  const { whole, notes } = onTheNeck(strokes, open, [lowest, highest]);
  const sounds = whole.filter((s) => s.notes.some((n) => n.midi !== null));
  const fretted = sounds.reduce((sum, s) => sum + s.notes.filter((n) => !isPlaced(n)).length, 0);
  if (fretted === 0) return { strokes: whole, notes, fretted };
  const request = {
    tuning,
    neck: neckOf(profile, capo),
    bpm: tempo,
    profile,
    school: fretSchool('open'),
    highestFret: lastFret(capo),
    k: 1,
    mostWays: MOST_WAYS,
  };
  const alone = eachPlayable(sounds, request);
  let { strokes: now, lighter: held } = alone;
  if (now.length === 0) return fact('not to be fretted', 'event can’t be played');
  for (let tries = 0; ; tries++) {
    const watch = progress ? { progress: (share: number) => progress((tries + share) / (tries + 1)) } : {};
    const result = fretLine({ ...request, events: eventsOf(now) }, watch);
    if (!result.infeasible) {
      const strokes = withPlaces(whole, now, result.answers[0]?.steps ?? []);
      return { strokes, notes: [...notes, ...counted('can’t be held', held)], fretted };
    }
    const [why] = result.infeasible;
    const at = Number(why?.about[0]) - 1;
    // Ringing into each other is all that stands in the way of strokes that can each be held.
    const ended = tries < MOST_TRIES && Number.isInteger(at) ? endedAt(now, at) : null;
    if (!ended && now.every((s) => s.notes.every((n) => n.end <= s.until)))
      return fact('not to be fretted', why?.code ?? '');
    held++;
    now = ended ?? now.map((s) => ({ ...s, notes: s.notes.map((n) => ({ ...n, end: Math.min(n.end, s.until) })) }));
  }
}
const counted = (code: ImportNote['code'], n: number): ImportNote[] => (n > 0 ? [fact(code, n)] : []);
/** What lies on the neck and on strings of its own, with the places that the strings bear out; the rest is told. */
function onTheNeck(
  strokes: readonly LaidStroke[],
  open: (string: number) => number,
  [lowest, highest]: readonly [number, number],
) {
  let [beyond, many, unlike] = [0, 0, 0];
  const cleaned = strokes.map((stroke): LaidStroke => {
    const placed = stroke.notes.map((n) => {
      const fits = placeFits(n, open);
      if (!fits && n.string !== null && n.fret !== null) unlike++;
      return fits ? n : { ...n, string: null, fret: null };
    });
    const within = placed.filter((n) => isPlaced(n) || ((n.midi ?? 0) >= lowest && (n.midi ?? 0) <= highest));
    beyond += placed.length - within.length;
    const once = oneAString(within);
    many += within.length - once.length;
    return { ...stroke, notes: once };
  });
  const notes = [
    ...counted('beyond the neck', beyond),
    ...counted('too many at once', many),
    ...counted('strings not as the tuning', unlike),
  ];
  return { whole: cleaned.filter((s) => s.notes.length > 0), notes };
}
/** All strokes with the places that were found for those that sound; taps stay as they are. */
function withPlaces(
  whole: readonly LaidStroke[],
  sounding: readonly LaidStroke[],
  steps: readonly (readonly { readonly string: LaidNote['string']; readonly fret: LaidNote['fret'] }[])[],
): LaidStroke[] {
  const places = new Map(sounding.map((stroke, n) => [stroke.at, { stroke, own: steps[n] ?? [] }] as const));
  return whole.flatMap((s): LaidStroke[] => {
    const found = places.get(s.at);
    if (!found) return s.notes.some((n) => n.midi === null) ? [s] : [];
    const taps = s.notes.filter((n) => n.midi === null);
    const pitched = found.stroke.notes.filter((n) => n.midi !== null);
    const placed = pitched.map((n, i): LaidNote => {
      const step = found.own[i];
      return step && !isPlaced(n) ? { ...n, string: step.string, fret: step.fret } : n;
    });
    return [{ ...s, notes: [...placed, ...taps] }];
  });
}
const isPlaced = (n: LaidNote): boolean => n.midi === null || (n.string !== null && n.fret !== null);
const placeFits = (n: LaidNote, open: (string: number) => number): boolean =>
  n.string !== null &&
  n.fret !== null &&
  n.fret <= HIGHEST_STOP &&
  (n.midi === null || soundingAt(n, open(n.string), n.fret) === n.midi);
const soundingAt = ({ marks }: LaidNote, open: number, fret: number): number =>
  (marks.some((m) => markRow(m).node) ? harmonicPitch(open, fret) : null) ?? open + fret;
/** No string twice, and no more notes than strings: the lowest and the highest stay. */
function oneAString(notes: readonly LaidNote[]): LaidNote[] {
  const strings = new Set<number>();
  const pitches = new Set<number>();
  const own = notes.filter((n) => {
    if (n.string !== null && strings.has(n.string)) return false;
    if (n.string === null && n.midi !== null && pitches.has(n.midi)) return false;
    if (n.string !== null) strings.add(n.string);
    if (n.midi !== null) pitches.add(n.midi);
    return true;
  });
  const sounding = own.filter((n) => n.midi !== null).sort((a, b) => (a.midi ?? 0) - (b.midi ?? 0));
  while (sounding.length > STRINGS.length) sounding.splice(sounding.length >> 1, 1);
  return own.filter((n) => n.midi === null || sounding.includes(n));
}
function eventsOf(strokes: readonly LaidStroke[]): FretEvent[] {
  return strokes.map((s, i) => ({
    at: ticks(s.at),
    notes: s.notes.flatMap((n) => {
      if (n.midi === null) return [];
      const next = strokes[i + 1]?.at ?? n.end;
      const rings = n.end > next ? { rings: ticks(n.end - s.at) } : {};
      return [
        {
          midi: n.midi,
          ...(n.string === null ? {} : { string: n.string }),
          ...(n.left === null ? {} : { finger: n.left }),
          ...rings,
        },
      ];
    }),
  }));
}
type Hand = Omit<FretLineRequest, 'events'>;
const canPlay = (notes: readonly LaidNote[], request: Hand): boolean =>
  fretLine({ ...request, events: eventsOf([{ at: 0, until: 1, notes }]) }).infeasible === undefined;
const chordOf = (notes: readonly LaidNote[]): string => notes.map((n) => `${n.midi}.${n.string}.${n.left}`).join();
const pitchesOf = ({ notes }: LaidStroke): string => notes.map((n) => n.midi).join();

/**
 * The strokes each of which a hand can hold by itself: where it can't as it stands its pins go, then as few notes as can be.
 * Strokes that are alike are looked at once.
 */
function eachPlayable(strokes: readonly LaidStroke[], request: Hand): { strokes: LaidStroke[]; lighter: number } {
  const known = new Map<string, ((notes: readonly LaidNote[]) => LaidNote[]) | null>();
  let lighter = 0;
  const lightened = (notes: readonly LaidNote[]): ((own: readonly LaidNote[]) => LaidNote[]) | null => {
    if (canPlay(notes, request)) return null;
    lighter++;
    const free = notes.map(unpinned);
    if (canPlay(free, request)) return (own) => own.map(unpinned);
    const kept = most(free, (some) => canPlay(some, request)) ?? new Set<number>();
    return (own) => own.map(unpinned).filter((_, i) => kept.has(i));
  };
  const made = strokes.map((s): LaidStroke => {
    const pitched = s.notes.filter((n) => n.midi !== null);
    const key = chordOf(pitched);
    const change = known.has(key) ? (known.get(key) ?? null) : lightened(pitched);
    known.set(key, change);
    return change ? { ...s, notes: change(pitched) } : s;
  });
  return { strokes: made.filter((s) => s.notes.some((n) => n.midi !== null)), lighter };
}
const unpinned = (n: LaidNote): LaidNote => ({ ...n, left: null, string: null, fret: null });

/** The line in which what rings into a stroke, and into all that are like it, ends there; null where nothing does. */
function endedAt(strokes: readonly LaidStroke[], at: number): LaidStroke[] | null {
  const own = strokes[at];
  if (!own) return null;
  const ends = strokes.filter((s) => pitchesOf(s) === pitchesOf(own)).map((s) => s.at);
  const cut = (n: LaidNote, begin: number): LaidNote => {
    const into = ends.find((e) => e > begin && e < n.end);
    return into === undefined ? n : { ...n, end: into };
  };
  const ended = strokes.map((s) => ({ ...s, notes: s.notes.map((n) => cut(n, s.at)) }));
  return ended.some((s, n) => s.notes.some((x, i) => x !== strokes[n]?.notes[i])) ? ended : null;
}
/** The most of some notes that can be played at once, the highest and the lowest among them where that can be. */
function most(
  notes: readonly LaidNote[],
  playable: (notes: readonly LaidNote[]) => boolean,
): ReadonlySet<number> | null {
  const order = notes.map((n, i) => ({ midi: n.midi ?? 0, i })).sort((a, b) => a.midi - b.midi);
  const weight = (set: number): number =>
    order.reduce((sum, _, n) => {
      const edge = n === order.length - 1 ? 0.5 : n === 0 ? 0.25 : 0;
      return sum + (set & (1 << n) ? 1 + edge : 0);
    }, 0);
  if (order.length < 2) return null;
  const sets = Array.from({ length: (1 << order.length) - 2 }, (_, n) => n + 1).sort((a, b) => weight(b) - weight(a));
  for (const set of sets) {
    const chosen = new Set(order.filter((_, n) => set & (1 << n)).map((o) => o.i));
    if (playable(notes.filter((_, i) => chosen.has(i)))) return chosen;
  }
  return null;
}
