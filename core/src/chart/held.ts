import { type AccentCycle, cycleLength } from '../cycle/index.js';
import { bassString, OPEN_SHAPE, type Shape } from '../left-hand/index.js';
import { lcm, STRINGS, ticks, type Ticks } from '../time/index.js';
import type { ChartChord } from './model.js';
import { readChart } from './read-chart.js';

/** What a chart belongs to. */
export interface Charted {
  readonly cycle: AccentCycle;
  readonly chart: string;
}
/** A shape held over a stretch of one turn. */
export interface HeldShape {
  readonly from: Ticks;
  readonly to: Ticks;
  readonly shape: Shape;
  /** As the chart writes it. */
  readonly name: string;
}
/** A chord of the chart with the shape that its name calls; null when the study has none of that name. */
export interface HeldChord extends ChartChord {
  readonly shape: Shape | null;
}

/** Names in charts are read once: a section is asked for turn after turn. */
const read = new WeakMap<AccentCycle, Map<string, ReturnType<typeof readChart>>>();
const MOST_KEPT = 64;
export function chartOf({ cycle, chart }: Charted): ReturnType<typeof readChart> {
  const own = read.get(cycle) ?? new Map<string, ReturnType<typeof readChart>>();
  read.set(cycle, own);
  const known = own.get(chart);
  if (known) return known;
  if (own.size >= MOST_KEPT) own.clear();
  const now = readChart(chart, cycle);
  own.set(chart, now);
  return now;
}

/** The chart's chords with their shapes; one that is held on, or repeated, is one chord. */
export function heldChords(section: Charted, shapes: readonly Shape[]): HeldChord[] {
  const named = new Map(shapes.map((s) => [s.name, s]));
  const held: HeldChord[] = [];
  for (const chord of chartOf(section).chords) {
    const last = held.at(-1);
    if (last?.name === chord.name) held[held.length - 1] = { ...last, until: chord.until };
    else held.push({ ...chord, shape: chord.name === '' ? OPEN_SHAPE : (named.get(chord.name) ?? null) });
  }
  return held;
}

/**
 * How many turns until the chart and the cycle's start meet again.
 * @example harmonyTurns(makeStudy('s', 'Stair').sections[0]) // 1
 */
export function harmonyTurns(section: Charted): number {
  const { length } = chartOf(section);
  const turn = cycleLength(section.cycle);
  return length === 0 ? 1 : lcm(length, turn) / turn;
}

/** The shapes held through one turn, in order; neighbours of the same shape are joined. */
export function heldInTurn(section: Charted, shapes: readonly Shape[], turn: number): HeldShape[] {
  const turnLength = cycleLength(section.cycle);
  const { length } = chartOf(section);
  const chords = heldChords(section, shapes);
  if (length === 0) return [{ from: ticks(0), to: turnLength, shape: OPEN_SHAPE, name: '' }];
  const held: HeldShape[] = [];
  const begin = turn * turnLength;
  for (let base = Math.floor(begin / length) * length; base < begin + turnLength; base += length)
    for (const c of chords) {
      const [from, to] = [Math.max(begin, base + c.at) - begin, Math.min(begin + turnLength, base + c.until) - begin];
      if (from >= to) continue;
      const last = held.at(-1);
      if (last?.name === c.name) held[held.length - 1] = { ...last, to: ticks(to) };
      else held.push({ from: ticks(from), to: ticks(to), shape: c.shape ?? OPEN_SHAPE, name: c.name });
    }
  return held;
}

export const shapeAt = (held: readonly HeldShape[], inTurn: number): Shape =>
  held.find((h) => inTurn >= h.from && inTurn < h.to)?.shape ?? OPEN_SHAPE;

/**
 * Names of a chart whose bass is an open string in the shape that is held: it rings on by itself, and no finger minds it.
 * @example openBasses({ cycle: cycleById('vals'), chart: 'Am' }, [{ id: 'a', name: 'Am', frets: [null, 0, 2, 2, 1, 0], fingers: [null, 0, 2, 3, 1, 0] }]) // ['Am']
 */
export const openBasses = (section: Charted, shapes: readonly Shape[]): string[] => [
  ...new Set(
    heldChords(section, shapes).flatMap(({ name, shape }) => {
      const bass = name !== '' && shape ? bassString(shape) : null;
      return bass !== null && shape?.frets[STRINGS.indexOf(bass)] === 0 ? [name] : [];
    }),
  ),
];
