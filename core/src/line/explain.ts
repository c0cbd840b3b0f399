import { listed, plural } from '../words/strokes.js';
import { anchorPlan, crossingsOf } from './compare.js';
import { LINE_TERMS, type LineAnswer, type LineRequest } from './model.js';

const numbers = (list: readonly { index: number }[]): string => {
  const shown = list.slice(0, 8).map((c) => String(c.index + 1));
  return list.length > 8 ? `${shown.join(', ')} …` : listed(shown);
};

/** What a fingering is like to play: crossings, anchor, rings that are touched, the seam. */
export function explainLine(request: LineRequest, answer: LineAnswer): string[] {
  const crossings = crossingsOf(request.notes, answer.steps);
  const awkward = crossings.filter((c) => c.kind === 'awkward');
  const lines: string[] = [];
  if (crossings.length === 0) lines.push('No crossing between fingers.');
  else if (awkward.length === 0) lines.push(`All ${crossings.length} crossings go with the fingers.`);
  else
    lines.push(
      `${awkward.length} of ${plural(crossings.length, 'crossing')} awkward: before ${awkward.length === 1 ? 'note' : 'notes'} ${numbers(awkward)}.`,
    );
  if (request.school.fingers.every((f) => f !== 'p')) {
    const changes = anchorPlan(request.notes, answer.steps).slice(1);
    if (changes.length) lines.push(`The thumb’s anchor changes at ${numbers(changes)}: it lifts from string 5 on.`);
    else lines.push('The thumb stays on 6.');
  }
  if (answer.cost.repeat > 0) lines.push('A finger plays twice in a row somewhere.');
  if (answer.cost.late > 0) lines.push(`At ${request.bpm} a finger comes back late.`);
  if (answer.cost.rest > 0) lines.push('A rest stroke lands on a string that must ring.');
  if (request.loop !== undefined) lines.push(answer.cost.seam > 0 ? 'The seam is not smooth.' : 'The seam is smooth.');
  return lines;
}
/** The terms a fingering pays for, dearest first. */
export const dearest = (answer: LineAnswer) =>
  LINE_TERMS.filter((t) => answer.cost[t] > 0).sort((a, b) => answer.cost[b] - answer.cost[a]);
