import type { NotatedBar, Sign } from '../../notation/index.js';

/**
 * The sign that a word at a place of a bar stands under: a note that begins there, else what goes on or a rest; none where
 * nothing begins there.
 */
export function signUnder({ voices }: Pick<NotatedBar, 'voices'>, at: number): Sign | undefined {
  const there = [...voices.fingers, ...voices.thumb].filter((s) => s.at === at);
  return there.find((s) => s.event !== null && !s.tied) ?? there[0];
}
/** How many words of some bars stand under no sign. */
export const wordsWithoutSign = (bars: readonly NotatedBar[]): number =>
  bars.reduce((n, bar) => n + bar.words.filter((w) => !signUnder(bar, w.at)).length, 0);
