import type { LogEntry } from '@ruffle-wheel/core';

/** Lines that the page copies at once: a few milliseconds. */
export const LINES_AT_ONCE = 200;
/** Logs that are under way at the worker; older ones were given up. */
const MOST_UNDER_WAY = 4;

/** A log that comes in parts, so that the page copies ten years of it without standing still. */
export class LogInParts {
  private readonly under = new Map<string, LogEntry[]>();

  take(id: string, lines: readonly LogEntry[]): void {
    const own = this.under.get(id) ?? [];
    own.push(...lines);
    this.under.set(id, own);
    const [oldest] = this.under.keys();
    if (this.under.size > MOST_UNDER_WAY && oldest !== undefined) this.under.delete(oldest);
  }
  /**
   * The log as it came, once.
   * @throws where not all of it has come: the worker was started anew in between
   */
  whole(id: string, lines: number): readonly LogEntry[] {
    const own = this.under.get(id) ?? [];
    this.under.delete(id);
    if (own.length !== lines) throw new Error(`${own.length} of ${lines} lines of the log came.`);
    return own;
  }
}
/**
 * Sends a log in parts, the page being free between them.
 * @param send one part
 */
export async function inParts(log: readonly LogEntry[], send: (lines: readonly LogEntry[]) => Promise<void>) {
  for (let n = 0; n < log.length; n += LINES_AT_ONCE) await send(log.slice(n, n + LINES_AT_ONCE));
}
