import type { ComeRound } from '../../drill/index.js';

/** “Comes round after 12 notes; groups begin on p, a, m, i”. */
export function sayComeRound({ notes, starts }: ComeRound): string {
  const begin = starts.length > 12 ? `${starts.slice(0, 12).join(', ')} …` : starts.join(', ');
  return `Comes round after ${notes} notes; groups begin on ${begin}`;
}
