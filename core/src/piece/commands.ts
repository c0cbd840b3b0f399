import { notesWritten } from './notes-written.js';
import { type AccentCycle, checkCycle, cycleLength } from '../cycle/index.js';
import type { DataFault } from '../fault/index.js';
import { checkShape, checkStopped, type Shape, type StoppedNote } from '../left-hand/index.js';
import { cleanName } from '../name/index.js';
import {
  flatten,
  LONGEST_SCRIPT,
  MOST_STROKES,
  parseScript,
  pressOnStep,
  scriptWithOne,
  type SlotKey,
  writeSlot,
} from '../script/index.js';
import { clampBpm, HIGHEST_BPM, LOWEST_BPM, stepTicks } from '../time/index.js';
import { type Command, inOrder, refusable } from './command.js';
import type { Ladder } from './ladder.js';
import { makeSection } from './make.js';
import {
  type Harmony,
  HIGHEST_CAPO,
  LADDER_BOUNDS,
  LATEST_START,
  LATEST_STOPPED,
  LONGEST_ID,
  MOST_IN_ORDER,
  MOST_SECTIONS,
  MOST_SHAPES,
  OPEN_STRING_BOUNDS,
  type Section,
  type Study,
} from './model.js';

const sectionOf = (study: Study, id: string) => study.sections.find((s) => s.id === id);
const replaced = (study: Study, id: string, change: (s: Section) => Section): Study => {
  const sections = study.sections.map((s) => (s.id === id ? change(s) : s));
  return sections.some((s, i) => s !== study.sections[i]) ? { ...study, sections } : study;
};
/** A change of one section; `ask` is put to the section as it is and as it would be. */
const inSection = (
  id: string,
  change: (s: Section, study: Study) => Section,
  ask: (after: Section) => DataFault | null = () => null,
): Command =>
  refusable(
    (study) => replaced(study, id, (s) => change(s, study)),
    (study) => {
      const before = sectionOf(study, id);
      const after = before && change(before, study);
      return after && after !== before ? ask(after) : null;
    },
  );
const put = <T extends object>(thing: T, values: Partial<T>): T =>
  (Object.keys(values) as (keyof T)[]).every((k) => thing[k] === values[k]) ? thing : { ...thing, ...values };
const bounded = (n: number, low: number, high: number, otherwise: number): number =>
  Number.isFinite(n) ? Math.min(high, Math.max(low, n)) : otherwise;
const within = (path: string, faults: readonly DataFault[]): DataFault | null =>
  faults[0] ? { path: `${path}.${faults[0].path}`, message: faults[0].message } : null;

/** A thing with these fields alone: what came along with it must not reach the table. */
function only<T extends object>(thing: T, fields: readonly (keyof T)[]): T {
  if (Object.keys(thing).every((k) => fields.includes(k as keyof T))) return thing;
  return Object.fromEntries(fields.flatMap((k) => (k in thing ? [[k, thing[k]]] : []))) as T;
}
const plainShape = (shape: Shape): Shape => only(shape, ['id', 'name', 'frets', 'fingers']);
const plainStopped = (stopped: readonly StoppedNote[]): readonly StoppedNote[] =>
  stopped.map((n) => only(n, ['at', 'string', 'fret', 'finger']));
const plainCycle = (cycle: AccentCycle): AccentCycle => {
  const fields = only(cycle, [
    'id',
    'name',
    'family',
    'counts',
    'labels',
    'accents',
    'groups',
    'countNote',
    'tempo',
    'school',
    'note',
  ]);
  const accents = fields.accents.map((a) => only(a, ['at', 'weight']));
  const tempo = only(fields.tempo, ['low', 'usual', 'high']);
  const same = tempo === fields.tempo && accents.every((a, n) => a === fields.accents[n]);
  return same ? fields : { ...fields, accents, tempo };
};

const scriptFault = ({ script }: Section): DataFault | null =>
  script.length <= LONGEST_SCRIPT
    ? null
    : {
        path: 'script',
        message: `A script holds ${LONGEST_SCRIPT} letters at most; this would make ${script.length}. Write what repeats as { … }x, or begin another section.`,
      };
export const setScript = (section: string, script: string): Command =>
  inSection(section, (s) => put(s, { script }), scriptFault);
export const setTempo = (section: string, bpm: number): Command =>
  inSection(section, (s) => put(s, { bpm: clampBpm(bpm) }));
export const setStart = (section: string, start: number): Command =>
  inSection(section, (s) => put(s, { start: Math.round(bounded(start, 0, LATEST_START, s.start)) }));
export const setLadder = (section: string, ladder: Ladder): Command =>
  inSection(section, (s) => {
    const { step, passes } = LADDER_BOUNDS;
    return put(s, {
      ladder: put(s.ladder, {
        start: bounded(ladder.start, LOWEST_BPM, HIGHEST_BPM, s.ladder.start),
        end: bounded(ladder.end, LOWEST_BPM, HIGHEST_BPM, s.ladder.end),
        step: bounded(ladder.step, step.low, step.high, s.ladder.step),
        passes: Math.round(bounded(ladder.passes, passes.low, passes.high, s.ladder.passes)),
      }),
    });
  });

const orderFault = ({ harmony }: Section): DataFault | null =>
  harmony.shapes.length <= MOST_IN_ORDER
    ? null
    : {
        path: 'harmony',
        message: `An order holds ${MOST_IN_ORDER} shapes at most; this would make ${harmony.shapes.length}. Begin another section for the rest.`,
      };
/** Which shapes are held when; shapes that the study does not have stay out. */
export const setHarmony = (section: string, harmony: Harmony): Command =>
  inSection(
    section,
    (s, study) => {
      const known = new Set(study.shapes.map((x) => x.id));
      const shapes = harmony.shapes.filter((id) => known.has(id));
      return put(s, { harmony: { per: harmony.per === 'group' ? 'group' : 'turn', shapes } });
    },
    orderFault,
  );

/** How many steps a count is cut into; a number that 5040 ticks can't hold changes nothing. */
export const setSteps = (section: string, stepsPerCount: number): Command =>
  inSection(section, (s) => (stepTicks(stepsPerCount) === null ? s : put(s, { stepsPerCount })));

/**
 * A key pressed on a slot of the wheel. On an empty script the slot is counted from the cycle's first
 * count, and the line is filled up with rests to one turn.
 */
export const pressSlot = (section: string, slot: number, key: SlotKey): Command =>
  inSection(
    section,
    (s) => {
      if (!Number.isInteger(slot) || slot < 0 || slot >= MOST_STROKES) return s;
      const flat = flatten(parseScript(s.script, s).pattern);
      const there = flat.slots[slot];
      if (there) return put(s, { script: writeSlot(s.script, flat, slot, pressOnStep(there.step, key)) });
      // What is written and can't be read is mended first.
      if (flat.slots.length > 0 || s.script.length > LONGEST_SCRIPT) return s;
      const steps = cycleLength(s.cycle) / (stepTicks(s.stepsPerCount) ?? 1);
      return put(s, { script: scriptWithOne(steps, slot, pressOnStep({ kind: 'rest' }, key)) });
    },
    scriptFault,
  );

const cycleFault = (cycle: AccentCycle): DataFault | null =>
  cycle.id === '' || cycle.id.length > LONGEST_ID
    ? { path: 'cycle.id', message: 'The cycle has no id.' }
    : within('cycle', checkCycle(cycle));
/** Another cycle under the same script; the pattern begins on its first count and the tempo stays. */
export const setCycle = (section: string, cycle: AccentCycle): Command =>
  inSection(
    section,
    (s) => put(s, { cycle: plainCycle(cycle), start: 0 }),
    (s) => cycleFault(s.cycle),
  );

const stoppedFault = ({ stopped = [] }: Section): DataFault | null =>
  checkStopped(stopped)[0] ??
  (stopped.some((n) => n.at > LATEST_STOPPED)
    ? { path: 'stopped', message: 'A note lies beyond the end of the longest script.' }
    : null);
/** @param stopped null leaves the frets of single strokes as they are */
const putCell = (
  section: string,
  script: string,
  stepsPerCount: number,
  stopped: readonly StoppedNote[] | null,
): Command =>
  inSection(
    section,
    (s) => {
      if (stepTicks(stepsPerCount) === null) return s;
      const notes = stopped && plainStopped(stopped);
      return notesWritten(
        put(s, { script, stepsPerCount, ...(notes && (notes.length || s.stopped) ? { stopped: notes } : {}) }),
      );
    },
    (s) => scriptFault(s) ?? stoppedFault(s),
  );
/** A cell or a line put into a section: its script, its steps, and the frets it names, if any. */
export const setCell = (
  section: string,
  script: string,
  stepsPerCount: number,
  stopped: readonly StoppedNote[] = [],
): Command => putCell(section, script, stepsPerCount, stopped);

export const renameStudy =
  (name: string): Command =>
  (study) =>
    cleanName(name) ? put(study, { name: cleanName(name) }) : study;
export const renameSection = (section: string, name: string): Command =>
  inSection(section, (s) => (cleanName(name) ? put(s, { name: cleanName(name) }) : s));

export const addSection = (id: string, name: string, cycle: AccentCycle): Command =>
  refusable(
    (study) => ({ ...study, sections: [...study.sections, makeSection(id, cleanName(name), plainCycle(cycle))] }),
    (study) => {
      if (study.sections.length >= MOST_SECTIONS)
        return {
          path: 'sections',
          message: `A study holds ${MOST_SECTIONS} sections at most. Copy the study and go on there, or take a section out.`,
        };
      if (id === '' || id.length > LONGEST_ID || sectionOf(study, id))
        return { path: 'sections', message: 'The section needs an id of its own.' };
      if (!cleanName(name)) return { path: 'sections', message: 'Give the section a name.' };
      return cycleFault(cycle);
    },
  );
/** The last section stays: a study always has one. */
export const removeSection =
  (id: string): Command =>
  (study) =>
    study.sections.length > 1 && sectionOf(study, id)
      ? { ...study, sections: study.sections.filter((s) => s.id !== id) }
      : study;

/** Adds a shape, or puts it in place of the one with its id. */
export const putShape = (shape: Shape): Command =>
  refusable(
    (study) => ({
      ...study,
      shapes: study.shapes.some((s) => s.id === shape.id)
        ? study.shapes.map((s) => (s.id === shape.id ? plainShape(shape) : s))
        : [...study.shapes, plainShape(shape)],
    }),
    (study) => {
      if (shape.id === '' || shape.id.length > LONGEST_ID) return { path: 'shapes', message: 'The shape has no id.' };
      const fault = within('shape', checkShape(shape));
      if (fault) return fault;
      return study.shapes.length < MOST_SHAPES || study.shapes.some((s) => s.id === shape.id)
        ? null
        : {
            path: 'shapes',
            message: `A study holds ${MOST_SHAPES} shapes at most. Take some away in the Wheel’s Shape panel first.`,
          };
    },
  );
/** Puts a shape into the study and into a section's order: in place of the one at `at`, or behind the last. */
export const holdShape = (section: string, shape: Shape, at: number | null = null): Command =>
  inOrder(
    putShape(shape),
    inSection(
      section,
      (s) => {
        const { shapes } = s.harmony;
        const order =
          at === null || at >= shapes.length
            ? [...shapes, shape.id]
            : shapes.map((id, n) => (n === at ? shape.id : id));
        return { ...s, harmony: { ...s.harmony, shapes: order } };
      },
      orderFault,
    ),
  );
/** Takes a shape out of the study and out of every section's harmony. */
export const removeShape =
  (id: string): Command =>
  (study) =>
    study.shapes.some((s) => s.id === id)
      ? {
          ...study,
          shapes: study.shapes.filter((s) => s.id !== id),
          sections: study.sections.map((s) => ({
            ...s,
            harmony: { ...s.harmony, shapes: s.harmony.shapes.filter((h) => h !== id) },
          })),
        }
      : study;

export const setCapo =
  (capo: number): Command =>
  (study) =>
    put(study, { capo: Math.round(bounded(capo, 0, HIGHEST_CAPO, study.capo)) });
export const setTuning = (tuning: readonly number[]): Command =>
  refusable(
    (study) => put(study, { tuning }),
    () => {
      const { low, high } = OPEN_STRING_BOUNDS;
      return tuning.length === 6 && tuning.every((n) => Number.isInteger(n) && n >= low && n <= high)
        ? null
        : { path: 'tuning', message: 'A tuning names a pitch for each of six strings.' };
    },
  );

/** What is shown and heard in place of a section's script, before it is kept. */
export interface Trial {
  readonly script: string;
  readonly stepsPerCount: number;
  readonly start: number;
  /** Frets that a line names for its own notes. */
  readonly stopped?: readonly StoppedNote[];
  /** Other shapes, or none, under what is tried out. */
  readonly harmony?: Harmony;
  /** Shapes that it holds and the study does not know yet. */
  readonly shapes?: readonly Shape[];
  /** The cycle in other groups. */
  readonly cycle?: AccentCycle;
  /** Another capo place. */
  readonly capo?: number;
}
/** What was tried out becomes the section: all of it, or nothing of it. */
export const keepTrial = (section: string, trial: Trial): Command =>
  inOrder(
    ...(trial.shapes ?? []).map(putShape),
    ...(trial.capo === undefined ? [] : [setCapo(trial.capo)]),
    ...(trial.cycle ? [setCycle(section, trial.cycle)] : []),
    putCell(section, trial.script, trial.stepsPerCount, trial.stopped ?? null),
    setStart(section, trial.start),
    ...(trial.harmony ? [setHarmony(section, trial.harmony)] : []),
  );
