import { latePoints, returnTime } from '../../player/index.js';
import type { Finger } from '../../stroke/index.js';
import { millisOf, type Ticks, ticks } from '../../time/index.js';
import { millisBetween } from './cost.js';
import type { LineNote, LineRequest } from './model.js';

/** A finger's last stroke before the two latest notes, not yet back when the next one comes. */
export interface EarlierStroke {
  readonly finger: Finger;
  readonly at: Ticks;
}
/** What the notes nearer than this cost is paid elsewhere: the same finger again, and two notes before. */
const EARLIER = 3;

const latenessOf = (request: LineRequest, finger: Finger, from: { readonly at: Ticks }, to: LineNote): number =>
  latePoints(
    request.school.weights.late,
    returnTime(request.profile, finger, false),
    millisOf(ticks(to.at - from.at), request.bpm),
  );

/** Whether a line is so fast that a finger may come late from three notes before or more. */
export function reachesFurther(request: LineRequest): boolean {
  const longest = Math.max(...Object.values(request.profile.returnMs));
  return request.notes.some((note, i) => {
    const before = request.notes[i - EARLIER];
    return before !== undefined && millisBetween(before, note, request) < longest;
  });
}

/** What a note's fingers pay whose last stroke was three notes before or more. */
export function earlierLateness(request: LineRequest, fingers: readonly (readonly Finger[])[], index: number): number {
  const note = request.notes[index] as LineNote;
  let late = 0;
  for (const f of fingers[index] ?? []) {
    const needed = returnTime(request.profile, f, false);
    for (let m = index - 1; m >= 0; m--) {
      const before = request.notes[m] as LineNote;
      if (millisBetween(before, note, request) >= needed) break;
      if (!fingers[m]?.includes(f)) continue;
      if (index - m >= EARLIER) late += latenessOf(request, f, before, note);
      break;
    }
  }
  return late;
}

/** The same from the strokes that a search remembers. */
export const latenessFrom = (
  request: LineRequest,
  earlier: readonly EarlierStroke[],
  note: LineNote,
  fingers: readonly Finger[],
): number =>
  earlier.reduce((sum, s) => (fingers.includes(s.finger) ? sum + latenessOf(request, s.finger, s, note) : sum), 0);

/**
 * What is remembered after one more note: strokes that are now three notes back or more, of fingers that have not played
 * since and are not back when the next note comes.
 * @param third the note that is three back now, with its fingers
 * @param since fingers of the two notes after it
 */
export function remembered(
  request: LineRequest,
  earlier: readonly EarlierStroke[],
  third: { readonly note: LineNote; readonly fingers: readonly Finger[] } | null,
  since: readonly Finger[],
  next: LineNote | undefined,
): readonly EarlierStroke[] {
  if (!next) return [];
  const own = third ? third.fingers.map((finger) => ({ finger, at: third.note.at })) : [];
  return [...own, ...earlier.filter((s) => !third?.fingers.includes(s.finger))].filter(
    (s) => !since.includes(s.finger) && latenessOf(request, s.finger, s, next) > 0,
  );
}
