import { renameInChart } from '../../chart/index.js';
import { barTicks } from '../../cycle/index.js';
import type { DataFault } from '../../fault/index.js';
import { cleanName } from '../../name/index.js';
import {
  addSection,
  type Command,
  formName,
  inOrder,
  makeStudy,
  putShape,
  renameInForm,
  setBars,
  setCell,
  setChart,
  setForm,
  setKey,
  setTempo,
  setWords,
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
      setWords(id, s.words),
      setKey(id, s.key),
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
/** Names first give way to what nobody is called: one new name may be another's old one. */
function renamed(form: string, names: ReadonlyMap<string, string>): string {
  const changed = [...names].filter(([before, now]) => before !== now);
  const between = (n: number) => `\u0001${n}`;
  const apart = changed.reduce((text, [before], n) => renameInForm(text, before, between(n)), form);
  return changed.reduce((text, [, now], n) => renameInForm(text, between(n), now), apart);
}

const emptyStudy = (piece: ImportedPiece, name: string, newId: () => string): Study => ({
  ...makeStudy(newId(), cleanName(piece.name) || cleanName(name) || 'A', piece.sections[0]?.cycle),
  instrument: { tuning: piece.tuning, capo: piece.capo },
  sections: [],
});
/** Why a piece can't be a study of its own; null where it can. Files are asked this before they are offered. */
export function importRefusal(piece: ImportedPiece, newId: () => string): DataFault | null {
  const empty = emptyStudy(piece, '', newId);
  return takeImport(empty, piece, newId).refusal?.(empty) ?? null;
}
/**
 * An import as a study of its own, on its own strings.
 * @param newId makes the id of the study, a section or a shape
 */
export function importedStudy(piece: ImportedPiece, name: string, newId: () => string): Study {
  const empty = emptyStudy(piece, name, newId);
  return takeImport(empty, piece, newId)(empty);
}
