import type { Range } from '../fault/index.js';
import type { Level } from '../stroke/index.js';
import { stepTicks, ticks, type Ticks } from '../time/index.js';
import type { FlatPattern, Item, Pattern, PatternEvent, Slot } from './model.js';
import { shares } from './shares.js';

/**
 * Writes the repeats out and gives every step its place. A hold lengthens the motion before it;
 * a ghost moves the hand only, so what sounded before it goes on counting as the last stroke.
 * @example flatten(parseScript('p - i', { stepsPerCount: 2 }).pattern).events.map((e) => e.duration) // [5040, 2520]
 */
export function flatten(pattern: Pattern): FlatPattern {
  const before = known.get(pattern);
  if (before) return before;
  const now = flattenAnew(pattern);
  known.set(pattern, now);
  return now;
}
/** A pattern never changes: what reads it lays it out once. */
const known = new WeakMap<Pattern, FlatPattern>();

function flattenAnew(pattern: Pattern): FlatPattern {
  const slots: Slot[] = [];
  const bars: { at: Ticks; range: Range }[] = [];
  let at = 0;
  let level: Level = 'mf';
  const walk = (items: readonly Item[], step: number, called: { cell: string; range: Range } | null) => {
    for (const item of items) {
      if (item.kind === 'bar') bars.push({ at: ticks(at), range: called?.range ?? item.range });
      else if (item.kind === 'level') level = item.level;
      else if (item.kind === 'step') {
        const { range, cell } = called ?? { range: item.range, cell: undefined };
        const slot = { at: ticks(at), duration: ticks(step), step: item.step, level, range };
        slots.push(cell === undefined ? slot : { ...slot, cell });
        at += step;
      } else if (item.kind === 'group') {
        const inside = called ?? (item.cell === undefined ? null : { cell: item.cell, range: item.range });
        walk(item.items, (step * item.steps) / shares(item.items), inside);
      } else for (let n = 0; n < item.times; n++) walk(item.items, step, called);
    }
  };
  walk(pattern.items, stepTicks(pattern.stepsPerCount) ?? 1, null);
  return { slots, events: eventsOf(slots), bars, length: ticks(at) };
}

function eventsOf(slots: readonly Slot[]): PatternEvent[] {
  const events: PatternEvent[] = [];
  let last = -1;
  slots.forEach((slot, i) => {
    const { step, level } = slot;
    if (step.kind === 'rest') last = -1;
    else if (step.kind === 'hold') {
      const held = events[last];
      if (held) events[last] = { ...held, duration: ticks(slot.at + slot.duration - held.at) };
    } else {
      events.push({ at: slot.at, duration: slot.duration, motion: step, level, slot: i, range: slot.range });
      if (step.kind !== 'ghost') last = events.length - 1;
    }
  });
  return events;
}
