import { type Finger, FINGERS } from '../../stroke/index.js';
import { isStringNumber } from '../../time/index.js';
import { type LineNote, type LineRequest, LONGEST_LINE } from './model.js';

/** What can't be a line, with the note it is about. */
export function lineFaults({ notes, loop }: LineRequest): string[] {
  if (notes.length === 0) return ['There are no notes. Write at least one.'];
  if (notes.length > LONGEST_LINE)
    return [`${notes.length} notes are too many at once; ${LONGEST_LINE} is the most. Take it in parts.`];
  const faults: string[] = [];
  notes.forEach((n, i) => {
    const before = notes[i - 1];
    if (n.strings.length === 0) faults.push(`Note ${i + 1} names no string.`);
    if (n.strings.some((s) => !isStringNumber(s)))
      faults.push(`Note ${i + 1}: strings are numbered 1 to 6, not ${n.strings.join(', ')}.`);
    if (new Set(n.strings).size !== n.strings.length) faults.push(`Note ${i + 1} strikes one string twice at once.`);
    if (before && n.at <= before.at) faults.push(`Note ${i + 1} does not come after note ${i}.`);
    if (n.pinned && n.pinned.length !== n.strings.length)
      faults.push(`Note ${i + 1} has ${n.strings.length} strings and ${n.pinned.length} pinned fingers.`);
  });
  const last = notes.at(-1);
  if (loop !== undefined && last && loop <= last.at) faults.push('The line is longer than its loop.');
  return faults.slice(0, 20);
}
export const cantFinger = ({ notes, school }: LineRequest, index: number): string => {
  const n = notes[index] as LineNote;
  return n.strings.length > 1
    ? `Note ${index + 1} strikes ${n.strings.length} strings at once; no fingers are left for that. Strum it, or leave strings out.`
    : `Note ${index + 1} can have no finger of “${school.name}”${n.pinned ? ' that is pinned' : ''}; choose another school or free the note.`;
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
