import { listed, plural } from '../../words/en/index.js';
import { anchorPlan, crossingsOf } from './compare.js';
import { lateCost, noteCost, ringingBefore } from './cost.js';
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
export interface NoteReason {
  readonly crossing: 'natural' | 'awkward' | null;
  readonly anchor: 'rests on 6' | 'lifts' | null;
  /** What makes this note dear: twice the same finger, one that comes late, a ring that is touched. */
  readonly faults: readonly string[];
  /** All of it in one sentence. */
  readonly text: string;
}
/** For every note what its finger does there. */
export function explainNotes(request: LineRequest, answer: LineAnswer): NoteReason[] {
  const { notes } = request;
  const crossings = new Map(crossingsOf(notes, answer.steps).map((c) => [c.index, c.kind]));
  const fingersOnly = answer.steps.every((f) => !f.includes('p'));
  const anchors = new Map((fingersOnly ? anchorPlan(notes, answer.steps) : []).map((c) => [c.index, c.thumb]));
  const ringing = ringingBefore(notes);
  return notes.map((note, i): NoteReason => {
    const own = answer.steps[i] ?? [];
    const before = notes[i - 1];
    const crossing = crossings.get(i) ?? null;
    const anchor = i > 0 ? (anchors.get(i) ?? null) : null;
    const faults: string[] = [];
    const beforeThat = notes[i - 2];
    if (before && own.some((f) => answer.steps[i - 1]?.includes(f))) faults.push('the same finger twice');
    if (
      beforeThat &&
      before &&
      lateCost(request, beforeThat, answer.steps[i - 2] ?? [], answer.steps[i - 1] ?? [], note, own) > 0
    )
      faults.push('the finger comes back late');
    if ((noteCost(request, i, own, ringing[i] ?? new Set()).rest ?? 0) > 0)
      faults.push('the rest stroke touches a ring');
    const parts = [`${own.join(' ')} on ${note.strings.length > 1 ? 'strings' : 'string'} ${note.strings.join(' ')}`];
    if (crossing) parts.push(`${crossing} crossing`);
    if (anchor) parts.push(anchor === 'lifts' ? 'the thumb lifts' : 'the thumb rests on 6 again');
    if (note.pinned) parts.push('pinned');
    return { crossing, anchor, faults, text: `Note ${i + 1}: ${[...parts, ...faults].join(', ')}.` };
  });
}

/** The terms a fingering pays for, dearest first. */
export const dearest = (answer: LineAnswer) =>
  LINE_TERMS.filter((t) => answer.cost[t] > 0).sort((a, b) => answer.cost[b] - answer.cost[a]);
