import type { HandProfile, LogEntry } from '@ruffle-wheel/core';

/** Lines that the demo brings are called so; what the player does in a study of the demo is the player's own. */
const OF_THE_DEMO = /^demo-/;
/** The two invented players. */
const INVENTED: ReadonlySet<string> = new Set(['ines', 'tadeo']);

/** Whether a session is one of the demo's, which nobody has played. */
export const isOfDemo = ({ id }: Pick<LogEntry, 'id'>): boolean => OF_THE_DEMO.test(id);
/** One's own sessions where there are any; else all, the demo's. */
export function ownFirst<E extends Pick<LogEntry, 'id'>>(entries: readonly E[]): readonly E[] {
  const own = entries.filter((e) => !isOfDemo(e));
  return own.length ? own : entries;
}
/** Whether a hand is an invented player's. */
export const isInvented = ({ id }: Pick<HandProfile, 'id'>): boolean => INVENTED.has(id);
