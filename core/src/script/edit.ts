import type { Range } from '../fault/index.js';
import { onStrings, type Step } from '../stroke/index.js';
import type { FlatPattern, Item, Pattern, StepItem } from './model.js';
import { printStep } from './print.js';

/**
 * The script with one stretch of its text written anew.
 * @example replaceRange('p i m', { from: 2, to: 3 }, 'a') // 'p a m'
 */
export const replaceRange = (script: string, range: Range, text: string): string =>
  script.slice(0, range.from) + text + script.slice(range.to);

/** Puts a step into a slot; a slot inside a repeat changes in every turn of the repeat. */
export function writeSlot(script: string, flat: FlatPattern, slot: number, text: string): string {
  const there = flat.slots[slot];
  return there ? replaceRange(script, there.range, text) : script;
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
      if (item.kind === 'step') return { ...item, step: change(item.step, n++) } satisfies StepItem;
      return item.kind === 'bar' ? item : { ...item, items: walk(item.items) };
    });
  return { ...pattern, items: walk(pattern.items) };
}

/** What a key does to the step in a slot: a finger joins or leaves, a direction turns, a mark comes or goes. */
export type SlotKey = 'p' | 'i' | 'm' | 'a' | 'e' | 'd' | 'u' | 'g' | '!' | '.' | '-';

/**
 * The text of a step after one key has been pressed on it.
 * @example pressOnStep(readStep('i').step, 'd') // 'id'
 */
export function pressOnStep(step: Step, key: SlotKey): string {
  if (key === '.') return '.';
  if (key === '-') return '-';
  if (key === 'g') {
    if (step.kind === 'stroke' && !step.fingers.includes('a')) {
      const marks = step.marks.includes('*') ? step.marks.filter((m) => m !== '*') : ([...step.marks, '*'] as const);
      return printStep({ ...step, marks });
    }
    return step.kind === 'golpe' ? '.' : 'G';
  }
  if (key === '!') {
    if (step.kind !== 'stroke' && step.kind !== 'golpe' && step.kind !== 'slap') return printStep(step);
    const loud = step.marks.includes('!');
    const others = step.marks.filter((m) => m !== '!' && m !== ',');
    return printStep({ ...step, marks: loud ? others : ['!', ...others] });
  }
  if (key === 'd' || key === 'u') {
    if (step.kind === 'stroke') {
      const marks = key === 'u' ? step.marks.filter((m) => m !== '_') : step.marks;
      return printStep({ ...onStrings(step, null, undefined), dir: step.dir === key ? null : key, marks });
    }
    return step.kind === 'ghost' && step.dir === key ? '.' : `(${key})`;
  }
  // A finger replaces what stood there and keeps its direction, so that a row of keys writes a cell.
  if (step.kind === 'stroke') {
    const marks = key === 'a' ? step.marks.filter((m) => m !== '*') : step.marks;
    const kept = step.dir ? step : onStrings(step, null, undefined);
    return printStep({ ...kept, fingers: [key], marks });
  }
  return step.kind === 'ghost' ? `${key}${step.dir}` : key;
}
