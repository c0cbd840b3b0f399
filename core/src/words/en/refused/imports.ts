import type { MidiNames } from '../../../exchange/midi/out.js';
import type { ImportNote, ImportNoteCode, ImportRefusal } from '../../../exchange/foreign/model.js';
import type { LogCsvFault } from '../../../exchange/files/log-csv.js';
import type { Fact } from '../../../fault/index.js';
import type { TablatureRefusal } from '../../../script/index.js';
import { sayFact } from './facts.js';
import { plural } from '../numbers.js';

/** What the tracks of a MIDI file are called. */
export const MIDI_TRACKS: MidiNames = { fingers: 'Fingers', thumb: 'Thumb', taps: 'Golpes', claps: 'Claps' };

type About = ImportNote['about'];
const notes = (about: About) => plural(Number(about[0]), 'note');
const strokes = (about: About) => plural(Number(about[0]), 'stroke');
const NOTES: Record<ImportNoteCode, (about: About) => string> = {
  moved: (about) =>
    `${notes(about)} stood between the steps of a count and went to the nearest, by ${Math.max(1, Number(about[1]))} hundredths of a count at the most.`,
  'grace notes': (about) => `${plural(Number(about[0]), 'grace note')} left out: they have no time of their own.`,
  'signs not read': (about) => `Signs passed over: ${about.join(', ')}.`,
  'beyond the neck': (about) => `${notes(about)} left out: no string reaches them.`,
  'too many at once': (about) => `${notes(about)} left out: the same string, or more than six at once.`,
  'can’t be held': (about) =>
    `In ${plural(Number(about[0]), 'place')} the left hand can’t hold all: a note ends earlier there, changes its string, or is left out.`,
  'letters not taken': (about) => `Right-hand letters of ${strokes(about)} fit no stroke and are left open.`,
  'strum by the index': (about) => `${strokes(about)} over many strings became strums of the index finger.`,
  'marks not taken': (about) => `Marks of ${strokes(about)} go against each other and are left out.`,
  'left fingers not taken': (about) => `Left fingers of ${strokes(about)} are left open.`,
  'chords without frets': (about) =>
    `Chords without frets: ${about.join(', ')}. They stand in the chart; the hand holds them when the study has their shapes.`,
  'tempo changes': (about) =>
    `${plural(Number(about[0]), 'change')} of tempo within a section: its first tempo holds throughout.`,
  jumps: () => 'Jumps by sign, to the beginning or to the coda, are not followed.',
  'bar filled': (about) => `${plural(Number(about[0]), 'bar')} shorter than the time says, filled with silence.`,
  'bar too full': (about) => `${plural(Number(about[0]), 'bar')} longer than the time says, cut at the bar line.`,
  'ends moved': (about) =>
    `${notes(about)} end elsewhere than in the file, by up to ${about[1]} % of a count: together with what began with them, or on the nearest step.`,
  'bends not taken': () => 'Bends of the pitch were left out: every note has its own fret.',
  'pedal not taken': () => 'The pedal was left out: notes last as long as their keys were held.',
  'drums not taken': ([n]) => `${n} strokes of drums were left out.`,
  'lengths not taken': (about) => `${notes(about)} held over from another section begin nowhere and are silent.`,
  'repeats not read': () => 'Repeats are too many for a form: each section stands once.',
  'ligado with others': (about) =>
    `${strokes(about)} of the left hand together with others are plucked: a step has one hand.`,
  'strings not as the tuning': (about) =>
    `${notes(about)} written on strings that don’t give the pitch: they have new places.`,
  'no pitch': (about) => `${notes(about)} without a pitch left out.`,
  'times not taken': (about) =>
    `${plural(Number(about[0]), 'time signature')} that no turn of a cycle can have passed over: the time before goes on.`,
  'bars left out': (about) => `${plural(Number(about[0]), 'bar')} that can’t be written here left silent.`,
};
/**
 * What of a file was not taken as it stands.
 * @example sayImportNote({ code: 'grace notes', about: [1] }) // '1 grace note left out: they have no time of their own.'
 */
export const sayImportNote = ({ code, about }: ImportNote): string => NOTES[code](about);

const REFUSALS: Record<ImportRefusal, (about: About) => string> = {
  'file empty': () => 'The file is empty.',
  'file too large': ([n, most]) =>
    `The file is too large: ${size(n)}; up to ${size(most)} are read. Export a part of the piece.`,
  'encoding not known': ([label]) =>
    `Its letters are written as ${String(label)}, which can’t be read. Save it as UTF-8.`,
  'breaks off': ([where]) =>
    `The file is broken near ${String(where)}, or only part of it arrived. Export or fetch it again.`,
  'no such file': () =>
    'This is no file that is read here: MusicXML (.musicxml, .xml, .mxl), Standard MIDI (.mid), tablature as text, or a study exported here.',
  entities: () => 'The file declares entities of its own; such files are not read. Save it without them.',
  'too deep': ([most]) => `Its parts lie more than ${String(most)} deep in each other; no score does.`,
  'zip broken': () => 'The compressed file can’t be unpacked. Export or fetch it again.',
  'zip too large': ([most]) => `Unpacked it would be larger than ${size(most)}, and is not read.`,
  'no score in the zip': () => 'There is no score in the compressed file.',
  'no beats in the file': () => 'The MIDI file counts frames of film, not beats; there is no cycle to lay it on.',
  'no bars': () => 'There are no bars in it.',
  'no notes': () => 'There are no notes in it that a guitar could play.',
  'too many notes': ([n, most]) =>
    `It has ${String(n)} notes; up to ${String(most)} are read. Export a part of the piece.`,
  'too many bars': ([, most]) => `It has more than ${String(most)} bars. Export a part of the piece.`,
  'too many elements': ([most]) =>
    `It has more than ${String(most)} elements, and no score does. Export a part of the piece.`,
  'not to be kept': ([where]) =>
    `A study can’t hold what it would become: ${String(where)}. Export a part of the piece.`,
  'not to be fretted': () =>
    'No left hand can play it as it stands: too many notes ring at once. Choose one voice of it.',
  'not to be written': ([name]) => `Section ${String(name)} could not be written as a script.`,
  'no such part': ([n]) => `There are ${String(n)} parts to choose from.`,
};
const size = (n: string | number | undefined): string => `${Math.max(1, Math.round(Number(n ?? 0) / 100_000)) / 10} MB`;
/**
 * Why nothing is taken from a file.
 * @example sayImportRefusal({ code: 'file empty', about: [] }) // 'The file is empty.'
 */
export const sayImportRefusal = (why: Fact<ImportRefusal | TablatureRefusal>): string =>
  isImport(why) ? REFUSALS[why.code](why.about) : sayFact(why);
const isImport = (why: Fact): why is Fact<ImportRefusal> => why.code in REFUSALS;

const TABLE: Record<LogCsvFault, (about: About) => string> = {
  'file empty': REFUSALS['file empty'],
  'file too large': REFUSALS['file too large'],
  'columns wanted': (about) =>
    `The table has no column ${about.join(', ')}. Its first line must name started, study, section, tempo and clean.`,
  'columns twice': () => 'A column of the table is named twice in its first line.',
  'line broken': ([line]) =>
    `Line ${String(line)} has more or fewer cells than the first, or quotation marks that never close.`,
  'line faulty': ([line, what]) =>
    `Line ${String(line)} is no practice that a log can hold: look at ${TABLE_FIELD[String(what)] ?? String(what)}.`,
  'too many lines': ([n]) => `The table has ${String(n)} lines, more than a log holds. Take it in parts.`,
  'letters no UTF-8': () =>
    'Its letters are not written as UTF-8, so that names would come in broken. In the program for tables save it as “CSV UTF-8”.',
};
/** Fields of a line of the log, as the table calls them. */
const TABLE_FIELD: Readonly<Record<string, string>> = {
  startedAt: 'started, which is a date with its time, e.g. 2026-03-01T18:30:00',
  minutes: 'minutes',
  studyId: 'study id',
  studyName: 'study',
  sectionId: 'section id',
  sectionName: 'section',
  pain: 'pain, which is yes or no',
};
/**
 * Why a table is no log.
 * @example sayLogCsvFault({ code: 'line broken', about: [3] }) // 'Line 3 has more or fewer cells than the first, or quotation marks that never close.'
 */
export const sayLogCsvFault = ({ code, about }: Fact<LogCsvFault>): string => TABLE[code](about);
