import { type AccentCycle, cycleLength, groupStarts, placeLabel } from '../cycle/index.js';
import type { Range, ScriptFault } from '../fault/index.js';
import { STEPS_PER_COUNT, stepTicks, wrap } from '../time/index.js';
import { flatten } from './flatten.js';
import type { Item, Pattern, StepItem } from './model.js';
import { shares } from './shares.js';
import { readStep } from './step-text.js';

export const LONGEST_SCRIPT = 20_000;
export const DEEPEST_NESTING = 8;
export const MOST_STROKES = 4_096;
/** Bar lines and groups of a script written out. */
export const MOST_BRACKETS = 4_096;
/** Faults told of one script: who has more mends these first. */
export const MOST_FAULTS = 200;
const MOST_TIMES = 256;
const MOST_SHARED_STEPS = 64;

export interface ParseOptions {
  readonly stepsPerCount: number;
  /** When given, every `|` is checked against its group seams. */
  readonly cycle?: AccentCycle;
  /** Where in the cycle the pattern begins, in ticks. */
  readonly start?: number;
}
export interface ParsedScript {
  readonly pattern: Pattern;
  readonly faults: readonly ScriptFault[];
}

interface Token extends Range {
  readonly text: string;
}

/** Brackets and bars stand for themselves; `]:3` and `}x4` are one token; all else runs to white space. */
function tokens(text: string): Token[] {
  const found: Token[] = [];
  const pattern = /\](?::[^\s[\]{}|]*)?|\}(?:x[^\s[\]{}|]*)?|[[{|]|[^\s[\]{}|]+/g;
  for (const m of text.matchAll(pattern)) found.push({ text: m[0], from: m.index, to: m.index + m[0].length });
  return found;
}

const restOf = (range: Range): StepItem => ({ kind: 'step', step: { kind: 'rest' }, range });

class Reader {
  readonly faults: ScriptFault[] = [];
  private next = 0;
  constructor(private readonly list: readonly Token[]) {}

  fault(range: Range, message: string, fix?: string) {
    if (this.faults.length >= MOST_FAULTS) return;
    this.faults.push({ from: range.from, to: range.to, message, ...(fix === undefined ? {} : { fix }) });
  }

  /** Reads until the closing bracket that `open` asks for, or the end of the text. */
  items(open: Token | null, depth: number): { items: Item[]; close: Token | null } {
    const items: Item[] = [];
    while (this.next < this.list.length) {
      const t = this.list[this.next++] as Token;
      const first = t.text[0];
      if (first === '|') items.push({ kind: 'bar', range: { from: t.from, to: t.to } });
      else if (first === '[' || first === '{') this.nested(t, depth, items);
      else if (first === ']' || first === '}') {
        if (open && (open.text === '[') === (first === ']')) return { items, close: t };
        this.fault(t, `Nothing is open that this ${first} could close; take it out.`, '');
      } else items.push(this.step(t));
    }
    if (open) this.fault(open, `This ${open.text} is never closed; end it with ${open.text === '[' ? ']' : '}x2'}.`);
    return { items, close: null };
  }

  private nested(open: Token, depth: number, into: Item[]) {
    if (depth >= DEEPEST_NESTING) {
      this.fault(open, `Brackets stand ${DEEPEST_NESTING} deep at most; write this part out.`);
      into.push(restOf({ from: open.from, to: this.skip() }));
      return;
    }
    const { items, close } = this.items(open, depth + 1);
    const range = { from: open.from, to: close?.to ?? open.to };
    if (!items.some((i) => i.kind !== 'bar')) {
      this.fault(range, 'Nothing stands between these brackets; put a stroke in or take them out.', '');
      return;
    }
    if (open.text === '[') {
      const steps = this.number(close, ':', MOST_SHARED_STEPS, 1, 1);
      into.push({ kind: 'group', items, steps, range });
    } else {
      if (close && close.text === '}') this.fault(close, 'Say how often it is played: }x2', '}x2');
      const times = this.number(close, 'x', MOST_TIMES, 2, 1);
      into.push({ kind: 'repeat', items, times, range });
    }
  }

  /** Passes over all that stands inside a bracket just opened; without recursion, for it may be very deep. */
  private skip(): number {
    let open = 1;
    let to = 0;
    while (open > 0 && this.next < this.list.length) {
      const t = this.list[this.next++] as Token;
      to = t.to;
      if (/^[[{]/.test(t.text)) open++;
      else if (/^[\]}]/.test(t.text)) open--;
    }
    return to;
  }

  private number(close: Token | null, sign: string, most: number, otherwise: number, least: number): number {
    if (!close || close.text.length === 1) return otherwise;
    const bracket = close.text[0] ?? '';
    const text = close.text.slice(2);
    const n = Number(text);
    if (/^\d+$/.test(text) && n >= least && n <= most) return n;
    this.fault(
      close,
      `After ${bracket}${sign} stands a whole number from ${least} to ${most}.`,
      `${bracket}${sign}${otherwise}`,
    );
    return otherwise;
  }

  private step(t: Token): StepItem {
    const range = { from: t.from, to: t.to };
    const { step, message, fix } = readStep(t.text);
    if (step) return { kind: 'step', step, range };
    this.fault(range, message ?? 'This is no stroke.', fix);
    return restOf(range);
  }
}

/**
 * Reads a hand script. Parsing goes on after a fault: what can't be read becomes a rest of one step,
 * so that the strokes after it keep their places.
 * @example parseScript('p i m a', { stepsPerCount: 2 }).faults // []
 */
export function parseScript(text: string, options: ParseOptions): ParsedScript {
  const empty: Pattern = { items: [], stepsPerCount: options.stepsPerCount };
  if (stepTicks(options.stepsPerCount) === null) {
    const message = `A count is cut into ${STEPS_PER_COUNT.join(', ')} steps, not ${options.stepsPerCount}.`;
    return { pattern: { items: [], stepsPerCount: 2 }, faults: [{ from: 0, to: text.length, message }] };
  }
  if (text.length > LONGEST_SCRIPT) {
    const message = `A script holds ${LONGEST_SCRIPT} letters at most; this one has ${text.length}. Use { … }x for what repeats.`;
    return { pattern: empty, faults: [{ from: LONGEST_SCRIPT, to: text.length, message }] };
  }
  const reader = new Reader(tokens(text));
  const { items } = reader.items(null, 0);
  const pattern: Pattern = { items, stepsPerCount: options.stepsPerCount };
  const { steps, brackets } = writtenSize(items);
  if (steps > MOST_STROKES || brackets > MOST_BRACKETS) {
    const [n, what, most] =
      steps > MOST_STROKES ? [steps, 'steps', MOST_STROKES] : [brackets, 'bar lines and groups', MOST_BRACKETS];
    // It stands first, whatever else there is.
    const message = `Written out this makes ${n} ${what}; ${most} is the most. Repeat less.`;
    return { pattern: empty, faults: [{ from: 0, to: text.length, message }, ...reader.faults].slice(0, MOST_FAULTS) };
  }
  const uneven = unevenGroup(pattern);
  if (uneven) {
    reader.fault(uneven, 'These don’t divide evenly into the steps they share; use 2 to 10, 12, 14, 15 or 16 of them.');
    return { pattern: { ...pattern, items: withoutUneven(pattern) }, faults: sorted(reader.faults) };
  }
  if (options.cycle) checkBars(pattern, options.cycle, options.start ?? 0, reader);
  return { pattern, faults: sorted(reader.faults) };
}

const sorted = (faults: readonly ScriptFault[]) => [...faults].sort((a, b) => a.from - b.from || a.to - b.to);

/** What writing the repeats out would make, reckoned without doing it. */
function writtenSize(items: readonly Item[]): { readonly steps: number; readonly brackets: number } {
  let [steps, brackets] = [0, 0];
  for (const item of items) {
    if (item.kind === 'step') steps++;
    else if (item.kind === 'bar') brackets++;
    else {
      const inner = writtenSize(item.items);
      const times = item.kind === 'repeat' ? item.times : 1;
      steps += times * inner.steps;
      brackets += times * inner.brackets + (item.kind === 'group' ? 1 : 0);
    }
  }
  return { steps, brackets };
}

function unevenIn(items: readonly Item[], step: number): Range | null {
  for (const item of items) {
    if (item.kind === 'group') {
      const each = (step * item.steps) / shares(item.items);
      if (!Number.isInteger(each)) return item.range;
      const inner = unevenIn(item.items, each);
      if (inner) return inner;
    } else if (item.kind === 'repeat') {
      const inner = unevenIn(item.items, step);
      if (inner) return inner;
    }
  }
  return null;
}
const unevenGroup = (p: Pattern) => unevenIn(p.items, stepTicks(p.stepsPerCount) ?? 1);

/** Takes the place of uneven top-level items with a rest, so that the rest of the line can still be shown. */
function withoutUneven(p: Pattern): Item[] {
  const step = stepTicks(p.stepsPerCount) ?? 1;
  return p.items.map((item) => (unevenIn([item], step) ? restOf(item.range) : item));
}

function checkBars(pattern: Pattern, cycle: AccentCycle, start: number, reader: Reader) {
  const length = cycleLength(cycle);
  const seams = new Set<number>(groupStarts(cycle));
  // A bar line inside a repeat stands in the text once, and is told once.
  const told = new Set<number>();
  for (const bar of flatten(pattern).bars) {
    const at = wrap(bar.at + start, length);
    if (!seams.has(at) && !told.has(bar.range.from)) {
      told.add(bar.range.from);
      const named = groupStarts(cycle)
        .map((s) => placeLabel(cycle, s))
        .join(', ');
      reader.fault(bar.range, `This | falls on ${placeLabel(cycle, at)}; groups of this cycle begin on ${named}.`, '');
    }
  }
}
