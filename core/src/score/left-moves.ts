import {
  fingeringFaults,
  type FingeringHand,
  handOn,
  type HoldingFinger,
  type LeftFinger,
  type Shape,
} from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import { hasMark } from '../stroke/index.js';
import { bpm, sixOf, STRINGS, ticks, type Ticks } from '../time/index.js';
import { changes, type TimedShape, type TimedStrings } from './changes.js';
import { stopFor } from './left-hand.js';
import type { Score, ScoreEvent, TimedGrip } from './model.js';
import { type PlacedChange, placeChanges, playedChords, pressingStrokes } from './section-changes.js';

/** One move of the left hand, between chords of the chart or among frets that strokes bring. */
export interface LeftMove extends PlacedChange {
  /** The strokes that it lies between; null between two chords of the chart. */
  readonly line: {
    /** Their slots. */
    readonly from: number;
    readonly to: number;
    /** The chords that they are played on; '' where there is none. */
    readonly chords: readonly [from: string, to: string];
  } | null;
}
/** What the left hand can do at the most, and where it is tightest. */
export interface LeftLoad {
  /** Highest tempo at which every finger is in time, in counts a minute. */
  readonly ceiling: number;
  readonly move: LeftMove;
}

interface Stood extends TimedShape {
  readonly slot: number | null;
  readonly chord: string;
  /** The last stroke on it. */
  last: number | null;
  /** How long the last stroke on it lasts. */
  until: number;
}
/** Moves looked at; each is kept where it is hardest. */
const MOST_LOOKED_AT = 1_024;

/**
 * Every move of the left hand, the hardest first: between the chart's chords, into every place that a stroke brings with
 * it, and back. Each once, where it leaves least time. Landing in place is none while its finger had been free long before.
 */
export function leftMoves(section: Section, score: Score, profile: HandProfile): LeftMove[] {
  const neck = neckOf(profile, score.instrument.capo);
  const stood = standsOf(score, handOn(neck, profile)).slice(0, MOST_LOOKED_AT);
  if (stood.every((s) => s.slot === null))
    return placeChanges(section, score, profile).map((c) => ({ ...c, line: null }));
  const loop = score.loops ? { loop: score.length } : {};
  const strokes = pressingStrokes(score);
  const only = unlike(stood, strokes);
  const all = changes(stood, strokes, bpm(section.bpm), profile, { neck, ...loop, only });
  const found = new Map<string, LeftMove>();
  for (const c of placeChanges(section, score, profile, { all, held: stood })) {
    const [before, now] = [stood[c.index - 1] ?? stood.at(-1), stood[c.index]];
    const slides = c.fingers.some((f) => f.action === 'guides');
    if (!before || !now || (c.moving === 0 && !slides)) continue;
    const line =
      now.slot === null
        ? null
        : { from: before.last ?? now.slot, to: now.slot, chords: [before.chord, now.chord] as const };
    found.set(`${c.from.id} ${c.to.id}`, { ...c, line });
  }
  return [...found.values()];
}

/** Of moves between the same places, among the same strokes at the same distance, the first alone. */
function unlike(stood: readonly Stood[], strokes: readonly TimedStrings[]): Set<number> {
  const seen = new Set<string>();
  const found = new Set<number>();
  let next = 0;
  stood.forEach((now, n) => {
    while (next < strokes.length && (strokes[next]?.at ?? 0) < now.at) next++;
    const [last, first] = [strokes[next - 1], strokes[next]];
    const from = stood[n - 1] ?? stood.at(-1);
    const room = last ? now.at - last.at : 0;
    const key = `${from?.shape.id ?? ''} ${now.shape.id} ${room} ${last?.strings.join('') ?? ''} ${first?.strings.join('') ?? ''}`;
    if (seen.has(key)) return;
    seen.add(key);
    found.add(n);
  });
  return found;
}

/** The tightest of all moves; null where the music leaves every finger its time, or nothing moves. */
export function leftLoad(moves: readonly LeftMove[], tempo: number): LeftLoad | null {
  let tightest: LeftLoad | null = null;
  for (const move of moves) {
    const { sequential: s } = move;
    if (!s || s.neededMs <= 0) continue;
    const ceiling = (tempo * Math.max(1, s.thereMs)) / s.neededMs;
    if (!tightest || ceiling < tightest.ceiling) tightest = { ceiling, move };
  }
  return tightest;
}

/**
 * Where the hand stands, from place to place: on the chart's shapes, and on what strokes stop for themselves, over the
 * shape where the hand can.
 */
function standsOf(score: Score, hand: FingeringHand): Stood[] {
  const { chords, events, grips } = score;
  const stood: Stood[] = [];
  const lifted = new Map<HoldingFinger, number>();
  const put = (at: Ticks, shape: Shape, chord: string, slot: number | null, until: number) => {
    const last = stood.at(-1);
    if (last?.shape.id === shape.id) {
      last.until = until;
      return;
    }
    if (!shape.fingers.some(isDown)) return;
    if (last?.at === at) stood.pop();
    const before = stood.at(-1);
    const inAir = new Map<HoldingFinger, Ticks>();
    if (before) for (const f of before.shape.fingers) if (isDown(f)) lifted.set(f, Math.min(at, before.until));
    for (const [f, t] of lifted) if (!before?.shape.fingers.includes(f)) inAir.set(f, ticks(at - t));
    stood.push({ at, shape, chord, slot, last: slot, until, ...(slot === null ? {} : { inAir }) });
  };
  const played = playedChords(score);
  let [next, grip] = [0, 0];
  for (const e of events) {
    for (; next < played.length && (played[next]?.at ?? 0) <= e.at; next++) put(...chordStand(played[next], score));
    if (hasMark(e.motion, 'x') || e.notes.length === 0) continue;
    while (grip + 1 < grips.length && (grips[grip + 1]?.at ?? 0) <= e.at) grip++;
    const end = e.at + e.duration;
    const own = e.notes.some((n) => n.fret > 0 && stopFor(e.motion, n.string));
    const now = grips[grip];
    const chord = chords[e.chord];
    if (own && now?.pressed) {
      const over = gripShape(e, now, chord?.name ?? '');
      const held = fingeringFaults(over.frets, over.fingers, hand).length === 0;
      put(e.at, held ? over : gripShape(e, withoutShape(e, now, chord?.shape), ''), chord?.name ?? '', e.slot, end);
    } else if (chord && e.notes.some((n) => n.fret > 0))
      put(e.at, chord.shape, chord.name, stood.at(-1)?.slot == null ? null : e.slot, end);
    const here = stood.at(-1);
    if (here) here.last = e.slot;
  }
  for (; next < played.length; next++) put(...chordStand(played[next], score));
  return stood;
}
function chordStand(
  played: ReturnType<typeof playedChords>[number] | undefined,
  { chords, length }: Score,
): [at: Ticks, shape: Shape, chord: string, slot: null, until: number] {
  const chord = chords[played?.chord ?? 0] as Score['chords'][number];
  return [played?.at ?? ticks(0), chord.shape, chord.name, null, chord.until || length];
}
const isDown = (f: LeftFinger | null): f is HoldingFinger => f !== null && f !== 0;
/** A grip of which the chord's own places are let go, but for those that the stroke itself stops. */
function withoutShape(e: ScoreEvent, { frets, fingers, ...grip }: TimedGrip, shape: Shape | undefined): TimedGrip {
  const isOwn = (i: number) =>
    frets[i] === shape?.frets[i] && fingers[i] === shape?.fingers[i] && !stopFor(e.motion, STRINGS[i] ?? 1);
  const others = <T>(all: readonly (T | null)[]): (T | null)[] => all.map((x, i) => (isOwn(i) ? null : x));
  return { ...grip, frets: sixOf(others(frets)), fingers: sixOf(others(fingers)) };
}
/** What the hand has for a stroke, named after its chord and after what the stroke stops. */
function gripShape(e: ScoreEvent, { frets, fingers }: TimedGrip, chord: string): Shape {
  let name = chord;
  for (const n of e.notes)
    if (n.fret > 0 && stopFor(e.motion, n.string)) name += `${name === '' ? '' : ' '}${n.string}f${n.fret}`;
  return { id: `${frets.join('-')} ${fingers.join('-')}`, name, frets, fingers };
}
