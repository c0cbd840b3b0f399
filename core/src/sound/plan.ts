import { harmonyTurns, heldInTurn, shapeAt } from '../chart/index.js';
import { type AccentCycle, cycleLength } from '../cycle/index.js';
import type { Instrument } from '../instrument/index.js';
import { type Shape, stopOver, stoppedAt } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { soundStroke } from '../right-hand/index.js';
import type { Layout } from '../round/index.js';
import { directionOf, fingersOf, hasMark, type Motion } from '../stroke/index.js';
import { lcm, type Midi, type StringNumber, ticks, type Ticks, TICKS_PER_COUNT, wrap } from '../time/index.js';

export type Damping = 'none' | 'left hand' | 'palm';
/** What touches the string: the thumb's flesh, a nail, a nail flicked outward, or a finger leaning on to the next string. */
export type Touch = 'flesh' | 'nail' | 'flick' | 'rest';
export interface PluckSound {
  readonly kind: 'pluck';
  readonly at: Ticks;
  readonly string: StringNumber;
  readonly midi: Midi;
  /** 0…1 */
  readonly gain: number;
  /** Later than `at` by so much: the strings of a strum follow one another. */
  readonly delayMs: number;
  readonly damping: Damping;
  readonly touch: Touch;
}
export interface StopSound {
  readonly kind: 'stop';
  readonly at: Ticks;
  readonly strings: readonly StringNumber[];
}
export interface BeatSound {
  readonly kind: 'golpe' | 'slap' | 'clap' | 'click';
  readonly at: Ticks;
  readonly gain: number;
}
export type PlanSound = PluckSound | StopSound | BeatSound;
/** A loop of timed sounds, sorted by place. */
export interface Plan {
  readonly sounds: readonly PlanSound[];
  readonly length: Ticks;
  readonly turns: number;
}

/** Between neighbouring strings of one strum. */
const SPREAD_MS = 7;
const LONGEST_PLAN = 20_000;

function gainOf(m: Motion): number {
  if (hasMark(m, '!')) return 0.95;
  return hasMark(m, ',') ? 0.35 : 0.65;
}

/** Claps on the accents, by weight, and a click on every count of one turn. */
export function beatsOfTurn(cycle: AccentCycle, turn: number): BeatSound[] {
  const from = turn * cycleLength(cycle);
  const clicks = cycle.labels.map((_, n): BeatSound => ({
    kind: 'click',
    at: ticks(from + n * TICKS_PER_COUNT),
    gain: n === 0 ? 1 : 0.6,
  }));
  const claps = cycle.accents.map((a): BeatSound => ({ kind: 'clap', at: ticks(from + a.at), gain: a.weight }));
  return [...clicks, ...claps];
}

/** One turn of claps and clicks before the music, two when the turn is shorter than four counts. */
export function countInPlan(cycle: AccentCycle): Plan {
  const turns = cycle.counts < 4 ? 2 : 1;
  const sounds = Array.from({ length: turns }, (_, t) => beatsOfTurn(cycle, t)).flat();
  return { sounds: byPlace(sounds), length: ticks(turns * cycleLength(cycle)), turns };
}

const byPlace = (sounds: readonly PlanSound[]) => [...sounds].sort((a, b) => a.at - b.at || rank(a) - rank(b));
/** A string is stopped before it is struck anew in the same instant. */
const rank = (s: PlanSound) => (s.kind === 'stop' ? 0 : 1);

/**
 * Everything that sounds until pattern, cycle and shapes come round together. A stroke rings until its
 * string is struck anew, a rest ends everything not marked to ring, staccato ends half-way.
 */
export function planPlayback(section: Section, layout: Layout, shapes: readonly Shape[], instrument: Instrument): Plan {
  const perTurn = Math.max(1, layout.strokes.length / Math.max(1, layout.turns)) * 6;
  const wanted = lcm(layout.turns, harmonyTurns(section));
  const turns = Math.max(1, Math.min(wanted, Math.ceil(LONGEST_PLAN / perTurn)));
  const turnLength = cycleLength(section.cycle);
  const sounds: PlanSound[] = [];
  const ringing = new Map<StringNumber, boolean>();
  const strokesIn = gatherByTurn(layout);
  const starts = new Set(layout.strokes.filter((s) => s.motion.kind !== 'ghost').map((s) => s.at as number));
  const stopped = stoppedAt(section.stopped ?? []);
  const laid = layout.turns * turnLength;
  for (let turn = 0; turn < turns; turn++) {
    const held = heldInTurn(section, shapes, turn);
    sounds.push(...beatsOfTurn(section.cycle, turn));
    for (const s of strokesIn[turn % layout.turns] ?? []) {
      const at = ticks(turn * turnLength + s.inTurn);
      const own = stopped(wrap(s.at - section.start, layout.patternLength));
      const notes = soundStroke(s.motion, stopOver(shapeAt(held, s.inTurn), own), instrument);
      const gain = gainOf(s.motion);
      const damping = dampingOf(s.motion);
      const touch = touchOf(s.motion);
      notes.forEach((note, n) => {
        const delayMs = directionOf(s.motion) ? n * SPREAD_MS : 0;
        sounds.push({ kind: 'pluck', at, string: note.string, midi: note.midi, gain, delayMs, damping, touch });
        ringing.set(note.string, hasMark(s.motion, '~'));
      });
      if (s.motion.kind === 'golpe' || hasMark(s.motion, '*')) sounds.push({ kind: 'golpe', at, gain });
      if (s.motion.kind === 'slap') {
        sounds.push({ kind: 'stop', at, strings: [...ringing.keys()] }, { kind: 'slap', at, gain });
        ringing.clear();
      }
      const end = s.at + s.duration;
      if (hasMark(s.motion, "'")) {
        sounds.push({ kind: 'stop', at: ticks(at + Math.floor(s.duration / 2)), strings: notes.map((n) => n.string) });
      } else if (s.motion.kind !== 'ghost' && !starts.has(end % laid)) {
        const strings = [...ringing].filter(([, rings]) => !rings).map(([string]) => string);
        if (strings.length) sounds.push({ kind: 'stop', at: ticks(at + s.duration), strings });
      }
    }
  }
  const length = ticks(turns * turnLength);
  return {
    sounds: byPlace(sounds.map((s) => (s.at >= length ? { ...s, at: ticks(s.at - length) } : s))),
    length,
    turns,
  };
}

function touchOf(m: Motion): Touch {
  if (hasMark(m, '_')) return 'rest';
  if (fingersOf(m)[0] === 'p') return 'flesh';
  return directionOf(m) === 'd' ? 'flick' : 'nail';
}
const dampingOf = (m: Motion): Damping => (hasMark(m, 'x') ? 'left hand' : hasMark(m, '%') ? 'palm' : 'none');

function gatherByTurn(layout: Layout): Layout['strokes'][number][][] {
  const turns: Layout['strokes'][number][][] = Array.from({ length: layout.turns }, () => []);
  for (const s of layout.strokes) turns[s.turn]?.push(s);
  return turns;
}
