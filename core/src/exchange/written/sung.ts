import { fact } from '../../fault/index.js';
import type { NotatedBar, Sign } from '../../notation/index.js';
import type { Format, Loss } from './model.js';

/**
 * The sign that a word at a place of a bar stands under: a note that begins there, else what goes on or a rest; none where
 * nothing begins there.
 */
export function signUnder({ voices }: Pick<NotatedBar, 'voices'>, at: number): Sign | undefined {
  const there = [...voices.fingers, ...voices.thumb].filter((s) => s.at === at);
  return there.find((s) => s.event !== null && !s.tied) ?? there[0];
}
/** What bars lose of their words: scores have those that stand under a sign, other formats none. */
export function wordLosses(bars: readonly NotatedBar[], format: Format): Loss[] {
  const under = (bar: NotatedBar, at: number) => format === 'musicxml' && signUnder(bar, at) !== undefined;
  const lost = bars.reduce((n, bar) => n + bar.words.filter((w) => !under(bar, w.at)).length, 0);
  return lost > 0 ? [fact(format === 'musicxml' ? 'words between notes' : 'words', lost)] : [];
}
