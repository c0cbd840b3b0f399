import { paidTerms } from '../../search/index.js';
import { type Finger, ringingBefore } from '../../stroke/index.js';
import type { StringNumber } from '../../time/index.js';
import { anchorPlan, crossingsOf } from './compare.js';
import { lateCost, noteCost } from './cost.js';
import { earlierLateness } from './earlier-strokes.js';
import { LINE_TERMS, type LineAnswer, type LineRequest } from './model.js';

/** From this string on the thumb is at home. */
const BASS_STRING = 4;
/** What makes a note dear: twice the same finger, one that comes late, a rest stroke on a string that must ring. */
export type NoteFault = 'same finger' | 'late' | 'touches a ring';
/** What one note's finger does there. */
export interface NoteFacts {
  readonly fingers: readonly Finger[];
  readonly strings: readonly StringNumber[];
  readonly crossing: 'natural' | 'awkward' | null;
  /** What the thumb's anchor does before it, when it does anything. */
  readonly anchor: 'rests on 6' | 'lifts' | null;
  readonly pinned: boolean;
  readonly faults: readonly NoteFault[];
}
/** For every note what its finger does there. */
export function noteFacts(request: LineRequest, answer: LineAnswer): NoteFacts[] {
  const { notes } = request;
  const crossings = new Map(crossingsOf(notes, answer.steps).map((c) => [c.index, c.kind]));
  const fingersOnly = answer.steps.every((f) => !f.includes('p'));
  const anchors = new Map((fingersOnly ? anchorPlan(notes, answer.steps) : []).map((c) => [c.index, c.thumb]));
  const ringing = ringingBefore(notes);
  return notes.map((note, i): NoteFacts => {
    const own = answer.steps[i] ?? [];
    const [before, beforeThat] = [notes[i - 1], notes[i - 2]];
    const faults: NoteFault[] = [];
    // The thumb goes from bass to bass as it likes.
    const again = own.filter((f) => answer.steps[i - 1]?.includes(f));
    const bass = [before, note].every((n) => Math.max(...(n?.strings ?? [])) >= BASS_STRING);
    if (again.some((f) => f !== 'p' || !bass)) faults.push('same finger');
    const twoBack =
      beforeThat && before
        ? lateCost(request, beforeThat, answer.steps[i - 2] ?? [], answer.steps[i - 1] ?? [], note, own)
        : 0;
    if (twoBack + earlierLateness(request, answer.steps, i) > 0) faults.push('late');
    if ((noteCost(request, i, own, ringing[i] ?? new Set(), 0).rest ?? 0) > 0) faults.push('touches a ring');
    return {
      fingers: own,
      strings: note.strings,
      crossing: crossings.get(i) ?? null,
      anchor: i > 0 ? (anchors.get(i) ?? null) : null,
      pinned: note.pinned !== undefined,
      faults,
    };
  });
}

/** The terms a fingering pays for, dearest first. */
export const dearest = (answer: LineAnswer) => paidTerms(LINE_TERMS, answer.cost);
