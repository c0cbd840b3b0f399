import { BEAT_QUARTERS } from '../../catalogue/index.js';
import { type AccentCycle, barTicks } from '../../cycle/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { TICKS_PER_COUNT } from '../../time/index.js';
import { type CompFigure, type CompRefusal, LONGEST_FIGURE } from './model.js';

/** A stroke of the figure: who plays, from when until its written end. */
export interface FigureBeat {
  readonly at: number;
  readonly until: number;
  readonly thumb: boolean;
  readonly fingers: boolean;
  /** What the hand does that plucks nothing: a strum either way, the flat hand. */
  readonly hand?: 'down' | 'up' | 'slap';
}
/** Bars of a figure, each with its strokes in ticks from the bar's beginning. */
export interface FigureBars {
  readonly bars: readonly { readonly length: number; readonly strokes: readonly FigureBeat[] }[];
}
export type FigureReading = FigureBars | { readonly infeasible: readonly Fact<CompRefusal>[] };

/** Reads a figure against the bars of its cycle, or says what is wrong with it. */
export function readFigure(figure: CompFigure, cycle: AccentCycle): FigureReading {
  return 'order' in figure ? fromCells(figure, cycle) : fromLine(figure, cycle);
}

/** What strikes the strings as a whole. */
const HANDS: Readonly<Record<string, Pick<FigureBeat, 'thumb' | 'fingers' | 'hand'>>> = {
  D: { thumb: false, fingers: true, hand: 'down' },
  U: { thumb: false, fingers: true, hand: 'up' },
  S: { thumb: false, fingers: false, hand: 'slap' },
};
const strummed = new WeakMap<CompFigure, boolean>();
/** Whether a figure is strummed: its chords are struck whole, and no thumb plucks. */
export function isStrummed(figure: CompFigure, cycle: AccentCycle): boolean {
  const known = strummed.get(figure);
  if (known !== undefined) return known;
  const read = readFigure(figure, cycle);
  const strokes = 'bars' in read ? read.bars.flatMap((b) => b.strokes) : [];
  const is = strokes.some((s) => s.hand && s.fingers) && !strokes.some((s) => s.thumb);
  strummed.set(figure, is);
  return is;
}

/** One after another on a line: what goes on past a bar line goes on. */
interface Quarter {
  readonly sign: string;
  readonly ticks: number;
}
function fromCells({ cells, order, beat }: Extract<CompFigure, { order: string }>, cycle: AccentCycle): FigureReading {
  const words = order
    .trim()
    .split(/[\s|]+/)
    .filter((w) => w !== '');
  if (words.length === 0) return { infeasible: [fact('no figure')] };
  if (words.length > LONGEST_FIGURE) return { infeasible: [fact('figure too long', words.length, LONGEST_FIGURE)] };
  const lengths = barTicks(cycle);
  const faults: Fact<CompRefusal>[] = [];
  const line: Quarter[] = [];
  const bars = words.map((word, n) => {
    const beats = [...word].flatMap((letter) => {
      const cell = cells.find((c) => c.letter === letter);
      if (!cell || cell.beats.length === 0)
        faults.push(fact('no such cell', letter, cells.map((c) => c.letter).join(' ')));
      return cell?.beats ?? [];
    });
    const length = beats.length * beat;
    const wanted = lengths[n % lengths.length] ?? 0;
    if (length !== wanted && !faults.length)
      faults.push(fact('figure bar not full', n + 1, length / TICKS_PER_COUNT, wanted / TICKS_PER_COUNT));
    for (const b of beats) for (const sign of BEAT_QUARTERS[b]) line.push({ sign, ticks: beat / 4 });
    return length;
  });
  return faults.length ? { infeasible: faults } : inBars(line, bars);
}

function fromLine(
  { script, stepsPerCount }: Extract<CompFigure, { script: string }>,
  cycle: AccentCycle,
): FigureReading {
  const read = parseScript(script, { stepsPerCount, cycle, start: 0 });
  if (read.faults.length) return { infeasible: [fact('figure line faulty', read.faults.length)] };
  const { slots, length } = flatten(read.pattern);
  if (length === 0) return { infeasible: [fact('no figure')] };
  const lengths = barTicks(cycle);
  const bars: number[] = [];
  for (let at = 0; at < length; at += bars.at(-1) ?? 1) bars.push(lengths[bars.length % lengths.length] ?? 1);
  const whole = bars.reduce((a, b) => a + b, 0);
  if (whole !== length)
    return {
      infeasible: [
        fact(
          'figure bar not full',
          bars.length,
          ((bars.at(-1) ?? 0) - (whole - length)) / TICKS_PER_COUNT,
          (bars.at(-1) ?? 0) / TICKS_PER_COUNT,
        ),
      ],
    };
  if (bars.length > LONGEST_FIGURE) return { infeasible: [fact('figure too long', bars.length, LONGEST_FIGURE)] };
  const faults: Fact<CompRefusal>[] = [];
  const line = slots.map(({ step, duration }): Quarter => {
    if (step.kind === 'rest' || step.kind === 'hold')
      return { sign: step.kind === 'rest' ? '.' : '-', ticks: duration };
    if (step.kind === 'slap') return { sign: 'S', ticks: duration };
    if (step.kind === 'stroke' && step.dir !== null) return { sign: step.dir === 'd' ? 'D' : 'U', ticks: duration };
    const plucks = step.kind === 'stroke' && step.fingers.length > 0;
    if (!plucks) faults.push(fact('no stroke of comping'));
    const thumb = step.kind === 'stroke' && step.fingers.includes('p');
    const fingers = step.kind === 'stroke' && step.fingers.some((f) => f !== 'p');
    return { sign: thumb && fingers ? 't' : thumb ? 'b' : 'c', ticks: duration };
  });
  return faults.length ? { infeasible: faults.slice(0, 1) } : inBars(line, bars);
}

/** The line cut at its bars; a hold at its beginning goes on from its end. */
function inBars(line: readonly Quarter[], lengths: readonly number[]): FigureReading {
  let at = 0;
  const strokes: { -readonly [K in keyof FigureBeat]: FigureBeat[K] }[] = [];
  let sounding = false;
  for (const { sign, ticks } of line) {
    const last = strokes.at(-1);
    if (sign === '-' && last && sounding) last.until = at + ticks;
    else if (sign === '.') sounding = false;
    else if (sign !== '-') {
      const hand = HANDS[sign];
      strokes.push({ at, until: at + ticks, ...(hand ?? { thumb: sign !== 'c', fingers: sign !== 'b' }) });
      sounding = true;
    }
    at += ticks;
  }
  if (strokes.length === 0) return { infeasible: [fact('no figure')] };
  const last = strokes.at(-1);
  // Holds before the first stroke belong to the last one, which the round leads to them.
  if (last && sounding && line[0]?.sign === '-') last.until = at + (strokes[0]?.at ?? 0);
  let begin = 0;
  return {
    bars: lengths.map((length) => {
      const from = begin;
      begin += length;
      const own = strokes.filter((s) => s.at >= from && s.at < begin);
      return { length, strokes: own.map((s) => ({ ...s, at: s.at - from, until: s.until - from })) };
    }),
  };
}
