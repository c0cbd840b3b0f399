import { chartName, LONGEST_CHART, MOST_CHORDS, printChart } from '../chart/index.js';
import { type AccentCycle, checkCycle, cycleLength } from '../cycle/index.js';
import { checkShape, checkStopped, type Shape, type StoppedNote } from '../left-hand/index.js';
import { LONGEST_NAME } from '../name/index.js';
import type { Section } from '../piece/index.js';
import { lcm } from '../time/index.js';
import { scriptAsHeard, scriptAsLeft } from './script-as-heard.js';

type Box = Record<string, unknown>;
const isBox = (x: unknown): x is Box => typeof x === 'object' && x !== null && !Array.isArray(x);
const has = (box: Box, key: string) => Object.hasOwn(box, key);
const without = (box: Box, ...keys: string[]): Box =>
  Object.fromEntries(Object.entries(box).filter(([key]) => !keys.includes(key)));

/**
 * A study as an older program has stored or exported it, in the present form: the one list of steps for rows and files
 * alike. All that it sounds like stays. What can't be understood is left for the door to name.
 */
export const bringStudyForward = (row: unknown): unknown => (isBox(row) ? STEPS.reduce<Box>(stepped, row) : row);
/** A step that makes nothing of a study leaves it as it is. */
function stepped(study: Box, step: (study: Box) => Box): Box {
  try {
    return step(study);
  } catch {
    return study;
  }
}

/** In the order in which they came to be; each leaves alone what has its form already. */
const STEPS: readonly ((study: Box) => Box)[] = [
  instrumentApart,
  namesOnce,
  leftStringsForward,
  sectionsForward,
  formAndCells,
  wordsAndReminders,
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

/** Words, key and feel of sections and the study's reminders came with version 4: nothing of them sounds. */
function wordsAndReminders(study: Box): Box {
  const sections = sectionsOf(study);
  const lacks = (s: unknown): s is Box => isBox(s) && !(has(s, 'words') && has(s, 'key') && has(s, 'feel'));
  const whole = sections.some(lacks)
    ? { ...study, sections: sections.map((s) => (lacks(s) ? { feel: null, words: '', key: null, ...s } : s)) }
    : study;
  return !Array.isArray(study['sections']) || has(study, 'reminders') ? whole : { reminders: [], ...whole };
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

function sectionsForward(study: Box): Box {
  const old = sectionsOf(study).some((s) => isBox(s) && (has(s, 'harmony') || has(s, 'stopped')));
  if (!old) return study;
  const names = new Map<string, string>();
  for (const s of Array.isArray(study['shapes']) ? (study['shapes'] as unknown[]) : [])
    if (isBox(s) && typeof s['id'] === 'string' && typeof s['name'] === 'string') names.set(s['id'], s['name']);
  const sections = sectionsOf(study).map((s) => (isBox(s) ? fretsInStrokes(chartForShapes(s, names), study, s) : s));
  return { ...study, sections };
}
/** Shapes that went round with turns or groups stand in a chart. */
function chartForShapes(section: Box, names: ReadonlyMap<string, string>): Box {
  const cycle = cycleOf(section);
  const order = section['harmony'];
  if (!cycle || !isOrder(order) || order.shapes.some((id) => !names.has(id))) return section;
  const script = typeof section['script'] === 'string' ? { script: marksForward(section['script']) } : {};
  return {
    ...without(section, 'harmony'),
    ...script,
    bars: null,
    ...chartOfOrder(order, cycle, (id) => names.get(id) ?? ''),
  };
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

/**
 * Frets of single strokes stood beside the script, and no finger that stopped one left its place in the shape. They
 * stand in the strokes.
 */
function fretsInStrokes(section: Box, study: Box, before: Box): Box {
  const { script, chart, stepsPerCount, start, stopped = [] } = section;
  if (!has(before, 'harmony') && !has(section, 'stopped')) return section;
  const cycle = cycleOf(section);
  // Shapes whose order could not be understood have become no chart: what the frets lie over is not known.
  if (!cycle || typeof script !== 'string' || typeof chart !== 'string') return section;
  if (typeof stepsPerCount !== 'number' || typeof start !== 'number' || !isStopped(stopped)) return section;
  const shapes = (Array.isArray(study['shapes']) ? (study['shapes'] as unknown[]) : []).filter(isShape);
  const whole = { ...(section as unknown as Section), cycle, bars: null };
  return { ...without(section, 'stopped'), script: scriptAsHeard(whole, shapes, stopped) };
}
/**
 * Before words were kept a finger that went to another string on its fret left its own string open. What sounded open
 * then stands in the strokes.
 */
function leftStringsForward(study: Box): Box {
  const isThen = (s: unknown): s is Box =>
    isBox(s) && has(s, 'chart') && !has(s, 'words') && !has(s, 'harmony') && !has(s, 'stopped');
  if (!sectionsOf(study).some(isThen)) return study;
  const shapes = (Array.isArray(study['shapes']) ? (study['shapes'] as unknown[]) : []).filter(isShape);
  return { ...study, sections: sectionsOf(study).map((s) => (isThen(s) ? stringsInStrokes(s, shapes) : s)) };
}
function stringsInStrokes(section: Box, shapes: readonly Shape[]): Box {
  const { script, chart, stepsPerCount, start } = section;
  const cycle = cycleOf(section);
  if (!cycle || typeof script !== 'string' || typeof chart !== 'string') return section;
  if (typeof stepsPerCount !== 'number' || typeof start !== 'number') return section;
  const whole = { ...(section as unknown as Section), cycle, bars: null };
  return { ...section, script: scriptAsLeft(whole, shapes) };
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
