import { chartOf, type HeldChord, heldChords } from '../chart/index.js';
import { barTicks, cycleLength } from '../cycle/index.js';
import { type Instrument, openPitch } from '../instrument/index.js';
import { fingersOver, OPEN_SHAPE, type Shape } from '../left-hand/index.js';
import type { Section, StudyPart } from '../piece/index.js';
import { soundStroke } from '../right-hand/index.js';
import { type FlatPattern, flatten, parseScript, type PatternEvent } from '../script/index.js';
import { hasMark, type LeftFinger, numberedStrings } from '../stroke/index.js';
import { readWords, wordsUntil } from '../syllables/index.js';
import { lcm, midi, type StringNumber, STRINGS, ticks, type Ticks, wrap } from '../time/index.js';
import { gripsOf, LeftHandState, stopFor, type Touched } from './left-hand.js';
import type { Score, ScoreBar, ScoreChord, ScoreEvent, ScoreNote, Slur } from './model.js';

/** Notes written out of a score, and turns of its cycle. */
export const MOST_NOTES = 20_000;
const MOST_TURNS = 512;

export interface ScoreOptions {
  /** The section's pattern where it is read already, with fingers that were worked out in their places. */
  readonly flat?: FlatPattern;
  /** Slots of the pattern whose fingers are not all written. */
  readonly workedOut?: ReadonlySet<number>;
  /** False as in programs before: a finger that goes to another string on its fret leaves its own. */
  readonly collapses?: boolean;
}

/**
 * The one timeline of a section: the strokes of its script on the chords of its chart, with both hands, from the first
 * count of its cycle until pattern, chart, words and cycle come round together, or for as many bars as it has been given.
 * @example scoreOf(makeStudy('s', 'Stair').sections[0], makeStudy('s', 'Stair')).events // []
 */
export function scoreOf(section: Section, study: StudyPart, options: ScoreOptions = {}): Score {
  const { cycle, start, script, stepsPerCount } = section;
  // A section from elsewhere may not say how long it lasts.
  const asked = section.bars ?? null;
  const flat = options.flat ?? flatten(parseScript(script, { stepsPerCount, cells: study.cells ?? [] }).pattern);
  const turn = cycleLength(cycle);
  const chart = chartOf(section);
  const said = section.words ? readWords(section.words, cycle).length : 0;
  const whole = lcm(lcm(lcm(flat.length || turn, turn), chart.length || turn), said || turn);
  const bars = asked === null ? null : barsFrom(section, asked);
  const wanted = bars ? bars.reduce((sum, b) => sum + b.length, 0) : whole;
  const perTurn = flat.length ? (notesOf(flat) * turn) / flat.length : 0;
  const most = Math.max(1, Math.min(MOST_TURNS, perTurn ? Math.floor(MOST_NOTES / perTurn) : MOST_TURNS));
  const length = ticks(Math.min(wanted, most * turn));
  const chords = chordsUntil(length, heldChords(section, study.shapes), chart.length);
  const { instrument } = study;
  const events = eventsOf({ section, flat, start, whole, length, chords, instrument, cut: bars !== null, ...options });
  return {
    instrument,
    bars: (bars ?? barsFrom(section, null, length)).filter((b) => b.at < length),
    chords,
    grips: gripsOf({ events, length, chords, ...options }),
    events,
    key: section.key ?? null,
    words: section.words ? wordsUntil(section.words, cycle, length) : [],
    length,
    loops: length === wanted && wanted % (flat.length || turn) === 0 && wanted % (chart.length || turn) === 0,
    truncated: length < wanted,
  };
}

/** How many notes a pass has, or a few more: a strum may go through all strings. */
const notesOf = ({ events }: FlatPattern): number =>
  events.reduce((n, { motion: m }) => {
    if (m.kind !== 'stroke') return n + 1;
    const strings = numberedStrings(m)?.length ?? (m.dir ? STRINGS.length : m.fingers.length);
    return n + Math.max(1, strings);
  }, 0);

/** So many bars, or as many as there is room for. */
function barsFrom({ id, cycle }: Section, count: number | null, length = Infinity): ScoreBar[] {
  const lengths = barTicks(cycle);
  const bars: ScoreBar[] = [];
  for (let at = 0; count === null ? at < length : bars.length < count; at = at + (bars.at(-1)?.length ?? 1))
    bars.push({ at: ticks(at), length: lengths[bars.length % lengths.length] ?? ticks(1), section: id });
  return bars;
}

/** The chart laid out over a length; a chord that goes on over its seam is one. */
function chordsUntil(length: Ticks, held: readonly HeldChord[], chartLength: number): ScoreChord[] {
  if (held.length === 0 || chartLength === 0)
    return [{ at: ticks(0), until: length, bar: 0, name: '', shape: OPEN_SHAPE, known: true }];
  const chords: ScoreChord[] = [];
  const chartBars = (held.at(-1)?.bar ?? 0) + 1;
  for (let round = 0; round * chartLength < length; round++)
    for (const c of held) {
      const [at, until] = [round * chartLength + c.at, Math.min(length, round * chartLength + c.until)];
      if (at >= length) break;
      const last = chords.at(-1);
      if (last?.name === c.name) chords[chords.length - 1] = { ...last, until: ticks(until) };
      else
        chords.push({
          at: ticks(at),
          until: ticks(until),
          bar: round * chartBars + c.bar,
          name: c.name,
          shape: c.shape ?? OPEN_SHAPE,
          known: c.shape !== null,
        });
    }
  return chords;
}

interface Laying extends ScoreOptions {
  readonly section: Section;
  readonly flat: FlatPattern;
  readonly start: number;
  /** After so many ticks pattern, chart and cycle are where they began. */
  readonly whole: number;
  readonly length: Ticks;
  readonly chords: readonly ScoreChord[];
  readonly instrument: Instrument;
  /** What goes on beyond the length ends with it. */
  readonly cut: boolean;
}

function eventsOf(laying: Laying): ScoreEvent[] {
  const { section, flat, whole, length, chords } = laying;
  const events: ScoreEvent[] = [];
  if (flat.length === 0) return events;
  const turn = cycleLength(section.cycle);
  const lengths = barTicks(section.cycle);
  const start = wrap(laying.start, Math.max(1, whole));
  const passes = Math.max(1, whole / flat.length);
  const state = new LeftHandState(laying.collapses);
  /** What every string had last. */
  const before = new Map<number, ScoreNote>();
  const reach = reachOfEarly(flat);
  let chord = 0;
  let [bar, barAt] = [0, 0];
  // The pass that runs over the first downbeat comes first; it is the last pass of the round.
  for (let n = -Math.ceil(start / flat.length); start + n * flat.length < length; n++)
    for (const e of flat.events) {
      const at = start + n * flat.length + e.at;
      if (at < 0 || at >= length) continue;
      while (chord + 1 < chords.length && (chords[chord + 1]?.at ?? 0) <= at) chord++;
      for (
        let own = lengths[bar % lengths.length] ?? turn;
        barAt + own <= at;
        own = lengths[bar % lengths.length] ?? turn
      ) {
        barAt += own;
        bar++;
      }
      const on = hasMark(e.motion, '>') ? chordAfter(at + (reach.get(e.slot) ?? e.duration), chord, laying) : chord;
      const notes = notesAt(e, at, on, state, laying);
      const slur = e.motion.kind === 'ligado' ? slurOf(before.get(e.motion.string), notes[0]) : null;
      for (const note of notes) before.set(note.string, note);
      events.push({
        at: ticks(at),
        duration: ticks(Math.min(e.duration, laying.cut ? length - at : Infinity)),
        bar,
        inBar: ticks(at - barAt),
        turn: Math.floor(at / turn),
        inTurn: ticks(at % turn),
        pass: wrap(n, passes),
        slot: e.slot,
        motion: e.motion,
        level: e.level,
        chord: on,
        notes,
        slur,
        source: { section: section.id, range: e.range },
      });
    }
  return events;
}

/** Another fret with the same finger is a slide; else a higher one is hammered on, a lower one pulled off. */
function slurOf(from: ScoreNote | undefined, to: ScoreNote | undefined): Slur | null {
  if (!from || !to || from.fret === to.fret) return null;
  if (from.left !== null && from.left !== 0 && from.left === to.left) return 'slide';
  return to.fret > from.fret ? 'hammer' : 'pull';
}

/** Until when a stroke that belongs to the next chord reaches: to the next one that does not, or to its own end. */
function reachOfEarly({ events, length }: FlatPattern): Map<number, number> {
  const reach = new Map<number, number>();
  events.forEach((e, i) => {
    if (!hasMark(e.motion, '>')) return;
    let n = 1;
    const after = () => events[(i + n) % events.length];
    while (n < events.length && hasMark(after()?.motion ?? e.motion, '>')) n++;
    const next = (after()?.at ?? 0) + (i + n >= events.length ? length : 0) - e.at;
    reach.set(e.slot, Math.max(e.duration, next));
  });
  return reach;
}
/** The first chord that begins from here up to a place, the next round's first one beyond the end; else the present one. */
function chordAfter(until: number, now: number, { chords, length }: Laying): number {
  const next = chords[now + 1];
  if (next) return next.at <= until ? now + 1 : now;
  return chords.length > 1 && until >= length ? 0 : now;
}

/** The notes of one stroke, with what every string has then. */
function notesAt(e: PatternEvent, at: number, on: number, state: LeftHandState, laying: Laying): ScoreNote[] {
  const { chords, instrument, workedOut } = laying;
  const shape: Shape = chords[on]?.shape ?? OPEN_SHAPE;
  const next = chords[(on + 1) % chords.length]?.shape ?? OPEN_SHAPE;
  const met = soundStroke(e.motion, shape, instrument, next);
  const leads = e.motion.kind === 'stroke' && (e.motion.strings === 'fifth' || e.motion.strings === 'lead');
  /** Fingers that leave the shape for this stroke: written ones, and one for a bass of the chord's own. */
  const touched = met.map(({ string, fret }): Touched => {
    const stop = stopFor(e.motion, string);
    const own = leads ? (fingersOver(shape, [{ string, fret }], struckNext(e, shape, laying))[0] ?? null) : null;
    return { string, fret: stop?.fret ?? fret, left: leftFinger(stop?.finger ?? own, stop?.fret ?? fret, null) };
  });
  state.take(e.motion, touched, at, at + e.duration, on, shape);
  const isWorkedOut = workedOut?.has(e.slot) ?? false;
  // With every finger at home the same stroke on the same shape has the same notes.
  const known = state.anyAway ? undefined : atHome.get(met);
  if (known?.isWorkedOut === isWorkedOut) return known.notes;
  const notes = met.map(({ string, fret, midi: pitch, finger }, i): ScoreNote => {
    const stop = stopFor(e.motion, string);
    // A bass of its own, or a fret that the stroke brings, is not the shape's.
    const own = stop !== null || state.fret(shape, string) === null;
    const held = state.fret(shape, string);
    const sounding = own || leads || held === null ? fret : held;
    const home = own || leads ? null : state.finger(shape, string);
    const left = leftFinger(touched[i]?.left ?? null, sounding, home);
    return {
      string,
      fret: sounding,
      midi: sounding === fret ? pitch : midi(openPitch(instrument.tuning, string, instrument.capo) + sounding),
      right: finger,
      left,
      workedOut: isWorkedOut,
    };
  });
  if (!state.anyAway) atHome.set(met, { isWorkedOut, notes });
  return notes;
}
/** Strings that the stroke after one meets on the same shape: what its fingers leave has to be there for it. */
function struckNext(e: PatternEvent, shape: Shape, { flat, instrument }: Laying): StringNumber[] {
  const { events } = flat;
  let slot = events.indexOf(e);
  for (let n = 0; n < events.length; n++) {
    slot = (slot + 1) % events.length;
    const motion = events[slot]?.motion;
    const met = motion ? soundStroke(motion, shape, instrument, shape) : [];
    if (met.length && !(motion && hasMark(motion, '>'))) return met.map((m) => m.string);
  }
  return [];
}
const atHome = new WeakMap<object, { readonly isWorkedOut: boolean; readonly notes: ScoreNote[] }>();
const leftFinger = (written: LeftFinger | null, fret: number, held: LeftFinger | null): LeftFinger | null =>
  fret === 0 ? 0 : (written ?? held);
