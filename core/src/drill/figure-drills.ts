import { chartOf, cutSpans, printChart, type Span } from '../chart/index.js';
import { barTicks, cycleLength } from '../cycle/index.js';
import type { Kind } from '../passage/index.js';
import type { Section, Study } from '../piece/index.js';
import { kindOfPattern } from '../right-hand/index.js';
import { flatten, parseScript, printStep } from '../script/index.js';
import { numberedStrings, onStrings, type Step } from '../stroke/index.js';
import { lcm, TICKS_PER_COUNT } from '../time/index.js';
import { FIGURE_WAYS, type FigureWay } from './model.js';
import type { DrilledSection, SectionDrill } from './section-drills.js';

export const figureKey = (way: FigureWay): string => `figure ${way}`;

/** What is played so that it is learned as a figure. */
const FIGURED: ReadonlySet<Kind | null> = new Set<Kind | null>(['comping', 'block chords']);
const HELD: Step = { kind: 'hold' };
const SILENT: Step = { kind: 'rest' };
const isFigured = (step: Step): boolean => step.kind !== 'stroke' || (step.dir === null && step.fingers.length > 0);

/** The written steps of a section's first two bars; null where they are no figure of thumb and fingers. */
function figureOf({ script, stepsPerCount, cycle, start }: Section, cells: Study['cells']): Step[][] | null {
  const { pattern, faults } = parseScript(script, { stepsPerCount, cycle, start, cells });
  const flat = flatten(pattern);
  const lengths = barTicks(cycle);
  const bar = lengths[0] ?? 0;
  const step = TICKS_PER_COUNT / stepsPerCount;
  if (faults.length || start !== 0 || lengths.some((l) => l !== bar) || !FIGURED.has(kindOfPattern(flat))) return null;
  const slots = flat.slots.filter((s) => s.at < 2 * bar);
  if (slots.length !== (2 * bar) / step || slots.some((s) => !isFigured(s.step) || s.duration !== step)) return null;
  const all = slots.map((s) => s.step);
  return [all.slice(0, all.length / 2), all.slice(all.length / 2)];
}
const isWay = (text: string): text is FigureWay => (FIGURE_WAYS as readonly string[]).includes(text);

/** @returns null where the section's first two bars are no figure, or have no such part of their own */
export function figureDrill(section: Section, study: Pick<Study, 'cells'>, key: string): SectionDrill | null {
  const way = key.replace(/^figure /, '');
  const bars = key.startsWith('figure ') && isWay(way) ? figureOf(section, study.cells) : null;
  if (!bars || !isWay(way)) return null;
  const made = partOf(section, bars, way);
  return made && { key, matter: { kind: 'figure', way }, make: () => made };
}

/** Half a bar where bars have halves, else a count, in steps. */
function cellLength(bar: readonly Step[], stepsPerCount: number): number {
  return (bar.length / stepsPerCount) % 2 === 0 ? bar.length / 2 : stepsPerCount;
}
const textOf = (steps: readonly Step[]): string => steps.map((s) => printStep(s)).join(' ');
/** The cells of both bars in their order, each where it comes first. */
function cellsOf(
  bars: readonly (readonly Step[])[],
  stepsPerCount: number,
): { readonly at: number; readonly steps: readonly Step[] }[] {
  const all = bars.flat();
  const length = cellLength(bars[0] ?? [], stepsPerCount);
  const cells = Array.from({ length: all.length / length }, (_, n) => ({
    at: n * length,
    steps: all.slice(n * length, (n + 1) * length),
  }));
  return cells.filter((c, n) => cells.findIndex((other) => textOf(other.steps) === textOf(c.steps)) === n);
}

function partOf(section: Section, bars: readonly (readonly Step[])[], way: FigureWay): DrilledSection | null {
  const [first = [], second = []] = bars;
  const { cycle, stepsPerCount } = section;
  const bar = barTicks(cycle)[0] ?? 0;
  const step = TICKS_PER_COUNT / stepsPerCount;
  const { chords, length } = chartOf(section);
  const names = [...new Set(chords.map((c) => c.name))].filter((n) => n !== '');
  const whole = chords.map((c): Span => ({ name: c.name, ticks: c.until - c.at }));
  /** The chords of a stretch, again and again until they and the turns come round. */
  const round = (spans: readonly Span[]): string => {
    const long = spans.reduce((sum, s) => sum + s.ticks, 0);
    if (names.length === 0 || long === 0) return '';
    const times = lcm(long, cycleLength(cycle)) / long;
    return printChart(Array.from({ length: times }, () => spans).flat(), cycle);
  };
  /** What the chart has from a place on, for so long. */
  const under = (at: number, ticks: number): Span[] => {
    const [, behind] = cutSpans(
      Array.from({ length: Math.ceil((at + ticks) / Math.max(1, length)) }, () => whole).flat(),
      at,
    );
    return cutSpans(behind, ticks)[0];
  };
  const put = (steps: readonly Step[], spans: readonly Span[]): DrilledSection => ({
    script: textOf(begun(steps)),
    stepsPerCount,
    start: 0,
    chart: round(spans),
    ...(section.words ? { words: '' } : {}),
  });
  /** The same under other chords than it was written for: strings and frets are left to them. */
  const moved = (steps: readonly Step[], spans: readonly Span[]) =>
    put(names.length > 1 ? steps.map(leftToChord) : steps, spans);
  const half = Math.floor(first.length / 2);
  const silent = (n: number): Step[] => Array.from({ length: n }, () => SILENT);
  const each = (ticks: number): Span[] => names.map((name) => ({ name, ticks }));
  const both = [...first, ...second];
  switch (way) {
    case 'cell':
    case 'cell 2':
    case 'cell 3':
    case 'cell 4': {
      const cell = cellsOf(bars, stepsPerCount)[way === 'cell' ? 0 : Number(way.slice(-1)) - 1];
      return cell ? put(cell.steps, under(cell.at * step, cell.steps.length * step)) : null;
    }
    case 'bar 1':
      return put(first, under(0, bar));
    case 'bar 2':
      return textOf(first) === textOf(second) ? null : put(second, under(bar, bar));
    // Half a bar, the seam, half a bar: the rest is silent.
    case 'seam 1 2':
      return put(
        [...silent(half), ...first.slice(half), ...second.slice(0, half), ...silent(second.length - half)],
        under(0, 2 * bar),
      );
    case 'seam 2 1':
      return put(
        [...silent(half), ...second.slice(half), ...first.slice(0, half), ...silent(first.length - half)],
        [...under(bar, bar), ...under(0, bar)],
      );
    case 'one chord':
      return moved(both, each(bar).slice(0, 1));
    case 'two bars a chord':
      return moved(both, each(2 * bar));
    case 'one bar a chord':
      return moved(both, each(bar));
    case 'from bar 2':
      return moved([...second, ...first], each(bar));
  }
}
/** A hold that has nothing before it is a silence. */
const begun = (steps: readonly Step[]): Step[] => {
  const first = steps.findIndex((s) => s.kind !== 'hold' && s.kind !== 'rest');
  return steps.map((s, n) => (s.kind === 'hold' && n < first ? SILENT : s));
};
/** Thumb and fingers where the chord has them: what is numbered is its bass and its treble set again. */
function leftToChord(step: Step): Step {
  if (step.kind === 'ligado') return HELD;
  if (step.kind !== 'stroke' || numberedStrings(step) === null) return step;
  const { fingers } = step;
  const alone = fingers.length === 1 && fingers[0] === 'p';
  return onStrings(step, { strings: alone ? 'bass' : 'treble' });
}
