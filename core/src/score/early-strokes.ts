import type { Section, StudyPart } from '../piece/index.js';
import { flatten, parseScript, writeSteps } from '../script/index.js';
import { hasMark, type Step, type Stroke } from '../stroke/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import type { Score } from './model.js';
import { scoreOf } from './score-of.js';

/** A stroke is early when it comes within so much before a change. */
const EARLY_BY = TICKS_PER_COUNT;

/** Slots of the last strokes of the fingers before each change, close enough to it to take its chord early. */
function lastBeforeChanges({ events, chords, loops, length }: Score): { slot: number; early: boolean }[] {
  const changes = chords.slice(1).map((c) => c.at as number);
  if (loops && chords.length > 1) changes.push(length);
  const found = new Map<number, boolean>();
  for (const at of changes) {
    const last = events.findLast((e) => e.at < at && at - e.at <= EARLY_BY && isOfTheFigure(e.motion));
    if (last && last.motion.kind === 'stroke') found.set(last.slot, hasMark(last.motion, '>'));
  }
  return [...found].map(([slot, early]) => ({ slot, early }));
}
const isOfTheFigure = (m: Step): m is Stroke =>
  m.kind === 'stroke' && (m.dir !== null || m.fingers.length === 0 || m.fingers.some((f) => f !== 'p'));

/** Whether the chords are pushed: all of the strokes that could take a chord early do; null when there is no such stroke. */
export function isPushed(score: Score): boolean | null {
  const places = lastBeforeChanges(score);
  return places.length === 0 ? null : places.every((p) => p.early);
}
/**
 * The script in which the last stroke of the fingers before every change takes the coming chord already, or in which
 * none does.
 */
export function pushedScript(section: Section, study: StudyPart, push: boolean): string {
  const { script, stepsPerCount } = section;
  const { pattern, faults } = parseScript(script, { stepsPerCount, cells: study.cells ?? [] });
  if (faults.length) return script;
  const flat = flatten(pattern);
  const steps = new Map<number, Step>();
  for (const { slot, early } of lastBeforeChanges(scoreOf(section, study))) {
    const step = flat.slots[slot]?.step;
    if (step?.kind !== 'stroke' || early === push) continue;
    steps.set(slot, { ...step, marks: push ? [...step.marks, '>'] : step.marks.filter((m) => m !== '>') });
  }
  return writeSteps(script, pattern, flat, steps);
}
