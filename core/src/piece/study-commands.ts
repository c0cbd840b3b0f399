import type { AccentCycle } from '../cycle/index.js';
import type { DataFault } from '../fault/index.js';
import { cleanName } from '../name/index.js';
import { LONGEST_SCRIPT, type NamedCell } from '../script/index.js';
import { sixOf, stepTicks } from '../time/index.js';
import { bounded, cycleFault, inSection, only, plainCycle, put, refused, sectionOf } from './changing.js';
import { type Command, refusable } from './command.js';
import { renameInForm } from './form-names.js';
import { makeSection } from './make.js';
import {
  HIGHEST_CAPO,
  LONGEST_FORM,
  LONGEST_ID,
  LONGEST_REMINDER,
  MOST_NAMED_CELLS,
  MOST_REMINDERS,
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
      if (study.sections.length >= MOST_SECTIONS) return refused('sections', 'too many sections', MOST_SECTIONS);
      if (id === '' || id.length > LONGEST_ID || sectionOf(study, id)) return refused('sections', 'section without id');
      if (!cleanName(name)) return refused('sections', 'section unnamed');
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

/** One of the player's few reminders, counted from 0; an empty one goes, and those behind it move up. */
export const setReminder = (n: number, text: string): Command =>
  refusable(
    (study) => {
      const own = text.trim();
      const all = study.reminders.map((r, i) => (i === n ? own : r));
      const reminders = (n < all.length ? all : [...all, own]).filter((r) => r !== '');
      return reminders.join('\n') === study.reminders.join('\n') ? study : put(study, { reminders });
    },
    (study) =>
      text.trim().length > LONGEST_REMINDER
        ? refused('reminders', 'reminder too long', LONGEST_REMINDER, text.trim().length)
        : n >= study.reminders.length && study.reminders.length >= MOST_REMINDERS
          ? refused('reminders', 'too many reminders', MOST_REMINDERS)
          : null,
  );
/** The order of the sections, as typed. */
export const setForm = (form: string): Command =>
  refusable(
    (study) => put(study, { form }),
    () => (form.length <= LONGEST_FORM ? null : refused('form', 'form too long', LONGEST_FORM, form.length)),
  );

/** What a cell's name can't hold, for it is called as `<name>`. */
const NOT_IN_A_NAME = /[<>|[\]{}]/;
/** Why a cell can't be called by its name; null when it can. */
export function namedCellFault({ name, script, stepsPerCount }: NamedCell): DataFault | null {
  if (cleanName(name) !== name || name === '') return refused('cells', 'cell unnamed');
  if (NOT_IN_A_NAME.test(name)) return refused('cells', 'cell’s name');
  if (script.length > LONGEST_SCRIPT || stepTicks(stepsPerCount) === null)
    return refused('cells', 'cell can’t be kept');
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
        : refused('cells', 'too many cells', MOST_NAMED_CELLS)),
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
        : refused('tuning', 'six pitches wanted');
    },
  );
