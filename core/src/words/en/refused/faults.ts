import type { ChartFaultCode } from '../../../chart/index.js';
import type { FalsetaFaultCode } from '../../../falseta/index.js';
import type { TextFault } from '../../../fault/index.js';
import type { FormFaultCode } from '../../../piece/index.js';
import type { ScriptFaultCode } from '../../../script/index.js';
import type { WordsFaultCode } from '../../../syllables/index.js';
import type { LineFault } from '../../../solve/finger-line/index.js';
import type { NotesFault } from '../../../solve/fret-line/index.js';
import { MARKS } from '../../../stroke/index.js';
import { byNumber, listed } from '../numbers.js';
import { fretsMisread } from './frets-misread.js';

/** Every fault that a text can have. */
export type FaultCode =
  | ScriptFaultCode
  | ChartFaultCode
  | WordsFaultCode
  | FormFaultCode
  | FalsetaFaultCode
  | LineFault['code']
  | NotesFault['code'];
/** A fault with its sentence. */
export type SaidFault<F extends TextFault = TextFault> = F & { readonly message: string };

/** What a sentence is about; what is not said is ''. */
type About = readonly [string, string, string, ...string[]];
/** All but the first. */
const rest = (about: About): string[] => about.slice(1).filter((a) => a !== '');

const CLASHES: Record<string, string> = {
  '! ,': 'loud and soft at once',
  "~ '": 'ringing and staccato at once',
  '~ x': 'ringing and muted at once',
  '~ %': 'ringing and muted by the palm at once',
};

const STEP: Record<Exclude<ScriptFaultCode, keyof typeof SCRIPT | keyof typeof BRACKETS>, (about: About) => string> = {
  'no stroke': ([text]) =>
    `${text} is no stroke. Write fingers (p i m a e), then d or u for a strum, e.g. ed, p:5, ima:t, G, S, . or -`,
  'run together': ([text, apart]) => `${text} is several strokes in one: write ${apart}.`,
  'colon wanted': ([text, whole]) => `${text} wants a colon before its string: write ${whole}.`,
  ghost: () => 'A ghost motion is written (d) or (u).',
  'golpe alone': () => 'A golpe alone takes only ! or , after it. With a finger, write the finger and *: p:5*',
  'slap marks': () => 'A slap takes only ! or , after it.',
  ligado: ([text]) => `${text} is no ligado. Write L, a colon, string and fret: L:2f3, with its finger L:2f3=4.`,
  'finger twice': () => 'One finger stands here twice; each can play once in a stroke.',
  'no mark': ([mark]) => `${mark} is no mark. Marks are ${MARKS.join(' ')}.`,
  'marks clash': ([a, b]) => `${a} and ${b} don’t go together: ${CLASHES[`${a} ${b}`] ?? 'they say opposite things'}.`,
  'strings wanted': () =>
    'After : stand string numbers 1 to 6, b for the bass string, f for its fifth, n for a note that leads on, or t for the treble set.',
  'one bass string': () => 'Two fingers can’t pluck the one bass string.',
  'no place': ([text]) => `${text} is no place. Write string, f and fret: 2f5, with its finger 2f5=3; join with +.`,
  'beyond the neck': ([fret, last]) => `Fret ${fret} lies beyond the neck; ${last} is the last.`,
  'open needs no finger': () => 'An open string needs no finger.',
  'finger 0 is open': () => 'Finger 0 means an open string.',
  'thumb’s reach': () => 'The thumb reaches string 6, at most 5.',
  'finger on two frets': ([finger, a, b]) => `Finger ${finger} stands on fret ${a} and fret ${b} at once.`,
  'string twice': () => 'Two fingers on one string, or a string struck twice in one stroke.',
  'down from 6': () => 'A down stroke meets string 6 before 1.',
  'up from 1': () => 'An up stroke meets string 1 before 6.',
  'one finger, one string': () => 'One finger plucks one string. To go through several, strum: add d or u.',
  'strings for fingers': ([n]) => `${n} fingers need ${n} strings.`,
  'finger order': () => 'Strings out of finger order: the thumb takes the thickest, then i, m, a, e.',
  'golpe while busy': ([finger]) => `The golpe taps with ${finger}, and ${finger} is busy with this stroke.`,
  'up stroke rests on nothing': () => 'An up stroke has no string to rest on.',
  'thumb rests on nothing': () => 'A thumb rest stroke lands on the next thinner string; below 1 there is none.',
  'finger rests on nothing': () => 'A finger’s rest stroke lands on the next thicker string; beyond 6 there is none.',
};
const BRACKETS = {
  'nothing to close': ([sign]: About) => `Nothing is open that this ${sign} could close; take it out.`,
  'never closed': ([sign, close]: About) => `This ${sign} is never closed; end it with ${close}.`,
  'how often': () => 'Say how often it is played: }x2',
  'number wanted': ([sign, least, most]: About) => `After ${sign} stands a whole number from ${least} to ${most}.`,
  'too deep': ([most]: About) => `Brackets stand ${most} deep at most; write this part out.`,
  'nothing between': () => 'Nothing stands between these brackets; put something in or take them out.',
  'quotation open': () => 'The quotation mark is never closed; end the name with ".',
};
const SCRIPT = {
  'steps of a count': ([all, own]: About) => `A count is cut into ${all} steps, not ${own}.`,
  'too long': ([most, own]: About) =>
    `A script holds ${most} letters at most; this one has ${own}. Use { … }x for what repeats.`,
  'too much written out': ([n, what, most]: About) =>
    `Written out this makes ${n} ${what}; ${most} is the most. Repeat less.`,
  'uneven group': () => 'These don’t divide evenly into the steps they share; use 2 to 10, 12, 14, 15 or 16 of them.',
  'bar off a seam': ([at, seams]: About) => `This | falls on ${at}; groups of this cycle begin on ${seams}.`,
  'no level': ([text, all]: About) => `${text} is no loudness. Write ${all}.`,
  'no cell': (about: About) =>
    rest(about).length
      ? `No cell is called ${about[0]}. There ${byNumber(rest(about).length, 'is', 'are')} ${listed(rest(about))}.`
      : `No cell is called ${about[0]}. Keep one in Fit, Your cells, then call it here.`,
  'cell with a fault': ([name]: About) => `The cell ${name} can’t be read; mend it on the Shelf.`,
  'cell’s length': ([name]: About) =>
    `The cell ${name} does not last a whole number of these steps; cut the count finer.`,
};
const CHART: Record<Exclude<ChartFaultCode, keyof typeof BRACKETS>, (about: About) => string> = {
  'chart too long': ([most, own]) => `A chart holds ${most} letters at most; this one has ${own}.`,
  'too many chords': ([most]) => `Written out this makes more than ${most} bars and names in them. Repeat less.`,
  'nothing before it': ([sign]) =>
    `${sign} means the bar before once more, alone in its bar; nothing is there to repeat.`,
  'counts wanted': ([text]) => `${text} is no number of counts. Write D7:3, D7:1.5 or D7:3/2.`,
  'beyond the bar': ([given, has, open]) =>
    open !== '0'
      ? `These chords take ${given} counts and the bar has ${has}; nothing is left for the others.`
      : `These chords take ${given} counts; the bar has ${has}.`,
  'bar not full': ([given, has]) =>
    `These chords take ${given} of the bar’s ${has} counts; give the last one the rest.`,
  'shared unevenly': ([n, counts]) => `${n} chords can’t share ${counts} counts evenly; give them counts: D7:3.`,
  'two readings': ([text, first, second]) => `${text} is read in two ways: write ${first} or ${second}.`,
  'several chords': ([text, apart]) => `${text} is more than one chord: write ${apart}.`,
  'shared oddly': ([n, counts, whole]) =>
    `${n} chords share ${counts} counts here, so that they change between the beats. Write ${whole}.`,
  'frets misread': fretsMisread,
  'no such chord': (about) =>
    `${about[0]} is no shape of this study and no chord symbol.${rest(about).length ? ` Near it: ${rest(about).join(', ')}.` : ''}`,
};
const WORDS: Record<Exclude<WordsFaultCode, ChartFaultCode>, (about: About) => string> = {
  'words too long': ([most, own]) => `The words of a section hold ${most} letters at most; these have ${own}.`,
  'more words than counts': ([given, has]) =>
    `These words take ${given} counts; the bar has ${has}. Put | before what belongs to the next bar, or "two words" on one count.`,
  'no words before': ([sign]) =>
    `${sign} means the bar before once more, alone in its bar; nothing is there to repeat.`,
};
const FORM: Record<Exclude<FormFaultCode, keyof typeof BRACKETS>, (about: About) => string> = {
  'form too long': ([most, own]) => `A form holds ${most} letters at most; this one has ${own}.`,
  'form too large': ([most]) => `Written out this form has more than ${most} sections. Repeat less.`,
  'no such section': (about) =>
    `No section is called ${about[0]}. There ${byNumber(rest(about).length, 'is', 'are')} ${listed(rest(about))}.`,
  'two sections of the name': ([name]) => `Two sections are called ${name}; the first is meant. Rename one.`,
  'ending outside': () => 'An ending stands inside a repeat: {Theme [1 First] [2 Second]}x2.',
  'ending’s number': ([text]) => `${text} is no number of a pass. Write [1 First], [1,3 First] or [1-3 First].`,
};
const LINE: Record<LineFault['code'], (about: About) => string> = {
  'line too long': ([most, own]) => `A line holds ${most} letters at most; this one has ${own}.`,
  'no note in a line': ([text]) =>
    `${text} is no note. Write string numbers 1 to 6, 3f5 for fret 5, . for a rest, - to hold, [321] for notes together.`,
  'strings once': ([text]) => `${text}: strings are numbered 1 to 6, each once.`,
};
const NOTES: Record<NotesFault['code'], (about: About) => string> = {
  'melody too long': ([most, own]) => `A melody holds ${most} letters at most; this one has ${own}.`,
  'no note': ([text]) =>
    `${text} is no note. Write names with their octave, e.g. e4 f#4 bb3, or string and fret, e.g. 1f5; [a2~ e4] together, (Am7) for a chord, . for a rest, - to hold.`,
  'no chord': (about) =>
    rest(about).length
      ? `${about[0]} is not known as a chord. Near it: ${rest(about).join(', ')}.`
      : `${about[0]} is no chord symbol. Begin with a note from A to G, e.g. Am7, F#m7b5, G7/B.`,
};
const FALSETA: Record<FalsetaFaultCode, (about: About) => string> = {
  'falseta too long': ([most, own]) => `A falseta holds ${most} letters at most; this one has ${own}.`,
  'no sign of a falseta': ([text]) =>
    `${text} stands for nothing here. Write strings 1 to 6, 3f5 for fret 5, [61] together, d5 for a strum from string 5 on, . - | and %, and in ( ) what the left hand does.`,
  'no gesture': () =>
    'Say in ( ) what the left hand does: (Am), (4 1f3), (flat 1 2-1), (up 1), (lift 4), (back) or (open).',
  'no such hold': ([name]) =>
    `${name} is no shape of this study and no chord symbol. A finger is put down as (4 1f3), lifted as (lift 4); (back) goes back to the shape.`,
  'finger not down': ([finger]) =>
    `Finger ${finger} is on no string here: nothing to lift, to lay flat or to stand up.`,
  'letters for strings': ([letters, strings]) =>
    `${letters} fingers stand before ${strings} ${strings === '1' ? 'string' : 'strings'}: write one for each, or none, and they are worked out.`,
  'bar told short': ([bar, has, full]) =>
    `Bar ${bar} has ${has} of its ${full} steps here. Fill it with - or . before the bar line.`,
  'bar told long': ([room]) => `These share more steps than the bar has left, ${room}. Let them begin earlier.`,
  'no bar before': () =>
    '% is the bar before once more: it stands at the beginning of a bar, behind one of the same length.',
};
const SAID: Record<FaultCode, (about: About) => string> = {
  ...STEP,
  ...BRACKETS,
  ...SCRIPT,
  ...CHART,
  ...WORDS,
  ...FORM,
  ...LINE,
  ...FALSETA,
  ...NOTES,
};

/**
 * What is wrong in a text, and what would work, in a sentence.
 * @example sayFault(parseScript('iu_', { stepsPerCount: 2 }).faults[0]) // 'An up stroke has no string to rest on.'
 */
export function sayFault({ code, about }: { readonly code: string; readonly about: TextFault['about'] }): string {
  const say = (SAID as Record<string, ((about: About) => string) | undefined>)[code];
  const [a = '', b = '', c = '', ...more] = about.map(String);
  return say ? say([a, b, c, ...more]) : code;
}
/** Faults with their sentences. */
export const sayFaults = <F extends TextFault>(faults: readonly F[]): SaidFault<F>[] =>
  faults.map((f) => ({ ...f, message: sayFault(f) }));
