import {
  anchorPlan,
  crossingsOf,
  noteFacts,
  type LineAnswer,
  type LineRequest,
  type NoteFault,
} from '../../solve/finger-line/index.js';
import { listed, plural } from './strokes.js';

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
  // A thumb that plays has no anchor.
  if (answer.steps.every((own) => !own.includes('p'))) {
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
export interface NoteReason {
  readonly crossing: 'natural' | 'awkward' | null;
  readonly anchor: 'rests on 6' | 'lifts' | null;
  readonly faults: readonly string[];
  /** All of it in one sentence. */
  readonly text: string;
}
const NOTE_FAULTS: Record<NoteFault, string> = {
  'same finger': 'the same finger twice',
  late: 'the finger comes back late',
  'touches a ring': 'the rest stroke touches a ring',
};
/** For every note what its finger does there, in a sentence. */
export function explainNotes(request: LineRequest, answer: LineAnswer): NoteReason[] {
  return noteFacts(request, answer).map(({ fingers, strings, crossing, anchor, pinned, faults }, i) => {
    const parts = [`${fingers.join(' ')} on ${strings.length > 1 ? 'strings' : 'string'} ${strings.join(' ')}`];
    if (crossing) parts.push(`${crossing} crossing`);
    if (anchor) parts.push(anchor === 'lifts' ? 'the thumb lifts' : 'the thumb rests on 6 again');
    if (pinned) parts.push('pinned');
    const said = faults.map((f) => NOTE_FAULTS[f]);
    return { crossing, anchor, faults: said, text: `Note ${i + 1}: ${[...parts, ...said].join(', ')}.` };
  });
}
