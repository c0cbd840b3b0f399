import { fact } from '../../fault/index.js';
import { readPassage } from '../../passage/index.js';
import type { Finger } from '../../stroke/index.js';
import type { Ticks } from '../../time/index.js';
import type { LineAnswer, LineNote, LineRequest, LineResult } from './model.js';
import { scoreLine } from './score.js';

const UPWARD: readonly Finger[] = ['i', 'm', 'a'];

/** Fingers in a fixed order: each start of the order is one answer, ranked by its score. */
export function inTurn(request: LineRequest, cycle: readonly Finger[]): LineResult {
  const answers: LineAnswer[] = [];
  const seen = new Set<string>();
  const begins = request.school.afresh ? barsBegun(request) : null;
  const { bass } = readPassage(request);
  // Begun anew in every bar there is one start, the order's own.
  for (let start = 0; start < (begins ? 1 : cycle.length); start++) {
    const line = fingersFrom(request, bass, cycle, start, begins);
    if (!line) continue;
    // A line of the thumb alone is the same from every start.
    const text = JSON.stringify(line);
    if (!seen.has(text) && keepsPins(request.notes, line)) answers.push(scoreLine(request, line));
    seen.add(text);
  }
  if (answers.length === 0) {
    const chord = request.notes.findIndex(
      (n, i) => n.strings.length > 1 && !(request.school.chords && together(n, bass[i] === true, cycle, 0)),
    );
    return {
      infeasible: [
        chord >= 0
          ? fact('school takes single notes', chord + 1, request.school.id)
          : fact('pins against the order', request.school.id),
      ],
    };
  }
  const ranked = answers.map((a, i) => ({ a, i })).sort((x, y) => x.a.total - y.a.total || x.i - y.i);
  return { answers: ranked.slice(0, request.k ?? 5).map((r) => r.a), looked: answers.length };
}

/** The line with the order begun at a place of it; null where several notes at once don't go with the order. */
function fingersFrom(
  { notes, school }: LineRequest,
  bass: readonly boolean[],
  cycle: readonly Finger[],
  start: number,
  begins: ReadonlySet<number> | null,
): (readonly Finger[])[] | null {
  const line: (readonly Finger[])[] = [];
  let n = start;
  for (const [i, note] of notes.entries()) {
    if (begins?.has(i)) n = 0;
    if (note.strings.length > 1) {
      const fingers = school.chords ? together(note, bass[i] === true, cycle, n) : null;
      if (!fingers) return null;
      if (fingers.length === 2 && fingers[0] === 'p') n++;
      line.push(fingers);
      continue;
    }
    // A bass that is the thumb's goes beside an order without one.
    const apart = note.layer === 'thumb' || note.pinned?.[0] === 'p';
    if (apart && !cycle.includes('p')) {
      line.push(['p']);
      continue;
    }
    // What is for the fingers passes the thumb's place over.
    if (note.layer === 'fingers') while (cycle[n % cycle.length] === 'p') n++;
    line.push([cycle[n++ % cycle.length] as Finger]);
  }
  return line;
}

/**
 * Notes struck together beside an order of the fingers: a bass with the thumb and the note over it in its turn; more
 * notes, or notes without a bass, by the fingers from i upward. Null where the order has the thumb in it.
 */
function together(note: LineNote, bass: boolean, cycle: readonly Finger[], n: number): readonly Finger[] | null {
  if (note.pinned) return note.pinned;
  if (cycle.includes('p')) return null;
  if (bass && note.strings.length === 2) return ['p', cycle[n % cycle.length] as Finger];
  const upper = note.strings.length - (bass ? 1 : 0);
  return upper > UPWARD.length ? null : [...(bass ? (['p'] as const) : []), ...UPWARD.slice(0, upper)];
}

const keepsPins = (notes: readonly LineNote[], line: readonly (readonly Finger[])[]): boolean =>
  notes.every(
    (note, i) =>
      (!note.pinned || note.pinned.join() === line[i]?.join()) &&
      (note.layer !== 'thumb' || line[i]?.[0] === 'p') &&
      (note.layer !== 'fingers' || line[i]?.[0] !== 'p'),
  );

/** Indices of the notes that are first in their bar. */
function barsBegun({ notes, bars = [] }: LineRequest): Set<number> {
  const begun = new Set<number>([0]);
  if (bars.length === 0) return begun;
  let [bar, end] = [0, bars[0] as Ticks as number];
  notes.forEach((note, i) => {
    if (note.at < end) return;
    while (note.at >= end) end += bars[++bar % bars.length] as number;
    begun.add(i);
  });
  return begun;
}
