import { renameInChart } from '../../chart/index.js';
import { barTicks } from '../../cycle/index.js';
import { cleanName } from '../../name/index.js';
import {
  addSection,
  type Command,
  formName,
  inOrder,
  makeStudy,
  putShape,
  setBars,
  setCell,
  setChart,
  setForm,
  setTempo,
  shapeToPut,
  type Study,
} from '../../piece/index.js';
import type { ImportedPiece, ImportedSection } from './model.js';

/**
 * An import as one command on a study: its sections behind those that are there, with the shapes that they call; an order
 * that the study has goes on with that of the import. The study's strings stay as they are.
 * @param newId makes the id of a section or shape
 */
export function takeImport(study: Study, piece: ImportedPiece, newId: () => string): Command {
  const names = new Map<string, string>();
  const taken = new Set(study.sections.map((s) => s.name));
  for (const { name } of piece.sections) {
    let own = cleanName(name) || 'A';
    for (let n = 2; taken.has(own); n++) own = `${name} ${n}`;
    taken.add(own);
    names.set(name, own);
  }
  let after = study;
  const called = new Map<string, string>();
  const shapes = piece.shapes.flatMap((shape): Command[] => {
    const own = shapeToPut(after, { id: newId(), ...shape });
    called.set(shape.name, own.name);
    if (after.shapes.includes(own)) return [];
    const command = putShape(own);
    after = command(after);
    return [command];
  });
  const sections = piece.sections.flatMap((s): Command[] => {
    const id = newId();
    const chart = [...called].reduce(
      (text, [before, now]) => (before === now ? text : renameInChart(text, before, now, s.cycle)),
      s.chart,
    );
    return [
      addSection(id, names.get(s.name) ?? s.name, s.cycle),
      setCell(id, s.script, s.stepsPerCount),
      setChart(id, chart),
      setTempo(id, s.bpm),
      setBars(id, wholeTurns(s) ? null : s.bars),
    ];
  });
  return inOrder(...shapes, ...sections, setForm(formWith(study, piece, names)));
}
/** Texts of whole turns come round by themselves: the section stays as long as they are. */
const wholeTurns = ({ script, chart, bars, cycle }: ImportedSection): boolean =>
  (script !== '' || chart !== '') && bars % barTicks(cycle).length === 0;
/** The order with the import's behind it; none where neither has one. */
function formWith(study: Study, piece: ImportedPiece, names: ReadonlyMap<string, string>): string {
  const own =
    piece.form === ''
      ? piece.sections.map((s) => formName(names.get(s.name) ?? s.name)).join(' ')
      : renamed(piece.form, names);
  if (study.form === '' && piece.form === '') return '';
  const before = study.form || study.sections.map((s) => formName(s.name)).join(' ');
  return `${before} ${own}`.trim();
}
const renamed = (form: string, names: ReadonlyMap<string, string>): string =>
  [...names].reduce((text, [before, now]) => text.split(formName(before)).join(formName(now)), form);

/**
 * An import as a study of its own, on its own strings.
 * @param newId makes the id of the study, a section or a shape
 */
export function importedStudy(piece: ImportedPiece, name: string, newId: () => string): Study {
  const [first] = piece.sections;
  const empty: Study = {
    ...makeStudy(newId(), cleanName(piece.name) || cleanName(name) || 'A', first?.cycle),
    instrument: { tuning: piece.tuning, capo: piece.capo },
    sections: [],
  };
  return takeImport(empty, piece, newId)(empty);
}
