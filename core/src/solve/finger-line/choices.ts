import { type Fact, fact } from '../../fault/index.js';
import { type Finger, FINGERS } from '../../stroke/index.js';
import { isStringNumber } from '../../time/index.js';
import { type LineNote, type LineRefusal, type LineRequest, LONGEST_LINE } from './model.js';

/** What can't be a line, with the note it is about. */
export function lineFaults({ notes, loop }: LineRequest): Fact<LineRefusal>[] {
  if (notes.length === 0) return [fact('no notes')];
  if (notes.length > LONGEST_LINE) return [fact('too many notes', notes.length, LONGEST_LINE)];
  const faults: Fact<LineRefusal>[] = [];
  notes.forEach((n, i) => {
    const before = notes[i - 1];
    if (n.strings.length === 0) faults.push(fact('note without string', i + 1));
    if (n.strings.some((s) => !isStringNumber(s))) faults.push(fact('no such string', i + 1, n.strings.join(', ')));
    if (new Set(n.strings).size !== n.strings.length) faults.push(fact('string struck twice', i + 1));
    if (before && n.at <= before.at) faults.push(fact('notes out of order', i + 1, i));
    if (n.pinned && n.pinned.length !== n.strings.length)
      faults.push(fact('pins don’t match strings', i + 1, n.strings.length, n.pinned.length));
  });
  const last = notes.at(-1);
  if (loop !== undefined && last && loop <= last.at) faults.push(fact('longer than its loop'));
  return faults.slice(0, 20);
}
export const cantFinger = ({ notes, school }: LineRequest, index: number): Fact<LineRefusal> => {
  const n = notes[index] as LineNote;
  return n.strings.length > 1
    ? fact('no fingers for the chord', index + 1, n.strings.length)
    : fact(n.pinned ? 'pinned against the school' : 'no finger of the school', index + 1, school.id);
};

/** Fingers a note may have. Together they keep their order: the thumb takes the thickest string. */
export function choicesFor({ school }: LineRequest, note: LineNote): Finger[][] {
  const single = note.strings.length === 1;
  const pool = (single ? school.fingers : FINGERS.filter((f) => f !== 'e')).filter((f) =>
    note.layer === 'fingers' ? f !== 'p' : true,
  );
  const from: readonly Finger[] = single && note.layer === 'thumb' ? ['p'] : pool;
  const found: Finger[][] = [];
  const walk = (chosen: Finger[], next: number) => {
    if (chosen.length === note.strings.length) return void found.push(chosen);
    for (let i = next; i < from.length; i++) walk([...chosen, from[i] as Finger], i + 1);
  };
  walk([], 0);
  const { pinned } = note;
  if (!pinned) return found;
  // A pinned finger is taken at its word, whatever the school.
  const inOrder = pinned.every((f, i) => i === 0 || FINGERS.indexOf(f) > FINGERS.indexOf(pinned[i - 1] as Finger));
  return inOrder ? [[...pinned]] : [];
}
