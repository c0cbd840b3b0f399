import { chartName, harmonyTurns, heldInTurn, LONGEST_CHART, MOST_CHORDS, printChart } from '../chart/index.js';
import { type AccentCycle, checkCycle, cycleLength } from '../cycle/index.js';
import {
  checkShape,
  checkStopped,
  scriptWithStops,
  type Shape,
  type StoppedNote,
  stopOver,
} from '../left-hand/index.js';
import { LONGEST_NAME } from '../name/index.js';
import type { Section } from '../piece/index.js';
import { soundStroke } from '../right-hand/index.js';
import {
  flatten,
  LONGEST_SCRIPT,
  parseScript,
  type Pattern,
  printScript,
  writeOut,
  writeSteps,
  mapLeaves,
} from '../script/index.js';
import { onStrings, type Step, type Stroke } from '../stroke/index.js';
import { lcm, type StringNumber, wrap } from '../time/index.js';

type Box = Record<string, unknown>;
const isBox = (x: unknown): x is Box => typeof x === 'object' && x !== null && !Array.isArray(x);
const has = (box: Box, key: string) => Object.hasOwn(box, key);
const without = (box: Box, ...keys: string[]): Box =>
  Object.fromEntries(Object.entries(box).filter(([key]) => !keys.includes(key)));

/**
 * A study as an older program has stored or exported it, in the present form: the one list of steps for rows and files
 * alike. All that it sounds like stays. What can't be understood is left for the door to name.
 */
export const bringStudyForward = (row: unknown): unknown =>
  isBox(row) ? STEPS.reduce<Box>((study, step) => step(study), row) : row;

/** In the order in which they came to be; each leaves alone what has its form already. */
const STEPS: readonly ((study: Box) => Box)[] = [
  instrumentApart,
  namesOnce,
  chartsForShapes,
  fretsInStrokes,
  formAndCells,
];

/** Tuning and capo were fields of the study; its family follows from its cycles. */
function instrumentApart(study: Box): Box {
  if (has(study, 'instrument') || !has(study, 'tuning')) return study;
  const instrument = { tuning: study['tuning'], capo: study['capo'] };
  return { ...without(study, 'tuning', 'capo', 'family'), instrument };
}
function formAndCells(study: Box): Box {
  if (!Array.isArray(study['sections']) || (has(study, 'form') && has(study, 'cells'))) return study;
  return { cells: [], form: '', ...study };
}

function namesOnce(study: Box): Box {
  return isOld(study) ? namesApart(study) : study;
}
/** Charts call shapes by name; two of one name get numbers. */
export function namesApart(study: Record<string, unknown>): Record<string, unknown> {
  const { shapes } = study;
  if (!Array.isArray(shapes)) return study;
  const names = new Set<string>(
    shapes.flatMap((s: unknown) => (isBox(s) && typeof s['name'] === 'string' ? [s['name']] : [])),
  );
  const seen = new Set<string>();
  return {
    ...study,
    shapes: shapes.map((s: unknown) => {
      if (!isBox(s) || typeof s['name'] !== 'string') return s;
      let name = s['name'];
      for (let n = 2; seen.has(name); n++) {
        const next = `${s['name'].slice(0, LONGEST_NAME - String(n).length - 1).trimEnd()} ${n}`;
        if (!names.has(next) || seen.has(next)) name = next;
      }
      seen.add(name);
      return name === s['name'] ? s : { ...s, name };
    }),
  };
}
const sectionsOf = (study: Box): unknown[] => (Array.isArray(study['sections']) ? study['sections'] : []);
const isOld = (study: Box): boolean => sectionsOf(study).some((s) => isBox(s) && has(s, 'harmony'));

interface Order {
  readonly per: 'turn' | 'group';
  readonly shapes: readonly string[];
}
const isOrder = (x: unknown): x is Order =>
  isBox(x) &&
  (x['per'] === 'turn' || x['per'] === 'group') &&
  Array.isArray(x['shapes']) &&
  x['shapes'].length <= MOST_IN_ORDER &&
  x['shapes'].every((s) => typeof s === 'string');
/** Shapes that an order could hold. */
const MOST_IN_ORDER = 256;
const cycleOf = (section: Box): AccentCycle | null => {
  const cycle = section['cycle'];
  try {
    return isBox(cycle) && checkCycle(cycle as unknown as AccentCycle).length === 0
      ? (cycle as unknown as AccentCycle)
      : null;
  } catch {
    return null;
  }
};

/** Shapes that went round with turns or groups stand in a chart. */
function chartsForShapes(study: Box): Box {
  if (!isOld(study)) return study;
  const names = new Map<string, string>();
  for (const s of Array.isArray(study['shapes']) ? (study['shapes'] as unknown[]) : [])
    if (isBox(s) && typeof s['id'] === 'string' && typeof s['name'] === 'string') names.set(s['id'], s['name']);
  const sections = sectionsOf(study).map((s): unknown => {
    if (!isBox(s) || !has(s, 'harmony')) return s;
    const cycle = cycleOf(s);
    const order = s['harmony'];
    if (!cycle || !isOrder(order) || order.shapes.some((id) => !names.has(id))) return s;
    const script = typeof s['script'] === 'string' ? { script: marksForward(s['script']) } : {};
    return {
      ...without(s, 'harmony'),
      ...script,
      bars: null,
      ...chartOfOrder(order, cycle, (id) => names.get(id) ?? ''),
    };
  });
  return { ...study, sections };
}
/** Marks behind several places were the whole stroke's; there they stand before the places now. */
const marksForward = (script: string): string =>
  script.replace(
    /(^|[\s[{|])([a-z]+)(:[^\s[\]{}|!,*_~'x%]*\+[^\s[\]{}|!,*_~'x%]*)([!,*_~'x%]+)(?=$|[\s\]}|])/g,
    '$1$2$4$3',
  );

function chartOfOrder(
  { per, shapes }: Order,
  cycle: AccentCycle,
  nameOf: (id: string) => string,
): { chart: string; cycle?: AccentCycle } {
  if (shapes.length === 0) return { chart: '' };
  const lengths = per === 'turn' ? [cycleLength(cycle)] : cycle.groups;
  const n = lcm(shapes.length, lengths.length);
  const spans = Array.from({ length: Math.min(n, MOST_CHORDS) }, (_, i) => ({
    name: nameOf(shapes[i % shapes.length] ?? ''),
    ticks: lengths[i % lengths.length] ?? 0,
  }));
  const chart = printChart(spans, cycle);
  if (2 * n <= MOST_CHORDS && chart.length <= LONGEST_CHART) return { chart };
  // An order too long to be written out by counts: every group becomes a bar, and the order goes round them.
  return { chart: shapes.map((id) => chartName(nameOf(id))).join(' | '), cycle: { ...cycle, bars: cycle.groups } };
}

/** Frets of single strokes stood beside the script; they stand in the strokes. */
function fretsInStrokes(study: Box): Box {
  const sections = sectionsOf(study);
  if (!sections.some((s) => isBox(s) && has(s, 'stopped'))) return study;
  const shapes = (Array.isArray(study['shapes']) ? (study['shapes'] as unknown[]) : []).filter(isShape);
  return {
    ...study,
    sections: sections.map((s): unknown => {
      if (!isBox(s) || !has(s, 'stopped')) return s;
      const { script, stepsPerCount, stopped } = s;
      const cycle = cycleOf(s);
      if (!cycle || typeof script !== 'string' || typeof stepsPerCount !== 'number' || !isStopped(stopped)) return s;
      const section = s as unknown as Section;
      return { ...without(s, 'stopped'), script: withFrets({ ...section, cycle }, shapes, stopped) };
    }),
  };
}
const isShape = (x: unknown): x is Shape => {
  try {
    return isBox(x) && checkShape(x as unknown as Shape).length === 0;
  } catch {
    return false;
  }
};
const isStopped = (x: unknown): x is StoppedNote[] =>
  Array.isArray(x) && x.every(isBox) && checkStopped(x as never).length === 0;

/** Passes of a pattern that are written out where each has other strings. */
const MOST_WRITTEN_SLOTS = 2_048;

function withFrets(section: Section, shapes: readonly Shape[], stopped: readonly StoppedNote[]): string {
  const { stepsPerCount } = section;
  const first = scriptWithStops(section.script, stepsPerCount, stopped);
  if (first.left.length === 0) return first.script;
  const { pattern } = parseScript(first.script, { stepsPerCount });
  const flat = flatten(pattern);
  if (flat.length === 0) return first.script;
  const turn = cycleLength(section.cycle);
  const notes = new Map<number, StoppedNote[]>();
  for (const n of first.left) notes.set(n.at, [...(notes.get(n.at) ?? []), n]);
  const whole = lcm(flat.length, turn * harmonyTurns(section));
  const passes = Math.max(1, Math.min(whole / flat.length, Math.floor(MOST_WRITTEN_SLOTS / flat.slots.length)));
  const steps = Array.from({ length: passes }, (_, pass) => {
    const own = new Map<number, Step>();
    for (const e of flat.events) {
      const here = notes.get(e.at);
      if (!here || e.motion.kind !== 'stroke') continue;
      const at = section.start + pass * flat.length + e.at;
      const held = heldInTurn(section, shapes, Math.floor(at / turn));
      const shape = held.find((h) => wrap(at, turn) >= h.from && wrap(at, turn) < h.to)?.shape;
      const step = shape && numbered(e.motion, shape, here);
      if (step) own.set(e.slot, step);
    }
    return own;
  });
  const [one] = steps;
  const alike = steps.every(
    (own) =>
      own.size === one?.size &&
      [...own].every(([slot, step]) => JSON.stringify(step) === JSON.stringify(one.get(slot))),
  );
  if (one && alike) return fitting(writeSteps(first.script, pattern, flat, one), first.script);
  const all: Pattern = {
    ...pattern,
    items: steps.flatMap((own) => mapLeaves(writeOut(pattern), (step, slot) => own.get(slot) ?? step).items),
  };
  return fitting(printScript(all), one ? writeSteps(first.script, pattern, flat, one) : first.script);
}
const fitting = (script: string, otherwise: string): string => (script.length <= LONGEST_SCRIPT ? script : otherwise);
/** A stroke that leaves its strings to the chord, over those that it meets, with its own frets. */
function numbered(stroke: Stroke, shape: Shape, notes: readonly StoppedNote[]): Stroke | null {
  const met = soundStroke(stroke, stopOver(shape, notes), { tuning: [40, 45, 50, 55, 59, 64], capo: 0 });
  if (!met.some((m) => notes.some((n) => n.string === m.string))) return null;
  const strings: StringNumber[] = met.map((m) => m.string);
  const falling = strings.every((s, i) => i === 0 || s < (strings[i - 1] ?? 7));
  if (stroke.dir === null && !falling) return null;
  const stops = met.map((m) => {
    const note = notes.find((n) => n.string === m.string);
    if (!note) return null;
    return { fret: note.fret, ...(note.finger === undefined || note.fret === 0 ? {} : { finger: note.finger }) };
  });
  const fingers = stroke.dir === null ? met.flatMap((m) => m.finger ?? []) : stroke.fingers;
  return { ...onStrings(stroke, { strings, stops }), fingers };
}
