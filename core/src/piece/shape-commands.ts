import { renameInChart } from '../chart/index.js';
import type { DataFault } from '../fault/index.js';
import { checkShape, type Shape } from '../left-hand/index.js';
import { cleanName, LONGEST_NAME } from '../name/index.js';
import { plainShape, refused, within } from './changing.js';
import { type Command, refusable } from './command.js';
import { LONGEST_ID, MOST_SHAPES, type Study } from './model.js';

const sameHold = (a: Shape, b: Shape): boolean =>
  a.frets.join() === b.frets.join() && a.fingers.join() === b.fingers.join();

/** “C” → “C 2” where another shape of the study is called so. */
function ownName(name: string, others: readonly Shape[]): string {
  const taken = new Set(others.map((s) => s.name));
  if (!taken.has(name)) return name;
  const stem = name.replace(/ \d+$/, '');
  for (let n = 2; ; n++) {
    const next = `${stem.slice(0, LONGEST_NAME - String(n).length - 1).trimEnd()} ${n}`;
    if (!taken.has(next)) return next;
  }
}
/**
 * A shape as it can be put into a study, whose charts call shapes by name: the one that is there already when it is
 * held in the same way under the same name, else under a name of its own.
 */
export function shapeToPut(study: Study, shape: Shape): Shape {
  if (study.shapes.some((s) => s.id === shape.id)) return { ...shape, name: nameFor(study, shape) };
  const there = study.shapes.find((s) => s.name === shape.name && sameHold(s, shape));
  return there ?? { ...shape, name: nameFor(study, shape) };
}
const nameFor = (study: Study, shape: Shape) =>
  ownName(
    shape.name,
    study.shapes.filter((s) => s.id !== shape.id),
  );

const shapeFault = (study: Study, shape: Shape): DataFault | null => {
  if (shape.id === '' || shape.id.length > LONGEST_ID) return refused('shapes', 'shape without id');
  const fault = within('shape', checkShape(shape));
  if (fault) return fault;
  return study.shapes.length < MOST_SHAPES || study.shapes.some((s) => s.id === shape.id)
    ? null
    : refused('shapes', 'too many shapes', MOST_SHAPES);
};
/**
 * Adds a shape, or puts it in place of the one with its id; charts that call this by its name follow. A name that
 * another shape has gets a number.
 */
export const putShape = (shape: Shape): Command =>
  refusable(
    (study) => {
      const own = plainShape({ ...shape, name: nameFor(study, shape) });
      const before = study.shapes.find((s) => s.id === own.id);
      if (!before) return { ...study, shapes: [...study.shapes, own.name === shape.name ? plainShape(shape) : own] };
      const shapes = study.shapes.map((s) => (s.id === own.id ? own : s));
      return { ...study, shapes, sections: renamed(study, before.name, own.name) };
    },
    (study) => shapeFault(study, shape),
  );
const renamed = (study: Study, before: string, after: string): Study['sections'] =>
  before === after
    ? study.sections
    : study.sections.map((s) => {
        const chart = renameInChart(s.chart, before, after, s.cycle);
        return chart === s.chart ? s : { ...s, chart };
      });

/** Takes a shape out of the study; where a chart calls it, strings are open. */
export const removeShape =
  (id: string): Command =>
  (study) => {
    const gone = study.shapes.find((s) => s.id === id);
    if (!gone) return study;
    return { ...study, shapes: study.shapes.filter((s) => s.id !== id), sections: renamed(study, gone.name, '') };
  };
/** Whether a name can be a shape's. */
export const isShapeName = (name: string): boolean => name !== '' && cleanName(name) === name;
