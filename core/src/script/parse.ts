import { type AccentCycle, barStarts, cycleLength, groupStarts, placeLabel } from '../cycle/index.js';
import { quoted, type Range, textFault } from '../fault/index.js';
import { type Level, LEVELS } from '../stroke/index.js';
import { STEPS_PER_COUNT, stepTicks, wrap } from '../time/index.js';
import type { Item, NamedCell, Pattern, ScriptFault, ScriptFaultCode, StepItem } from './model.js';
import { readStep } from './read-step.js';
import { shares } from './shares.js';
import { type Token, tokens } from './tokens.js';

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
  /** Cells that can be called by name. */
  readonly cells?: readonly NamedCell[];
}
export interface ParsedScript {
  readonly pattern: Pattern;
  readonly faults: readonly ScriptFault[];
}

const restOf = (range: Range): StepItem => ({ kind: 'step', step: { kind: 'rest' }, range });
const rangeOf = ({ from, to }: Range): Range => ({ from, to });

class Reader {
  readonly faults: ScriptFault[] = [];
  private next = 0;
  private readonly known = new Map<string, { items: Item[]; steps: number } | 'faulty' | 'length'>();
  constructor(
    private readonly list: readonly Token[],
    private readonly options: ParseOptions,
  ) {}

  fault(range: Range, code: ScriptFaultCode, about: readonly (string | number)[] = [], fix?: string) {
    if (this.faults.length < MOST_FAULTS) this.faults.push(textFault(range, code, about, fix));
  }

  /** Reads until the closing bracket that `open` asks for, or the end of the text. */
  items(open: Token | null, depth: number): { items: Item[]; close: Token | null } {
    const items: Item[] = [];
    while (this.next < this.list.length) {
      const t = this.list[this.next++] as Token;
      const first = t.text[0];
      if (first === '|') items.push({ kind: 'bar', range: rangeOf(t) });
      else if (first === '@') this.level(t, items);
      else if (first === '<') items.push(this.call(t));
      else if (first === '[' || first === '{') this.nested(t, depth, items);
      else if (first === ']' || first === '}') {
        if (open && (open.text === '[') === (first === ']')) return { items, close: t };
        this.fault(t, 'nothing to close', [first], '');
      } else items.push(this.step(t));
    }
    if (open) this.fault(open, 'never closed', [open.text, open.text === '[' ? ']' : '}x2']);
    return { items, close: null };
  }

  private level(t: Token, into: Item[]) {
    const level = t.text.slice(1) as Level;
    if (LEVELS.includes(level)) into.push({ kind: 'level', level, range: rangeOf(t) });
    else this.fault(t, 'no level', [quoted(t.text), LEVELS.map((l) => `@${l}`).join(' ')], '@mf');
  }

  /** A cell called by name stands as a group of its items, as long as the cell is. */
  private call(t: Token): Item {
    const range = rangeOf(t);
    const name = t.text.replace(/^<|>$/g, '').trim();
    const cells = this.options.cells ?? [];
    const cell = cells.find((c) => c.name === name);
    if (!cell) {
      this.fault(t, 'no cell', [quoted(name), ...cells.slice(0, 6).map((c) => `<${c.name}>`)]);
      return restOf(range);
    }
    const read = this.known.get(name) ?? this.cell(cell);
    this.known.set(name, read);
    if (read === 'faulty' || read === 'length') {
      this.fault(t, read === 'faulty' ? 'cell with a fault' : 'cell’s length', [quoted(name)]);
      return restOf(range);
    }
    return { kind: 'group', items: read.items, steps: read.steps, cell: name, range };
  }
  private cell({ script, stepsPerCount }: NamedCell): { items: Item[]; steps: number } | 'faulty' | 'length' {
    const { pattern, faults } = parseScript(script, { stepsPerCount });
    if (faults.length || shares(pattern.items) === 0) return 'faulty';
    const steps = (shares(pattern.items) * this.options.stepsPerCount) / stepsPerCount;
    return Number.isInteger(steps) ? { items: [...pattern.items], steps } : 'length';
  }

  private nested(open: Token, depth: number, into: Item[]) {
    if (depth >= DEEPEST_NESTING) {
      this.fault(open, 'too deep', [DEEPEST_NESTING]);
      into.push(restOf({ from: open.from, to: this.skip() }));
      return;
    }
    const { items, close } = this.items(open, depth + 1);
    const range = { from: open.from, to: close?.to ?? open.to };
    if (shares(items) === 0) {
      this.fault(range, 'nothing between', [], '');
      return;
    }
    if (open.text === '[') {
      const steps = this.number(close, ':', MOST_SHARED_STEPS, 1, 1);
      into.push({ kind: 'group', items, steps, range });
    } else {
      if (close && close.text === '}') this.fault(close, 'how often', [], '}x2');
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
    this.fault(close, 'number wanted', [`${bracket}${sign}`, least, most], `${bracket}${sign}${otherwise}`);
    return otherwise;
  }

  private step(t: Token): StepItem {
    const range = rangeOf(t);
    const { step, fault } = readStep(t.text);
    if (step) return { kind: 'step', step, range };
    this.fault(range, fault?.code ?? 'no stroke', fault?.about ?? [quoted(t.text)], fault?.fix);
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
  const whole = { from: 0, to: text.length };
  if (stepTicks(options.stepsPerCount) === null)
    return {
      pattern: { items: [], stepsPerCount: 2 },
      faults: [textFault(whole, 'steps of a count', [STEPS_PER_COUNT.join(', '), options.stepsPerCount])],
    };
  if (text.length > LONGEST_SCRIPT) {
    const beyond = { from: LONGEST_SCRIPT, to: text.length };
    return { pattern: empty, faults: [textFault(beyond, 'too long', [LONGEST_SCRIPT, text.length])] };
  }
  const reader = new Reader(tokens(text), options);
  const { items } = reader.items(null, 0);
  const pattern: Pattern = { items, stepsPerCount: options.stepsPerCount };
  const { steps, brackets } = writtenSize(items);
  if (steps > MOST_STROKES || brackets > MOST_BRACKETS) {
    const about =
      steps > MOST_STROKES ? [steps, 'steps', MOST_STROKES] : [brackets, 'bar lines and groups', MOST_BRACKETS];
    // It stands first, whatever else there is.
    const fault = textFault(whole, 'too much written out', about);
    return { pattern: empty, faults: [fault, ...reader.faults].slice(0, MOST_FAULTS) };
  }
  const uneven = unevenGroup(pattern);
  if (uneven) {
    reader.fault(uneven, 'uneven group');
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
    else if (item.kind === 'bar' || item.kind === 'level') brackets++;
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
      // A place in a cell's own text is told where it is called.
      if (inner) return item.cell === undefined ? inner : item.range;
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

/** Bar lines stand where a group of the cycle begins, or one of its bars. */
function checkBars(pattern: Pattern, cycle: AccentCycle, start: number, reader: Reader) {
  const length = cycleLength(cycle);
  const seams = new Set<number>([...groupStarts(cycle), ...barStarts(cycle)]);
  // A bar line inside a repeat stands in the text once, and is told once.
  const told = new Set<number>();
  let place = 0;
  const walk = (items: readonly Item[], step: number) => {
    for (const item of items) {
      if (item.kind === 'step') place += step;
      else if (item.kind === 'group') walk(item.items, (step * item.steps) / shares(item.items));
      else if (item.kind === 'repeat') for (let n = 0; n < item.times; n++) walk(item.items, step);
      else if (item.kind === 'bar') {
        const at = wrap(place + start, length);
        if (seams.has(at) || told.has(item.range.from)) continue;
        told.add(item.range.from);
        const named = groupStarts(cycle).map((s) => placeLabel(cycle, s));
        reader.fault(item.range, 'bar off a seam', [placeLabel(cycle, at), named.join(', ')], '');
      }
    }
  };
  walk(pattern.items, stepTicks(pattern.stepsPerCount) ?? 1);
}
