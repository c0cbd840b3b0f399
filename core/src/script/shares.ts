import type { Item } from './model.js';

/** How many even shares the items of a group make: a nested group weighs its steps, a repeat its whole length. */
export function shares(items: readonly Item[]): number {
  let n = 0;
  for (const item of items) {
    if (item.kind === 'step') n++;
    else if (item.kind === 'group') n += item.steps;
    else if (item.kind === 'repeat') n += item.times * shares(item.items);
  }
  return n;
}
