import { paidTerms } from '../../search/index.js';
import { readPassage } from '../../passage/index.js';
import { type Finger, ringingBefore } from '../../stroke/index.js';
import type { StringNumber } from '../../time/index.js';
import { anchorPlan, crossingsOf } from './compare.js';
import { lateCost, noteCost } from './cost.js';
import { earlierLateness } from './earlier-strokes.js';
import { LINE_TERMS, type LineAnswer, type LineRequest } from './model.js';

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
  const { bass } = readPassage(request);
  return notes.map((note, i): NoteFacts => {
    const own = answer.steps[i] ?? [];
    const [before, beforeThat] = [notes[i - 1], notes[i - 2]];
    const faults: NoteFault[] = [];
    // The thumb goes from bass to bass as it likes.
    const again = own.filter((f) => answer.steps[i - 1]?.includes(f));
    const toBass = bass[i] === true && bass[i - 1] === true;
    const block = own.length > 1 && (answer.steps[i - 1]?.length ?? 0) > 1;
    if (!block && again.some((f) => f !== 'p' || !toBass)) faults.push('same finger');
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

/** What a fingering as a whole is like to play, by its code. */
export interface LineRemarkFigures {
  'no crossings': Record<never, never>;
  'crossings natural': { readonly crossings: number };
  /** @property before notes, counted from 0, that an awkward one comes before */
  'crossings awkward': { readonly awkward: number; readonly crossings: number; readonly before: readonly number[] };
  /** Where the thumb's anchor changes, notes counted from 0. */
  'anchor changes': { readonly at: readonly number[] };
  'anchor stays': Record<never, never>;
  /** There is no good way: notes, counted from 0, whose finger has just played. */
  'plays twice': { readonly at: readonly number[]; readonly pinned: boolean };
  'comes late': { readonly bpm: number };
  'rests on a ring': Record<never, never>;
  seam: { readonly smooth: boolean };
}
export type LineRemark = {
  readonly [C in keyof LineRemarkFigures]: { readonly code: C; readonly figures: LineRemarkFigures[C] };
}[keyof LineRemarkFigures];

/**
 * What a fingering is like to play: crossings, the thumb's anchor, fingers that come late or again, rings that are touched,
 * the seam. A thumb that plays has no anchor.
 */
export function lineRemarks(request: LineRequest, answer: LineAnswer): LineRemark[] {
  const crossings = crossingsOf(request.notes, answer.steps);
  const awkward = crossings.filter((c) => c.kind === 'awkward').map((c) => c.index);
  const found: LineRemark[] = [];
  if (crossings.length === 0) found.push({ code: 'no crossings', figures: {} });
  else if (awkward.length === 0) found.push({ code: 'crossings natural', figures: { crossings: crossings.length } });
  else
    found.push({
      code: 'crossings awkward',
      figures: { awkward: awkward.length, crossings: crossings.length, before: awkward },
    });
  if (answer.steps.every((own) => !own.includes('p'))) {
    const at = anchorPlan(request.notes, answer.steps)
      .slice(1)
      .map((c) => c.index);
    found.push(at.length ? { code: 'anchor changes', figures: { at } } : { code: 'anchor stays', figures: {} });
  }
  if (answer.cost.repeat > 0) {
    const facts = noteFacts(request, answer);
    const at = facts.flatMap((f, i) => (f.faults.includes('same finger') ? [i] : []));
    if (at.length) found.push({ code: 'plays twice', figures: { at, pinned: request.notes.some((n) => n.pinned) } });
  }
  if (answer.cost.late > 0) found.push({ code: 'comes late', figures: { bpm: request.bpm } });
  if (answer.cost.rest > 0) found.push({ code: 'rests on a ring', figures: {} });
  if (request.loop !== undefined && !request.school.taught)
    found.push({ code: 'seam', figures: { smooth: answer.cost.seam <= 0 } });
  return found;
}
