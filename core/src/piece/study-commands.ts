import type { AccentCycle } from '../cycle/index.js';
import type { DataFault } from '../fault/index.js';
import { cleanName } from '../name/index.js';
import { LONGEST_SCRIPT, type NamedCell } from '../script/index.js';
import { sixOf, stepTicks } from '../time/index.js';
import { bounded, cycleFault, inSection, only, plainCycle, put, sectionOf } from './changing.js';
import { type Command, refusable } from './command.js';
import { renameInForm } from './form.js';
import { makeSection } from './make.js';
import {
  HIGHEST_CAPO,
  LONGEST_FORM,
  LONGEST_ID,
  MOST_NAMED_CELLS,
  MOST_SECTIONS,
  OPEN_STRING_BOUNDS,
} from './model.js';

export const renameStudy =
  (name: string): Command =>
  (study) =>
    cleanName(name) ? put(study, { name: cleanName(name) }) : study;
/** The form follows the new name. */
export const renameSection =
  (section: string, name: string): Command =>
  (study) => {
    const [before, after] = [sectionOf(study, section)?.name ?? '', cleanName(name)];
    const renamed = after ? inSection(section, (s) => put(s, { name: after }))(study) : study;
    if (renamed === study || renamed.sections.some((s) => s.name === before)) return renamed;
    const form = renameInForm(study.form, before, after);
    return form.length <= LONGEST_FORM ? put(renamed, { form }) : renamed;
  };

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

/** The order of the sections, as typed. */
export const setForm = (form: string): Command =>
  refusable(
    (study) => put(study, { form }),
    () =>
      form.length <= LONGEST_FORM
        ? null
        : { path: 'form', message: `A form holds ${LONGEST_FORM} letters at most; this would make ${form.length}.` },
  );

/** What a cell's name can't hold, for it is called as `<name>`. */
const NOT_IN_A_NAME = /[<>|[\]{}]/;
/** Why a cell can't be called by its name; null when it can. */
export function namedCellFault({ name, script, stepsPerCount }: NamedCell): DataFault | null {
  if (cleanName(name) !== name || name === '') return { path: 'cells', message: 'Give the cell a name.' };
  if (NOT_IN_A_NAME.test(name)) return { path: 'cells', message: 'A cell’s name has no < > [ ] { } or | in it.' };
  if (script.length > LONGEST_SCRIPT || stepTicks(stepsPerCount) === null)
    return { path: 'cells', message: 'The cell’s script is too long, or its steps don’t fit a count.' };
  return null;
}
/** Gives the study a cell that its scripts can call, or puts it in place of the one of its name. */
export const nameCell = (cell: NamedCell): Command =>
  refusable(
    (study) => {
      const own = only(cell, ['name', 'script', 'stepsPerCount']);
      const there = study.cells.some((c) => c.name === own.name);
      return {
        ...study,
        cells: there ? study.cells.map((c) => (c.name === own.name ? own : c)) : [...study.cells, own],
      };
    },
    (study) =>
      namedCellFault(cell) ??
      (study.cells.length < MOST_NAMED_CELLS || study.cells.some((c) => c.name === cell.name)
        ? null
        : { path: 'cells', message: `A study holds ${MOST_NAMED_CELLS} cells at most.` }),
  );

export const setCapo =
  (capo: number): Command =>
  (study) =>
    put(study, {
      instrument: put(study.instrument, {
        capo: Math.round(bounded(capo, 0, HIGHEST_CAPO, study.instrument.capo)),
      }),
    });
export const setTuning = (tuning: readonly number[]): Command =>
  refusable(
    (study) => put(study, { instrument: put(study.instrument, { tuning: sixOf(tuning) }) }),
    () => {
      const { low, high } = OPEN_STRING_BOUNDS;
      return tuning.length === 6 && tuning.every((n) => Number.isInteger(n) && n >= low && n <= high)
        ? null
        : { path: 'tuning', message: 'A tuning names a pitch for each of six strings.' };
    },
  );
