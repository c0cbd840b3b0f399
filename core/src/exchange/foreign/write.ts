import { type Span, printChart } from '../../chart/index.js';
import { type AccentCycle, barTicks } from '../../cycle/index.js';
import { OPEN_SHAPE, type Shape } from '../../left-hand/index.js';
import type { Level } from '../../stroke/index.js';
import { gcd, STEPS_PER_COUNT, TICKS_PER_COUNT } from '../../time/index.js';
import type { LaidPart, LaidStroke } from './lay.js';
import type { ImportNote, ImportNoteCode } from './model.js';
import { stepText } from './step-text.js';

type Hold = Pick<Shape, 'frets' | 'fingers'>;
export interface WrittenTexts {
  readonly script: string;
  readonly stepsPerCount: number;
  readonly chart: string;
  readonly bars: number;
  readonly notes: readonly ImportNote[];
}
export interface HoldSetting {
  /** What chords of a name hold. */
  readonly shapes: ReadonlyMap<string, Hold>;
  /** Strokes, by their places, whose notes all say where they are, whatever is held. */
  readonly explicit?: ReadonlySet<number>;
}
interface Token {
  readonly at: number;
  readonly text: string;
}
/**
 * What is laid and fretted as the texts of a section: the script with the steps that need the fewest brackets, the chart
 * by its bars.
 */
export function writtenTexts(
  laid: LaidPart,
  strokes: readonly LaidStroke[],
  cycle: AccentCycle,
  { shapes, explicit = new Set() }: HoldSetting,
): WrittenTexts {
  const spans = spansOf(laid);
  const lost = new Map<ImportNoteCode, number>();
  const say = (code: ImportNoteCode) => lost.set(code, (lost.get(code) ?? 0) + 1);
  const tokens = tokensOf(laid, strokes, spans, { shapes, explicit }, say);
  const lengths = barTicks(cycle);
  const windows: Window[] = [];
  let bars = 0;
  for (let at = 0; at < laid.length; bars++) {
    const end = Math.min(laid.length, at + (lengths[bars % lengths.length] ?? TICKS_PER_COUNT));
    for (let from = at; from < end;) {
      const to = Math.min(end, from + TICKS_PER_COUNT - (from % TICKS_PER_COUNT));
      windows.push(windowOf(tokens, from, to, to === end));
      from = to;
    }
    at = end;
  }
  const stepsPerCount = stepsFor(windows);
  const script = windows
    .map((w) => printWindow(w, stepsPerCount) + (w.endsBar ? ' |' : ''))
    .join(' ')
    .replace(/ \|$/, '');
  const silent = !/[^.|\s-]/.test(script);
  return {
    script: silent ? '' : script,
    stepsPerCount,
    chart: spans.some((s) => s.name !== '') ? printChart(spans, cycle) : '',
    bars,
    notes: [...lost].map(([code, n]): ImportNote => ({ code, about: [n] })),
  };
}
/** Chords that go on until the next. */
function spansOf({ chords, length }: LaidPart): Span[] {
  const begins = chords.filter((c, n) => c.at < length && chords[n + 1]?.at !== c.at);
  const first = begins[0]?.at ?? length;
  return [
    ...(first > 0 ? [{ name: '', ticks: first }] : []),
    ...begins.map((c, n) => ({ name: c.name, ticks: (begins[n + 1]?.at ?? length) - c.at })),
  ].filter((s) => s.ticks > 0);
}
const LOST: Readonly<Record<string, ImportNoteCode>> = {
  letters: 'letters not taken',
  marks: 'marks not taken',
  left: 'left fingers not taken',
  ligado: 'ligado with others',
  index: 'strum by the index',
};
/** Strokes and the silences between them, each where it begins. */
function tokensOf(
  { levels, length }: LaidPart,
  strokes: readonly LaidStroke[],
  spans: readonly Span[],
  { shapes, explicit }: Required<HoldSetting>,
  say: (code: ImportNoteCode) => void,
): Token[] {
  const tokens: Token[] = strokes[0]?.at === 0 ? [] : [{ at: 0, text: '.' }];
  const begins: { at: number; name: string }[] = [];
  let at = 0;
  for (const s of spans) {
    begins.push({ at, name: s.name });
    at += s.ticks;
  }
  let [level, next]: [Level, number] = ['mf', 0];
  strokes.forEach((stroke, n) => {
    const after = strokes[n + 1]?.at ?? length;
    const early = stroke.notes.some((x) => x.marks.includes('>'));
    const chord = begins.findLastIndex((b) => b.at <= stroke.at) + (early ? 1 : 0);
    const name = (begins[chord] ?? begins[0])?.name ?? '';
    const held = explicit.has(stroke.at) ? null : (shapes.get(name) ?? OPEN_SHAPE);
    const rings = new Set(
      stroke.notes.flatMap((x) =>
        x.end > (stroke.until < after ? stroke.until : after) && x.string !== null ? [x.string as number] : [],
      ),
    );
    const step = stepText(stroke, held, rings);
    if (!step) return;
    for (const code of step.lost) say(LOST[code] ?? 'marks not taken');
    let loud: Level = level;
    for (; next < levels.length && (levels[next]?.at ?? 0) <= stroke.at; next++) loud = levels[next]?.level ?? loud;
    tokens.push({ at: stroke.at, text: (loud === level ? '' : `@${loud} `) + step.text });
    level = loud;
    if (stroke.until < after) tokens.push({ at: stroke.until, text: '.' });
  });
  return tokens;
}

/** A count, or the part of one that a bar ends in. */
interface Window {
  readonly from: number;
  readonly length: number;
  /** What everything in it is a multiple of. */
  readonly unit: number;
  readonly tokens: readonly Token[];
  /** Nothing sounds into it. */
  readonly silent: boolean;
  readonly endsBar: boolean;
}
function windowOf(tokens: readonly Token[], from: number, to: number, endsBar: boolean): Window {
  // Tokens are in order; the first that is not before it is looked for by halves.
  let [low, high] = [0, tokens.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((tokens[mid]?.at ?? 0) < from) low = mid + 1;
    else high = mid;
  }
  const own: Token[] = [];
  for (let n = low; n < tokens.length; n++) {
    const token = tokens[n];
    if (!token || token.at >= to) break;
    own.push(token);
  }
  const unit = own.reduce((u, t) => gcd(u, t.at - from), to - from);
  return { from, length: to - from, unit, tokens: own, silent: tokens[low - 1]?.text === '.', endsBar };
}
/** The signs that a window takes with steps of a length: even steps, one group, or a group for each step that needs one. */
function waysOf(w: Window, step: number): { plain: boolean; group: number; steps: number } {
  const plain = w.unit % step === 0;
  const steps = plain
    ? w.length / step
    : stepsIn(w, step).reduce((n, s) => n + (s.unit === step ? 1 : step / s.unit + 2), 0);
  return { plain, group: plain ? Infinity : w.length / w.unit + 2.5, steps };
}
/** The window step by step. */
const stepsIn = ({ from, length, tokens, silent }: Window, step: number): Window[] =>
  Array.from({ length: length / step }, (_, n) => {
    const own = windowOf(tokens, from + n * step, from + (n + 1) * step, false);
    return tokens[0] && own.from > tokens[0].at ? own : { ...own, silent };
  });
/** Steps to a count with the fewest signs; the coarsest of equal ones. */
function stepsFor(windows: readonly Window[]): number {
  const cost = (steps: number) => {
    const step = TICKS_PER_COUNT / steps;
    let sum = 0;
    for (const w of windows) {
      if (w.length % step !== 0) return Infinity;
      const ways = waysOf(w, step);
      sum += Math.min(ways.group, ways.steps);
    }
    return sum;
  };
  const costs = STEPS_PER_COUNT.map((steps) => ({ steps, cost: cost(steps) }));
  return costs.reduce((best, c) => (c.cost < best.cost ? c : best)).steps;
}
function printWindow(w: Window, stepsPerCount: number): string {
  const step = TICKS_PER_COUNT / stepsPerCount;
  const ways = waysOf(w, step);
  if (ways.plain) return wordsOf(w, step).join(' ');
  if (ways.group <= ways.steps) return group(wordsOf(w, w.unit), w.length / step);
  return stepsIn(w, step)
    .map((s) => (s.unit === step ? wordsOf(s, step).join(' ') : group(wordsOf(s, s.unit), 1)))
    .join(' ');
}
const group = (words: readonly string[], steps: number): string =>
  `[${words.join(' ')}]${steps === 1 ? '' : `:${steps}`}`;
/** What stands on each part of a window; a silence is written on, a note is held. */
function wordsOf({ from, length, tokens, silent }: Window, size: number): string[] {
  let [n, quiet] = [0, silent];
  return Array.from({ length: length / size }, (_, i) => {
    const own = tokens[n]?.at === from + i * size ? tokens[n++] : undefined;
    if (own) quiet = own.text === '.';
    return own?.text ?? (quiet ? '.' : '-');
  });
}
