import type { LogEntry } from '@ruffle-wheel/core';
import { inParts, LINES_AT_ONCE, LogInParts } from './log-in-parts';

const log = Array.from({ length: 2 * LINES_AT_ONCE + 7 }, (_, n) => ({ id: String(n) }) as LogEntry);

describe('a log in parts', () => {
  it('comes whole and in its order, no part larger than what the page can copy at once', async () => {
    const parts = new LogInParts();
    const sizes: number[] = [];
    await inParts(log, (lines) => {
      sizes.push(lines.length);
      return Promise.resolve(parts.take('a', lines));
    });
    expect(sizes).toEqual([LINES_AT_ONCE, LINES_AT_ONCE, 7]);
    expect(parts.whole('a', log.length)).toEqual(log);
    // Once taken it is gone.
    expect(() => parts.whole('a', log.length)).toThrow('0 of 407 lines');
  });
  it('two that come at a time stay apart; one that was given up does not stay for ever', () => {
    const parts = new LogInParts();
    for (const id of ['a', 'b', 'a']) parts.take(id, log.slice(0, 1));
    expect([parts.whole('a', 2).length, parts.whole('b', 1).length]).toEqual([2, 1]);
    for (const id of 'vwxyz') parts.take(id, log.slice(0, 1));
    expect(() => parts.whole('v', 1)).toThrow('0 of 1 lines');
    expect(parts.whole('z', 1)).toHaveLength(1);
  });
  it('none is whole without a part', () => {
    expect(new LogInParts().whole('none', 0)).toEqual([]);
  });
});
