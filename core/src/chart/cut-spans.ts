import { wrap } from '../time/index.js';
import type { Span } from './print-chart.js';

/**
 * Spans before a place, and from it on; one that goes over it is in both.
 * @example cutSpans([{ name: 'Am', ticks: 4 }, { name: 'E', ticks: 4 }], 6)[1] // [{ name: 'E', ticks: 2 }]
 */
export function cutSpans(spans: readonly Span[], at: number): [Span[], Span[]] {
  const [before, behind]: [Span[], Span[]] = [[], []];
  let from = 0;
  for (const { name, ticks } of spans) {
    const first = Math.max(0, Math.min(ticks, at - from));
    if (first > 0) before.push({ name, ticks: first });
    if (ticks > first) behind.push({ name, ticks: ticks - first });
    from += ticks;
  }
  return [before, behind];
}
/**
 * Spans that go round, begun so far on.
 * @example turnSpans([{ name: 'Am', ticks: 4 }, { name: 'E', ticks: 4 }], 4).map((s) => s.name) // ['E', 'Am']
 */
export function turnSpans(spans: readonly Span[], by: number): Span[] {
  const length = spans.reduce((sum, s) => sum + s.ticks, 0);
  if (length === 0) return [...spans];
  const [before, behind] = cutSpans(spans, wrap(by, length));
  return [...behind, ...before];
}
