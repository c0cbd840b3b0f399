import type { Range } from '../fault/index.js';
import { stepTicks, ticks, type Ticks } from '../time/index.js';
import type { FlatPattern, Item, Pattern, PatternEvent, Slot } from './model.js';
import { shares } from './shares.js';

/**
 * Writes the repeats out and gives every step its place. A hold lengthens the motion before it;
 * a ghost moves the hand only, so what sounded before it goes on counting as the last stroke.
 * @example flatten(parseScript('p - i', { stepsPerCount: 2 }).pattern).events.map((e) => e.duration) // [5040, 2520]
 */
export function flatten(pattern: Pattern): FlatPattern {
  const slots: Slot[] = [];
  const bars: { at: Ticks; range: Range }[] = [];
  let at = 0;
  const walk = (items: readonly Item[], step: number) => {
    for (const item of items) {
      if (item.kind === 'bar') bars.push({ at: ticks(at), range: item.range });
      else if (item.kind === 'step') {
        slots.push({ at: ticks(at), duration: ticks(step), step: item.step, range: item.range });
        at += step;
      } else if (item.kind === 'group') walk(item.items, (step * item.steps) / shares(item.items));
      else for (let n = 0; n < item.times; n++) walk(item.items, step);
    }
  };
  walk(pattern.items, stepTicks(pattern.stepsPerCount) ?? 1);
  return { slots, events: eventsOf(slots), bars, length: ticks(at) };
}

function eventsOf(slots: readonly Slot[]): PatternEvent[] {
  const events: PatternEvent[] = [];
  let last = -1;
  slots.forEach((slot, i) => {
    const { step } = slot;
    if (step.kind === 'rest') last = -1;
    else if (step.kind === 'hold') {
      const held = events[last];
      if (held) events[last] = { ...held, duration: ticks(slot.at + slot.duration - held.at) };
    } else {
      events.push({ at: slot.at, duration: slot.duration, motion: step, slot: i, range: slot.range });
      if (step.kind !== 'ghost') last = events.length - 1;
    }
  });
  return events;
}
