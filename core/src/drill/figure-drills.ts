import { chartOf, printChart } from '../chart/index.js';
import { barTicks, cycleLength } from '../cycle/index.js';
import type { Section, Study } from '../piece/index.js';
import { flatten, parseScript, type Slot } from '../script/index.js';
import type { Step } from '../stroke/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import { FIGURE_WAYS, type FigureWay } from './model.js';
import type { DrilledSection, SectionDrill } from './section-drills.js';

export const figureKey = (way: FigureWay): string => `figure ${way}`;

/** Thumb and fingers as the figure has them, whatever their strings: `b`, `c`, `t`, a hold or a silence. */
const WORDS = { b: 'p:b', c: 'ima:t', t: 'pima:t', '-': '-', '.': '.' } as const;
type Sign = keyof typeof WORDS;
function signOf(step: Step): Sign | null {
  if (step.kind === 'rest') return '.';
  if (step.kind === 'hold') return '-';
  if (step.kind !== 'stroke' || step.dir !== null || step.fingers.length === 0) return null;
  const fingers = step.fingers.some((f) => f !== 'p');
  return !step.fingers.includes('p') ? 'c' : fingers ? 't' : 'b';
}

/** The first two bars of a section as signs, one a step; null where they are no figure of thumb and fingers. */
function figureOf({ script, stepsPerCount, cycle, start }: Section, cells: Study['cells']): Sign[][] | null {
  const { pattern, faults } = parseScript(script, { stepsPerCount, cycle, start, cells });
  const { slots } = flatten(pattern);
  const lengths = barTicks(cycle);
  const bar = lengths[0] ?? 0;
  const step = TICKS_PER_COUNT / stepsPerCount;
  if (faults.length || start !== 0 || lengths.some((l) => l !== bar)) return null;
  const signs = slots
    .filter((s) => s.at < 2 * bar)
    .map((s: Slot) => ({ sign: signOf(s.step), own: s.duration === step }));
  if (signs.length !== (2 * bar) / step || signs.some((s) => s.sign === null || !s.own)) return null;
  const all = signs.map((s) => s.sign as Sign);
  // A bass line alone is no figure.
  if (!all.some((s) => s === 'c' || s === 't')) return null;
  return [all.slice(0, all.length / 2), all.slice(all.length / 2)];
}
const isWay = (text: string): text is FigureWay => (FIGURE_WAYS as readonly string[]).includes(text);

/** @returns null where the section's first two bars are no figure, or the way is none */
export function figureDrill(section: Section, study: Pick<Study, 'cells'>, key: string): SectionDrill | null {
  const way = key.replace(/^figure /, '');
  const bars = key.startsWith('figure ') && isWay(way) ? figureOf(section, study.cells) : null;
  if (!bars || !isWay(way)) return null;
  return { key, matter: { kind: 'figure', way }, make: () => made(section, bars, way) };
}

function made(section: Section, [first = [], second = []]: Sign[][], way: FigureWay): DrilledSection {
  const { cycle, stepsPerCount } = section;
  const bar = barTicks(cycle)[0] ?? 0;
  const turn = cycleLength(cycle);
  const names = [...new Set(chartOf(section).chords.map((c) => c.name))].filter((n) => n !== '');
  /** Every chord for so long, until they and the turns come round. */
  const chords = (own: readonly string[], length: number): string => {
    if (own.length === 0) return '';
    let spans = own.map((name) => ({ name, ticks: length }));
    while ((spans.length * length) % turn !== 0) spans = [...spans, ...own.map((name) => ({ name, ticks: length }))];
    return printChart(spans, cycle);
  };
  const one = chords(names.slice(0, 1), bar);
  const put = (signs: readonly Sign[], chart = one, start = 0): DrilledSection => ({
    script: text(signs),
    stepsPerCount,
    start,
    chart,
    ...(section.words ? { words: '' } : {}),
  });
  const counts = bar / TICKS_PER_COUNT;
  const half = Math.floor(first.length / 2);
  // Half a bar where bars have halves, else a count.
  const cell = first.slice(0, counts % 2 === 0 ? half : stepsPerCount);
  const rest = (n: number): Sign[] => Array.from({ length: n }, () => '.');
  switch (way) {
    case 'cell':
      return put(cell);
    case 'bar 1':
      return put(first);
    case 'bar 2':
      return put(second);
    // Half a bar, the seam, half a bar: the rest is silent.
    case 'seam 1 2':
      return put([...rest(half), ...first.slice(half), ...second.slice(0, half), ...rest(second.length - half)]);
    case 'seam 2 1':
      return put([...rest(half), ...second.slice(half), ...first.slice(0, half), ...rest(first.length - half)]);
    case 'one chord':
      return put([...first, ...second]);
    case 'two bars a chord':
      return put([...first, ...second], chords(names, 2 * bar));
    case 'one bar a chord':
      return put([...first, ...second], chords(names, bar));
    case 'from bar 2':
      return put([...second, ...first], chords(names, bar));
  }
}
/** A hold that has nothing before it is a silence. */
const text = (signs: readonly Sign[]): string =>
  signs
    .map((s, n) => WORDS[s === '-' && (n === 0 || signs.slice(0, n).every((b) => b === '.' || b === '-')) ? '.' : s])
    .join(' ');
