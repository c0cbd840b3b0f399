import type { Block } from './blocks.js';

/** Places that can be reached from the beginning and from which the end can be reached. */
export function reachable(
  blocks: readonly Block[],
  turn: number,
  stands: (b: Block, at: number) => boolean,
): Set<number> {
  const forward = new Set([0]);
  const queue = [0];
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    for (const b of blocks) {
      const end = at + b.length;
      if (end > turn || forward.has(end) || !stands(b, at)) continue;
      forward.add(end);
      queue.push(end);
    }
  }
  const both = new Set<number>(forward.has(turn) ? [turn] : []);
  for (const at of [...forward].sort((a, b) => b - a)) {
    if (at < turn && blocks.some((b) => both.has(at + b.length) && stands(b, at))) both.add(at);
  }
  return both;
}
