import { quoted } from '../fault/index.js';
import { type Finger, FINGERS, isMark, lettersOfMarks, type Mark, MARKS } from '../stroke/index.js';
import { type StepFault, stepFault } from './step-fault.js';

/** One mark, as a pattern: a golpe may name the finger that taps. */
export const MARK_TEXT = `(?:\\*[pimae]?|${lettersOfMarks(MARKS.filter((m) => m !== '*'))})`;
export interface ReadMarks {
  readonly list: readonly Mark[];
  /** The finger that a golpe is tapped with, where it is named. */
  readonly golpe: Finger | null;
  /** As they are written. */
  readonly text: string;
}
const byMark = (a: Mark, b: Mark) => MARKS.indexOf(a) - MARKS.indexOf(b);
const inOrder = (list: readonly Mark[]): Mark[] => [...new Set(list)].sort(byMark);

/** @param stem what stands before the marks, as it would be written */
export function readMarks(text: string, stem: string): ReadMarks | StepFault {
  const list: Mark[] = [];
  let golpe: Finger | null = null;
  for (let i = 0; i < text.length; i++) {
    const mark = text[i] ?? '';
    if (!isMark(mark)) {
      const known = [...text].filter(isMark).join('');
      return stepFault('no mark', [quoted(mark)], stem + known);
    }
    list.push(mark);
    const next = text[i + 1];
    if (mark === '*' && next !== undefined && FINGERS.includes(next as Finger)) {
      golpe = next as Finger;
      i++;
    }
  }
  return { list: inOrder(list), golpe, text };
}
/** Marks that stand before the strings, and those behind them. */
export const joinMarks = (a: ReadMarks, b: ReadMarks): ReadMarks => ({
  list: inOrder([...a.list, ...b.list]),
  golpe: b.golpe ?? a.golpe,
  text: a.text + b.text,
});
export const NO_MARKS: ReadMarks = { list: [], golpe: null, text: '' };
