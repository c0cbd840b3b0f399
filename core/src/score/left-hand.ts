import { liesOver, type Shape } from '../left-hand/index.js';
import { hasMark, type LeftFinger, marksOn, type Motion, stopOn } from '../stroke/index.js';
import { sixOf, type StringNumber, STRINGS, type Ticks, ticks } from '../time/index.js';
import type { Borrowed, ScoreEvent, ScoreNote, TimedGrip } from './model.js';

/** A finger that stops what the held shape does not have there, for as long as its notes last. */
interface Away {
  readonly fret: number;
  /** Its strings, each with the end of its note: it lies on all of them until the last is over. */
  readonly until: Map<StringNumber, number>;
  /** It lies on its own strings of the shape too: it has only collapsed over more, and stands up again. */
  readonly atHome: boolean;
}
/** A string of a stroke, and the finger that stops it; null and 0 where none does. */
export type Touched = Pick<ScoreNote, 'string' | 'fret' | 'left'>;
type Holding = Exclude<LeftFinger, 0>;
const indexOf = (string: StringNumber) => STRINGS.indexOf(string);
const fretIn = (shape: Shape, string: StringNumber): number | null => shape.frets[indexOf(string)] ?? null;
const fingerIn = (shape: Shape, string: StringNumber): LeftFinger | null => shape.fingers[indexOf(string)] ?? null;

/** What the left hand stops on one string for a motion; null where the held shape decides. */
export const stopFor = (motion: Motion, string: StringNumber) =>
  motion.kind === 'ligado'
    ? motion.string === string
      ? motion.stop
      : null
    : motion.kind === 'stroke'
      ? stopOn(motion, string)
      : null;
const isMuted = (motion: Motion): boolean => hasMark(motion, 'x');

/**
 * The left hand from stroke to stroke: a finger stays where the held shape has it until a note takes it away, and is
 * away until that note ends; the strings it held are open meanwhile. On its own fret it collapses over the other string
 * and keeps those it holds.
 */
export class LeftHandState {
  private away = new Map<Holding, Away>();
  private chord = -1;

  /** @param collapses whether a finger can lie over more strings on its fret; in programs before it left its own */
  constructor(private readonly collapses = true) {}

  /** What the strings have for this stroke, with the finger that stops each. Strokes are asked in their order. */
  take(motion: Motion, touched: readonly Touched[], at: number, end: number, chord: number, shape: Shape) {
    if (chord !== this.chord) this.away.clear();
    this.chord = chord;
    this.release(at);
    for (const { string, fret, left: finger } of touched) {
      for (const [f, a] of this.away) if (a.until.has(string) && f !== finger) this.struckAnew(f, a, string, at, end);
      if (finger === null || finger === 0) continue;
      const there = this.away.get(finger);
      if (fingerIn(shape, string) === finger && fretIn(shape, string) === fret) {
        // Home again; on the same fret it lies over both.
        if (there?.fret === fret && this.collapses) this.away.set(finger, { ...there, atHome: true });
        continue;
      }
      const until = marksOn(motion, string).includes('~') ? Infinity : end;
      const lying =
        this.collapses && there?.fret === fret && liesOver(shape, finger, fret, [...there.until.keys(), string]);
      // The first finger collapses from where it stands; another lies over two strings where both are written for it.
      const own = STRINGS.filter((s, i) => shape.fingers[i] === finger && shape.frets[i] === fret);
      const stays = finger === 1 || touched.some((t) => t.left === finger && own.includes(t.string));
      this.away.set(finger, {
        fret,
        until: new Map([...(lying ? there.until : []), [string, until]]),
        atHome: this.collapses && stays && own.length > 0 && liesOver(shape, finger, fret, [...own, string]),
      });
    }
  }
  /** Another note of a string ends what rang on it, unless its finger lies there for the sake of another string. */
  private struckAnew(finger: Holding, a: Away, string: StringNumber, at: number, end: number) {
    const others = [...a.until].some(([s, until]) => s !== string && until > at);
    if (others) a.until.set(string, end);
    else this.away.delete(finger);
  }
  /** The shape's fret on a string, or 0 where its finger is away. */
  fret(shape: Shape, string: StringNumber): number | null {
    const lies = this.lyingOn(string);
    if (lies) return lies.fret;
    const fret = fretIn(shape, string);
    return fret && this.isAway(fingerIn(shape, string)) ? 0 : fret;
  }
  finger(shape: Shape, string: StringNumber): LeftFinger | null {
    const lies = this.lyingOn(string);
    if (lies) return lies.finger;
    const finger = fingerIn(shape, string);
    return this.isAway(finger) ? 0 : finger;
  }
  /** The finger that lies on a string beside its own. */
  private lyingOn(string: StringNumber): { finger: Holding; fret: number } | null {
    for (const [finger, { fret, until }] of this.away) if (until.has(string)) return { finger, fret };
    return null;
  }
  /** Whether a finger has left its strings of the shape. */
  private isAway(finger: LeftFinger | null): boolean {
    return finger !== null && finger !== 0 && this.away.get(finger)?.atHome === false;
  }
  /** Where every finger stands now. */
  now(shape: Shape): Pick<TimedGrip, 'frets' | 'fingers' | 'borrowed'> {
    if (this.away.size === 0) return { frets: shape.frets, fingers: shape.fingers, borrowed: NONE };
    const frets = [...shape.frets];
    const fingers = [...shape.fingers];
    const borrowed: Borrowed[] = [];
    STRINGS.forEach((string, i) => {
      if (!this.isAway(shape.fingers[i] ?? null)) return;
      frets[i] = this.fret(shape, string);
      fingers[i] = 0;
    });
    for (const [finger, { fret, until, atHome }] of this.away) {
      const strings = [...until.keys()];
      for (const string of strings) {
        frets[indexOf(string)] = fret;
        fingers[indexOf(string)] = finger;
      }
      const from = atHome ? [] : STRINGS.filter((s, i) => shape.fingers[i] === finger && !until.has(s));
      const [string] = strings;
      const ends = Math.max(...until.values());
      if (from.length && string !== undefined)
        borrowed.push({
          finger,
          to: { string, fret },
          from,
          free: ticks(Number.isFinite(ends) ? ends : -1),
          due: null,
        });
    }
    return { frets: sixOf(frets), fingers: sixOf(fingers), borrowed };
  }
  /** Places that fingers leave at a time: the note that needed them is over. */
  release(at: number): boolean {
    let left = false;
    for (const [finger, { until }] of this.away)
      if (Math.max(...until.values()) <= at) {
        this.away.delete(finger);
        left = true;
      }
    return left;
  }
  get anyAway(): boolean {
    return this.away.size > 0;
  }
}

/** What the grips are made of: the events, and what is held on each of them. */
interface Held {
  readonly events: readonly ScoreEvent[];
  readonly length: Ticks;
  /** When a chord of the chart begins, and its shape. */
  readonly chords: readonly { readonly at: Ticks; readonly shape: Shape }[];
  readonly collapses?: boolean;
}
const NONE: readonly Borrowed[] = [];
/** A grip whose end is not known yet. */
type Moment = Omit<TimedGrip, 'until'> & { until: Ticks };

/** The left hand in time, from the events in their order. Neighbours that are the same are one. */
export function gripsOf({ events, length, chords, collapses }: Held): TimedGrip[] {
  const state = new LeftHandState(collapses);
  const moments: Moment[] = [];
  const shapeOf = (chord: number) => chords[chord]?.shape;
  let [pressed, next] = [true, 0];
  const put = (at: number, chord: number, is: boolean) => {
    const shape = shapeOf(chord);
    if (!shape) return;
    const { frets, fingers, borrowed } = state.now(shape);
    moments.push({ at: ticks(at), until: length, chord, pressed: is, frets, fingers, borrowed });
  };
  /** Chords that begin before a time without a stroke on them yet. */
  const changesUntil = (at: number, chord: number) => {
    for (; next < chords.length && (chords[next]?.at ?? 0) <= at; next++)
      if (next > chord) put(chords[next]?.at ?? 0, next, pressed);
  };
  let chord = 0;
  put(0, 0, true);
  events.forEach((e, i) => {
    changesUntil(e.at, chord);
    if (e.motion.kind === 'ghost' || e.motion.kind === 'golpe') return;
    const shape = shapeOf(e.chord);
    if (!shape) return;
    chord = e.chord;
    const end = e.at + e.duration;
    state.take(e.motion, e.notes, e.at, end, chord, shape);
    pressed = !isMuted(e.motion) && (e.motion.kind !== 'slap' || pressed);
    put(e.at, chord, pressed);
    const following = events[i + 1]?.at ?? length;
    // What ends before the next stroke ends where it is written.
    if (end >= following) return;
    const letGo = hasMark(e.motion, '^') && pressed;
    changesUntil(end, chord);
    // Held over a change, it ends on the chord that has come.
    chord = Math.max(chord, next - 1);
    if (state.release(end) || letGo) put(end, chord, pressed && !letGo);
    if (letGo) pressed = false;
  });
  changesUntil(length, chord);
  return joined(moments, length).map((g) =>
    g.borrowed.length ? { ...g, borrowed: g.borrowed.map((b) => due(b, g, events, length)) } : g,
  );
}

/** By when a borrowed finger is needed at home. */
function due(b: Borrowed, grip: TimedGrip, events: readonly ScoreEvent[], length: Ticks): Borrowed {
  const free = b.free >= 0 ? b.free : grip.until;
  for (let i = firstFrom(events, free); i < events.length; i++) {
    const e = events[i] as ScoreEvent;
    if (e.chord !== grip.chord) break;
    if (e.notes.some((n) => b.from.includes(n.string)) && !isMuted(e.motion))
      return { ...b, free: ticks(Math.min(free, length)), due: e.at };
  }
  return { ...b, free: ticks(Math.min(free, length)), due: null };
}
function firstFrom(events: readonly ScoreEvent[], at: number): number {
  let [low, high] = [0, events.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((events[mid]?.at ?? 0) < at) low = mid + 1;
    else high = mid;
  }
  return low;
}

function joined(moments: readonly Moment[], length: Ticks): TimedGrip[] {
  const grips: Moment[] = [];
  moments.forEach((m, i) => {
    const until = moments[i + 1]?.at ?? length;
    const last = grips.at(-1);
    if (last && same(last, m)) last.until = until;
    else if (until > m.at) {
      m.until = until;
      grips.push(m);
    }
  });
  return grips;
}
const same = (a: Moment, b: Moment): boolean =>
  a.chord === b.chord &&
  a.pressed === b.pressed &&
  (a.frets === b.frets || a.frets.every((f, i) => f === b.frets[i])) &&
  (a.fingers === b.fingers || a.fingers.every((f, i) => f === b.fingers[i])) &&
  a.borrowed.length === b.borrowed.length &&
  a.borrowed.every((x, i) => x.free === b.borrowed[i]?.free);
