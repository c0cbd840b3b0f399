import type { ComeRound } from '../../drill/index.js';
import { few } from '../how-much.js';

const SHOWN = 12;
/** “Comes round after 12 notes; groups begin on p, a, m, i”. */
export function sayComeRound({ notes, starts }: ComeRound): string {
  const { shown, more } = few(starts, SHOWN);
  return `Comes round after ${notes} notes; groups begin on ${shown.join(', ')}${more ? ' …' : ''}`;
}
