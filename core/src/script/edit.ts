import type { Range } from '../fault/index.js';
import { type Mark, markRow, MARKS, onStrings, type Step } from '../stroke/index.js';
import type { FlatPattern, Item, Pattern, Slot, StepItem } from './model.js';
import { parseScript, type ParseOptions } from './parse.js';
import { printScript, printStep } from './print.js';
import { readStep } from './read-step.js';

/**
 * The script with one stretch of its text written anew.
 * @example replaceRange('p i m', { from: 2, to: 3 }, 'a') // 'p a m'
 */
export const replaceRange = (script: string, range: Range, text: string): string =>
  script.slice(0, range.from) + text + script.slice(range.to);

/**
 * Puts a step into a slot; a slot inside a repeat changes in every turn of the repeat. A cell that is called there is
 * written out first, for the cell itself stays as it is.
 */
export function writeSlot(
  script: string,
  flat: FlatPattern,
  slot: number,
  text: string,
  options: ParseOptions = { stepsPerCount: 2 },
): string {
  const there = flat.slots[slot];
  if (!there) return script;
  if (there.cell === undefined) return replaceRange(script, there.range, text);
  const step = readStep(text).step;
  const { pattern } = parseScript(script.slice(there.range.from, there.range.to), options);
  const first = flat.slots.findIndex((s) => s.range === there.range || s.range.from === there.range.from);
  const own = step ? mapLeaves(pattern, (s, leaf) => (leaf === slot - first ? step : s)) : pattern;
  return replaceRange(script, there.range, printScript(own));
}

/**
 * The script with some of its slots written anew. Texts stay as they are typed where every turn of a repeat gets the
 * same; else repeats, and cells that are called there, are written out.
 * @param steps what stands in a slot now, by its index
 */
export function writeSteps(
  script: string,
  pattern: Pattern,
  flat: FlatPattern,
  steps: ReadonlyMap<number, Step>,
): string {
  const byPlace = new Map<number, { range: Slot['range']; texts: Set<string> }>();
  let [even, changed] = [true, false];
  flat.slots.forEach((slot, n) => {
    const own = steps.get(n);
    changed ||= own !== undefined;
    if (slot.cell !== undefined) even &&= own === undefined;
    const there = byPlace.get(slot.range.from) ?? { range: slot.range, texts: new Set() };
    byPlace.set(slot.range.from, there);
    there.texts.add(own === undefined ? '' : printStep(own));
  });
  if (!changed) return script;
  if (!even || [...byPlace.values()].some((p) => p.texts.size > 1))
    return printScript(mapLeaves(writeOut(pattern), (step, slot) => steps.get(slot) ?? step));
  return [...byPlace.values()]
    .sort((a, b) => b.range.from - a.range.from)
    .reduce((text, { range, texts }) => {
      const [own = ''] = texts;
      return own === '' ? text : replaceRange(text, range, own);
    }, script);
}

/**
 * A line of rests as long as the cycle with one step put in, for a stroke set into an empty wheel.
 * @example scriptWithOne(4, 2, 'p') // '. . p .'
 */
export function scriptWithOne(steps: number, slot: number, text: string): string {
  return Array.from({ length: Math.max(steps, slot + 1) }, (_, i) => (i === slot ? text : '.')).join(' ');
}

/**
 * The pattern with every repeat written out.
 * @example printScript(writeOut(parseScript('{p i}x2', { stepsPerCount: 2 }).pattern)) // 'p i p i'
 */
export function writeOut(pattern: Pattern): Pattern {
  const walk = (items: readonly Item[]): Item[] =>
    items.flatMap((item): Item[] => {
      if (item.kind === 'repeat') return Array.from({ length: item.times }, () => walk(item.items)).flat();
      return item.kind === 'group' ? [{ ...item, items: walk(item.items) }] : [item];
    });
  return { ...pattern, items: walk(pattern.items) };
}

/** The pattern with its n-th leaf (repeats already written out) changed by `change`. */
export function mapLeaves(pattern: Pattern, change: (step: Step, leaf: number) => Step): Pattern {
  let n = 0;
  const walk = (items: readonly Item[]): Item[] =>
    items.map((item): Item => {
      if (item.kind === 'step') {
        const step = change(item.step, n++);
        return step === item.step ? item : ({ ...item, step } satisfies StepItem);
      }
      if (item.kind === 'bar' || item.kind === 'level') return item;
      const items = walk(item.items);
      if (item.kind === 'repeat') return { ...item, items };
      // A cell of which something has become another step is the cell no longer.
      const { cell, ...group } = item;
      const same = items.every((own, i) => own === item.items[i]);
      return cell === undefined || !same ? { ...group, items } : item;
    });
  return { ...pattern, items: walk(pattern.items) };
}

/** The step with a mark, or without it where it has it; as it is where the mark can't stand. */
function withMark(step: Step, mark: Mark): string {
  if (step.kind === 'ghost' || step.kind === 'rest' || step.kind === 'hold') return printStep(step);
  const others = step.marks.filter(
    (m) => m !== mark && !markRow(m).against.includes(mark) && !markRow(mark).against.includes(m),
  );
  const text = printStep({ ...step, marks: step.marks.includes(mark) ? others : [...others, mark] });
  const read = readStep(text);
  return read.step && !read.fault ? text : printStep(step);
}

/** What a key does to the step in a slot: a finger joins or leaves, a direction turns, a mark comes or goes. */
export type SlotKey = 'p' | 'i' | 'm' | 'a' | 'e' | 'd' | 'u' | 'g' | '.' | '-' | Mark;
const isMark = (key: SlotKey): key is Mark => (MARKS as readonly string[]).includes(key);

/**
 * The text of a step after one key has been pressed on it.
 * @example pressOnStep(readStep('i').step, 'd') // 'id'
 * @example pressOnStep(readStep('i!').step, ',') // 'i,'
 */
export function pressOnStep(step: Step, key: SlotKey): string {
  if (key === '.') return '.';
  if (key === '-') return '-';
  if (key === 'g' || key === '*') {
    if (step.kind === 'stroke' && (step.marks.includes('*') || !step.fingers.includes('a'))) {
      const { golpe, ...plain } = step;
      const taps = step.marks.includes('*');
      return printStep(
        taps
          ? { ...plain, marks: step.marks.filter((m) => m !== '*') }
          : { ...plain, ...(golpe ? { golpe } : {}), marks: [...step.marks, '*'] },
      );
    }
    return step.kind === 'golpe' ? '.' : 'G';
  }
  if (isMark(key)) return withMark(step, key);
  if (key === 'd' || key === 'u') {
    if (step.kind === 'stroke') {
      const marks = key === 'u' ? step.marks.filter((m) => m !== '_') : step.marks;
      if (step.plectrum) {
        const plectrum = step.plectrum === key && key === 'd' ? 'w' : key;
        return printStep({ ...onStrings(step, { strings: null }), plectrum, dir: key, marks });
      }
      return printStep({ ...onStrings(step, { strings: null }), dir: step.dir === key ? null : key, marks });
    }
    return step.kind === 'ghost' && step.dir === key ? '.' : `(${key})`;
  }
  // A finger replaces what stood there and keeps its direction, so that a row of keys writes a cell.
  if (step.kind === 'stroke') {
    const { open, plectrum, golpe, ...rest } = step;
    // A string on which the finger was to be worked out keeps it.
    const own = open === 1 || (step.dir && !plectrum) ? rest : onStrings(rest, { strings: null });
    const busy = key === (golpe ?? 'a');
    return printStep({
      ...own,
      fingers: [key],
      dir: plectrum ? null : own.dir,
      marks: busy ? step.marks.filter((m) => m !== '*') : step.marks,
      ...(golpe && !busy ? { golpe } : {}),
    });
  }
  return step.kind === 'ghost' ? `${key}${step.dir}` : key;
}
