import type { Item, Pattern } from '../script/index.js';
import type { Level } from '../stroke/index.js';
import { NOWHERE } from './steps.js';

/** The pattern with `@` wherever it becomes louder or softer; of one loudness all through it needs none. */
export function levelled(pattern: Pattern, levels: readonly Level[]): Pattern {
  let [n, now]: [number, Level] = [0, 'mf'];
  const walk = (items: readonly Item[]): Item[] =>
    items.flatMap((item): Item[] => {
      if (item.kind === 'level') return [];
      if (item.kind === 'bar') return [item];
      if (item.kind !== 'step') return [{ ...item, items: walk(item.items) }];
      const level = levels[n++] ?? now;
      if (level === now) return [item];
      now = level;
      return [{ kind: 'level', level, range: NOWHERE }, item];
    });
  return levels.every((l) => l === 'mf') ? pattern : { ...pattern, items: walk(pattern.items) };
}
