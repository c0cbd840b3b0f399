import type { CycleFaultCode } from '../../../cycle/index.js';
import type { FileFaultCode, SchemaFaultCode } from '../../../format/index.js';
import type { TuningFault, TuningWarning } from '../../../instrument/index.js';
import type { ShapeFaultCode, StoppedFaultCode } from '../../../left-hand/index.js';
import type { CommandFaultCode } from '../../../piece/index.js';
import type { CellFaultCode } from '../../../script/index.js';
import { type Figures, present, type Sentences } from './sentences.js';

const CYCLE: Sentences<CycleFaultCode> = {
  'cycle unnamed': ([most]) => `Give the cycle a name of up to ${most} letters.`,
  'no such family': (families) => `A cycle belongs to ${present(families).join(', ')}.`,
  'no such count note': (notes) => `A count is a ${present(notes).join(', ')}.`,
  'school too long': ([most]) => `A school has ${most} letters at most.`,
  'note too long': ([most]) => `A note has ${most} letters at most.`,
  'too many accents': ([most]) => `A cycle has ${most} accents at most.`,
  'too many groups': ([most]) => `A cycle has ${most} groups at most.`,
  'no such number of counts': ([most, own]) => `A cycle has 1 to ${most} counts, not ${own}.`,
  'labels for every count': ([counts, own]) => `${counts} counts need ${counts} labels; there are ${own}.`,
  'label’s length': ([most]) => `A label has 1 to ${most} letters.`,
  'accent outside': ([count]) => `An accent lies inside the turn, before count ${count}.`,
  'no such weight': () => 'A weight lies between 0 and 1.',
  'accent twice': () => 'Two accents lie on one place; keep the heavier.',
  'silence outside': ([count]) => `A silent place lies inside the turn, before count ${count}.`,
  'group of nothing': () => 'A group lasts longer than nothing.',
  'groups’ sum': ([sum, counts]) =>
    `The groups add up to ${sum} counts; the turn has ${counts}. Lengthen or shorten one.`,
  'bars’ sum': ([sum, counts]) => `The bars add up to ${sum} counts; the turn has ${counts}.`,
  'tempos out of order': ([low, high]) => `Tempos run low ≤ usual ≤ high inside ${low}–${high}.`,
};
const SHAPE: Sentences<ShapeFaultCode> = {
  'frets for six strings': ([n]) => `A shape names six strings from 6 to 1, e.g. x-3-2-0-1-0; this names ${n}.`,
  'no fret': ([string, text, most]) =>
    `String ${string}: ${text} is no fret. Write 0 to ${most}, or x for a string not sounded.`,
  'fingers for six strings': ([n]) => `Fingers are named for six strings from 6 to 1; this names ${n}.`,
  'no left finger': ([string, text]) => `String ${string}: ${text} is no finger. Write 0 to 4, T for the thumb, or x.`,
  'shape unnamed': ([most]) => `A shape has a name of up to ${most} letters.`,
  'silent shape': () => 'At least one string sounds.',
  'six strings wanted': () => 'A shape names six strings from 6 to 1.',
  'fret off the neck': ([string, most]) => `String ${string}: a fret lies between 0 and ${most}.`,
  'no such left finger': ([string]) => `String ${string}: fingers are 0 to 4 and T.`,
  'finger on a silent string': ([string]) => `String ${string} isn’t sounded; no finger belongs on it.`,
  'stopped by no finger': ([string, fret]) => `String ${string} is stopped at ${fret}; 0 means an open string.`,
  'finger on an open string': ([string]) => `String ${string} is open; no finger belongs on it.`,
  'thumb’s reach': () => 'The thumb reaches string 6, at most 5.',
  'finger on two frets': ([finger, a, b]) => `Finger ${finger} stands on fret ${a} and fret ${b} at once.`,
  'fingers crossed': ([behind, other]) =>
    `Finger ${behind} stands behind finger ${other}; fingers rise with the frets.`,
};
const STOPPED: Sentences<StoppedFaultCode> = {
  'too many stopped notes': ([own, most]) => `${own} notes have frets of their own; ${most} is the most.`,
  'string at two frets': ([string]) => `String ${string} is stopped at two frets at once.`,
  'no place for a note': () => 'A note lies at a whole tick, from 0 on.',
  'no such string': () => 'Strings are numbered 1 to 6.',
  'no such fret': ([most]) => `A fret lies between 0 and ${most}.`,
  'no finger of the left hand': () => 'Left fingers are 0 to 4 and T.',
};
const TUNING: Sentences<TuningFault | TuningWarning> = {
  'string may break': ([string, name, by, usual, most]) =>
    `String ${string} may break: ${name} is ${by} semitones over its usual ${usual}. Tune it to ${most} at most, or put a thinner string on.`,
  'string hangs slack': ([string, name, by, usual]) =>
    `String ${string} hangs slack: ${name} is ${by} semitones under its usual ${usual}; it rattles.`,
  'strings of a tuning': ([n]) => `A tuning names six strings from 6 to 1, e.g. D A D G B E; this names ${n}.`,
  'string’s note': ([string, text]) => `String ${string}: ${text} is no note. Write D, F#2 or Bb3.`,
  'no pitch for a string': ([string, pitch, low, high]) =>
    `String ${string}: ${pitch} is no pitch for a guitar string. ${low} to ${high} can be.`,
};

/** What a file holds instead, as it is repeated to the player. */
const it = (shown: string): string => (shown === '[…]' ? 'a list' : shown || 'something else');
const ROW: Sentences<SchemaFaultCode | 'name twice' | 'another’s id'> = {
  missing: () => 'It is missing.',
  'no such field': () => 'No such field belongs here.',
  empty: () => 'It is empty.',
  'too many letters': ([own, most]) => `It has ${own} letters; ${most} are the most.`,
  'no date': ([own]) => `${it(own)} is no date and time such as 2026-05-01T18:00:00.000Z.`,
  'no day of practice': ([own, first, last]) => `${it(own)} is no day of practice: years run from ${first} to ${last}.`,
  'name unseen': () => 'Nothing of this name can be seen; give it letters.',
  'not above 0': ([own]) => `It is ${it(own)}; it has to be more than 0.`,
  'below the least': ([own, least]) => `It is ${it(own)}; ${least || 'the other figure'} is the least.`,
  'above the most': ([own, most]) => `It is ${it(own)}; ${most || 'the other figure'} is the most.`,
  'list too long': ([own, most]) => `It holds ${own}; ${most} are the most.`,
  'list too short': ([own, least]) => `It holds ${own}; ${least} is the least.`,
  'list’s length': ([own, wanted]) => `It holds ${own}; exactly ${wanted} belong here.`,
  'entry missing': () => 'An entry of the list is missing.',
  'id twice': () => 'Its id stands here twice.',
  'another’s id': ([own]) => `The study in it has the id ${own}; the row is stored under another.`,
  'name twice': ([name]) => `${name} stands here twice.`,
  'not one of these': ([own, ...known]) =>
    own ? `It is ${it(own)}; it can be ${present(known).join(', ')}.` : `It can be ${present(known).join(' or ')}.`,
  'something else wanted': ([own]) => `It is ${it(own)}; something else belongs here.`,
  'can’t be read': () => 'It can’t be read.',
  'text wanted': ([own]) => `It is ${it(own)}; a text belongs here.`,
  'number wanted': ([own]) => `It is ${it(own)}; a number belongs here.`,
  'whole number wanted': ([own]) => `It is ${it(own)}; a whole number belongs here.`,
  'true or false wanted': ([own]) => `It is ${it(own)}; true or false belongs here.`,
  'list wanted': ([own]) => `It is ${it(own)}; a list belongs here.`,
  'fields wanted': ([own]) => `It is ${it(own)}; fields in { … } belong here.`,
};

const MEGABYTE = 1024 * 1024;
/** So many megabytes that it can't be mistaken for the limit. */
function megabytes(bytes: number, limit: number): string {
  const exact = bytes / MEGABYTE;
  const most = limit / MEGABYTE;
  if (bytes === limit || Math.round(exact) !== most) return `${Math.round(exact)} MB`;
  const tenths = exact.toFixed(1);
  return Number(tenths) === most ? `a little over ${most} MB` : `${tenths} MB`;
}
const FILE: Sentences<FileFaultCode> = {
  'file empty': () => 'The file is empty. Choose a file that Ruffle Wheel exported.',
  'file too large': ([bytes, most]) =>
    `The file has ${megabytes(Number(bytes), Number(most))}; ${Number(most) / MEGABYTE} MB is the most. A whole shelf of studies takes less than one.`,
  'file’s letters': () =>
    'The file’s letters are damaged: it is not stored as UTF-8. Export it again, or save it as UTF-8 in the program that changed it.',
  'file breaks off': () => 'The file breaks off before its end. Export it again, or fetch the whole file.',
  'file goes on': ([tail]) =>
    `The file goes on after its end, with ${tail}. Take away what stands after its last bracket, or export it again.`,
  'JSON damaged': () =>
    'Something in the file is no JSON: it was changed by hand or by another program. Export it again.',
  'no JSON': () => 'This is not a study file: it is no JSON. Choose a file that Ruffle Wheel exported.',
  'another’s file': () => 'This file is JSON, but no study file of Ruffle Wheel. Choose one exported from the Shelf.',
  'later version': ([own, most]) =>
    `The file has version ${own}; this Ruffle Wheel reads up to ${most}. Update it, or export from the older one.`,
  'no version': () => 'The file names no version that was ever used.',
  'faults in the file': ([n]) => `The file has ${n === '1' ? 'a fault' : `${n} faults`}; nothing was taken from it.`,
  'too many faults in the file': ([n]) => `The file has ${n} faults or more; nothing was taken from it.`,
};
const COMMAND: Sentences<CommandFaultCode> = {
  'cycle without id': () => 'The cycle has no id.',
  'shape without id': () => 'The shape has no id.',
  'section without id': () => 'The section needs an id of its own.',
  'section unnamed': () => 'Give the section a name.',
  'cell unnamed': () => 'Give the cell a name.',
  'cell’s name': () => 'A cell’s name has no < > [ ] { } or | in it.',
  'cell can’t be kept': () => 'The cell’s script is too long, or its steps don’t fit a count.',
  'text too long': ([which, most, own]) =>
    `A ${which} holds ${most} letters at most; this would make ${own}. Write what repeats as { … }x, or begin another section.`,
  'too many words': ([, most, own]) => `The words of a section hold ${most} letters at most; this would make ${own}.`,
  'too many shapes': ([most]) =>
    `A study holds ${most} shapes at most. Take some away in the Wheel’s Shape panel first.`,
  'too many sections': ([most]) =>
    `A study holds ${most} sections at most. Copy the study and go on there, or take a section out.`,
  'reminder too long': ([most, own]) => `A reminder holds ${most} letters at most; this one has ${own}.`,
  'too many reminders': ([most]) => `A study has ${most} reminders at most: more are not kept in mind.`,
  'form too long': ([most, own]) => `A form holds ${most} letters at most; this would make ${own}.`,
  'texts with faults': ([name]) => `${name}: its script or chart can’t be read whole. Mend it first.`,
  'begins elsewhere': ([name]) =>
    `${name}: its pattern begins after the first count. Let it begin there, or write it so.`,
  'cut within a pass': ([name]) =>
    `${name}: its bars end within a pass of its script. Write the script as long as the bars.`,
  'no turn begins there': ([bar]) =>
    `Bar ${bar} begins no turn of the cycle within the section; a section begins on the first count. Go to a bar that does.`,
  'no cut at that bar': ([bar]) => `A stroke or a bracket goes over the beginning of bar ${bar}. End it there first.`,
  'too many bars': ([most]) => `A section has ${most} bars at most. Go on in another one.`,
  'unlike sections': ([first, second]) =>
    `${first} and ${second} have other cycles or steps; sections can be joined that have the same.`,
  'apart in the form': ([first, second]) =>
    `The form has ${first} without ${second} behind it, or ${second} alone. Change the form first.`,
  'too many cells': ([most]) => `A study holds ${most} cells at most.`,
  'six pitches wanted': () => 'A tuning names a pitch for each of six strings.',
};
const CELL: Sentences<CellFaultCode> = {
  'nameless cell': () => 'A cell has a name.',
  'can’t be read': ([text]) => `${text} can’t be read.`,
  'cell without stroke': () => 'A cell has at least one stroke, e.g. id iu',
};

/** Faults of rows, files and commands. */
export const DATA_FAULTS = {
  ...CYCLE,
  ...SHAPE,
  ...STOPPED,
  ...TUNING,
  ...ROW,
  ...FILE,
  ...COMMAND,
  ...CELL,
} satisfies Record<string, (about: Figures) => string>;
