import { cycleLength, type AccentCycle } from '../cycle/index.js';
import type { Shape, StoppedNote } from '../fretting/index.js';
import type { Ladder } from '../practice/ladder.js';
import { flatten, parseScript, pressOnStep, scriptWithOne, writeSlot, type SlotKey } from '../pattern/index.js';
import { clampBpm, stepTicks } from '../time/index.js';
import { makeSection } from './make.js';
import { HIGHEST_CAPO, type Harmony, type Section, type Study } from './model.js';

/** A gesture as a pure function. Commands never throw; one that has nothing to change returns the study itself. */
export type Command = (study: Study) => Study;

const inSection =
  (id: string, change: (s: Section) => Section): Command =>
  (study) => {
    const sections = study.sections.map((s) => (s.id === id ? change(s) : s));
    return sections.some((s, i) => s !== study.sections[i]) ? { ...study, sections } : study;
  };
const put = <T extends object>(thing: T, values: Partial<T>): T =>
  (Object.keys(values) as (keyof T)[]).every((k) => thing[k] === values[k]) ? thing : { ...thing, ...values };

export const setScript = (section: string, script: string) => inSection(section, (s) => put(s, { script }));
export const setTempo = (section: string, bpm: number) => inSection(section, (s) => put(s, { bpm: clampBpm(bpm) }));
export const setStart = (section: string, start: number) => inSection(section, (s) => put(s, { start }));
export const setLadder = (section: string, ladder: Ladder) => inSection(section, (s) => put(s, { ladder }));
export const setHarmony = (section: string, harmony: Harmony) => inSection(section, (s) => put(s, { harmony }));

/** How many steps a count is cut into; a number that 5040 ticks can't hold changes nothing. */
export const setSteps = (section: string, stepsPerCount: number) =>
  inSection(section, (s) => (stepTicks(stepsPerCount) === null ? s : put(s, { stepsPerCount })));

/**
 * A key pressed on a slot of the wheel. On an empty script the slot is counted from the cycle's first
 * count, and the line is filled up with rests to one turn.
 */
export const pressSlot = (section: string, slot: number, key: SlotKey) =>
  inSection(section, (s) => {
    const flat = flatten(parseScript(s.script, s).pattern);
    const there = flat.slots[slot];
    if (there) return put(s, { script: writeSlot(s.script, flat, slot, pressOnStep(there.step, key)) });
    if (flat.slots.length > 0) return s;
    const steps = cycleLength(s.cycle) / (stepTicks(s.stepsPerCount) ?? 1);
    return put(s, { script: scriptWithOne(steps, slot, pressOnStep({ kind: 'rest' }, key)) });
  });

/** Another cycle under the same script; the pattern begins on its first count and the tempo stays. */
export const setCycle = (section: string, cycle: AccentCycle) => inSection(section, (s) => put(s, { cycle, start: 0 }));

/** A cell or a line put into a section: its script, its steps, and the frets it names, if any. */
export const setCell = (section: string, script: string, stepsPerCount: number, stopped: readonly StoppedNote[] = []) =>
  inSection(section, (s) => put(s, { script, stepsPerCount, ...(stopped.length || s.stopped ? { stopped } : {}) }));

export const renameStudy =
  (name: string): Command =>
  (study) =>
    name.trim() ? put(study, { name: name.trim() }) : study;
export const renameSection = (section: string, name: string) =>
  inSection(section, (s) => (name.trim() ? put(s, { name: name.trim() }) : s));

export const addSection =
  (id: string, name: string, cycle: AccentCycle): Command =>
  (study) => ({ ...study, sections: [...study.sections, makeSection(id, name, cycle)] });
/** The last section stays: a study always has one. */
export const removeSection =
  (id: string): Command =>
  (study) =>
    study.sections.length > 1 ? { ...study, sections: study.sections.filter((s) => s.id !== id) } : study;

/** Adds a shape, or puts it in place of the one with its id. */
export const putShape =
  (shape: Shape): Command =>
  (study) => ({
    ...study,
    shapes: study.shapes.some((s) => s.id === shape.id)
      ? study.shapes.map((s) => (s.id === shape.id ? shape : s))
      : [...study.shapes, shape],
  });
/** Puts a shape into the study and into a section's order: in place of the one at `at`, or behind the last. */
export const holdShape =
  (section: string, shape: Shape, at: number | null = null): Command =>
  (study) =>
    inSection(section, (s) => {
      const { shapes } = s.harmony;
      const order =
        at === null || at >= shapes.length ? [...shapes, shape.id] : shapes.map((id, n) => (n === at ? shape.id : id));
      return { ...s, harmony: { ...s.harmony, shapes: order } };
    })(putShape(shape)(study));
/** Takes a shape out of the study and out of every section's harmony. */
export const removeShape =
  (id: string): Command =>
  (study) => ({
    ...study,
    shapes: study.shapes.filter((s) => s.id !== id),
    sections: study.sections.map((s) => ({
      ...s,
      harmony: { ...s.harmony, shapes: s.harmony.shapes.filter((h) => h !== id) },
    })),
  });

export const setCapo =
  (capo: number): Command =>
  (study) =>
    put(study, { capo: Math.min(HIGHEST_CAPO, Math.max(0, Math.round(capo))) });
export const setTuning =
  (tuning: readonly number[]): Command =>
  (study) =>
    put(study, { tuning });
