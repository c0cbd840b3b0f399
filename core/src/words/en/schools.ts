import type { Kind } from '../../passage/index.js';

/** What a way of choosing is called, and what it minds most. */
export interface SaidSchool {
  readonly name: string;
  readonly note: string;
}
const LINE: Readonly<Record<string, SaidSchool>> = {
  im: { name: 'i m', note: 'Strict alternation, never a finger twice, whatever it crosses.' },
  ma: { name: 'm a', note: 'The same on the weaker pair.' },
  ia: { name: 'i a', note: 'The same with a finger between left out.' },
  ami: { name: 'a m i', note: 'Three fingers in turn.' },
  pima: { name: 'p i m a', note: 'An arpeggio from the thumb outward.' },
  pimami: { name: 'p i m a m i', note: 'Up to the ring finger and back.' },
  pami: { name: 'p a m i', note: 'The tremolo of the classical hand.' },
  piami: { name: 'p i a m i', note: 'The tremolo of the flamenco hand.' },
  habit: { name: 'Habit first', note: 'One pair in turn, always; learn the awkward crossings.' },
  taught: {
    name: 'As taught',
    note: 'Each kind of playing by its own order: basses the thumb’s, a pair for runs, a finger a string.',
  },
  fingering: { name: 'Fingering first', note: 'Work out a path that avoids awkward crossings.' },
  home: { name: 'Home strings', note: 'Each finger stays where it lives: thumb below, i m a on 3 2 1.' },
  'ami afresh': {
    name: 'a m i afresh each bar',
    note: 'Three fingers in turn, begun anew with every bar: each bar feels alike.',
  },
  'im over basses': { name: 'i m', note: 'Two fingers in turn over the thumb’s basses.' },
  weave: { name: 'Pedal weave', note: 'Thumb for the melody, a finger for the string that repeats.' },
};
const FRET: Readonly<Record<string, SaidSchool>> = {
  position: { name: 'Stay in position', note: 'As few shifts as can be.' },
  open: { name: 'Open strings', note: 'Open wherever there is one.' },
  'one string': {
    name: 'Melody on one string',
    note: 'The line stays on its string; the hand goes along it.',
  },
  small: { name: 'Least stretch', note: 'For a small hand: nothing beyond ease.' },
};
const FIT: Readonly<Record<string, SaidSchool>> = {
  balanced: { name: 'Balanced', note: 'Accents, hand and memory in their usual order.' },
  accents: { name: 'Accents first', note: 'The strong stroke on every accent, whatever the hand must do.' },
  easy: { name: 'Easy hand', note: 'Never turned back, never hurried; accents may be softer.' },
  few: { name: 'Few cells', note: 'As little to learn as will do.' },
};
const said =
  (schools: Readonly<Record<string, SaidSchool>>) =>
  (id: string): SaidSchool =>
    schools[id] ?? { name: id, note: '' };

/**
 * A school of the right hand, by its id.
 * @example sayLineSchool('im').name // 'i m'
 */
export const sayLineSchool = said(LINE);
const KINDS: Readonly<Record<Kind, { readonly name: string; readonly keeps: string }>> = {
  run: { name: 'a run', keeps: 'a run keeps one pair of fingers and is not the thumb’s' },
  arpeggio: { name: 'an arpeggio', keeps: 'an arpeggio keeps a finger to a string' },
  tremolo: { name: 'a tremolo', keeps: 'a tremolo has an order of its own' },
  'melody over basses': { name: 'a melody over basses', keeps: 'the basses are the thumb’s, the melody the fingers’' },
  'thumb line': { name: 'a line of the thumb', keeps: 'a low line with time for it is the thumb’s' },
  alzapúa: { name: 'an alzapúa', keeps: 'an alzapúa is the thumb’s' },
  'block chords': { name: 'block chords', keeps: 'chords are struck together' },
  comping: { name: 'comping', keeps: 'chords are struck together' },
  strum: { name: 'a strum', keeps: 'a strum has no single notes' },
  rasgueado: { name: 'a rasgueado', keeps: 'a rasgueado has no single notes' },
  plectrum: { name: 'a plectrum line', keeps: 'a plectrum has no fingers' },
};
/** A kind of playing: its name, and what it keeps that other ways to finger it would break. */
export const sayKind = (kind: Kind): { readonly name: string; readonly keeps: string } => KINDS[kind];
/** A school of the left hand, by its id. */
export const sayFretSchool = said(FRET);
/** A school of fitting, by its id. */
export const sayFitSchool = said(FIT);
