import type { Sign } from '../../notation/index.js';
import type { ScoreEvent, ScoreNote, Slur } from '../../score/index.js';
import { type Mark, markRow, marksOn, type Motion, type ScoreSign } from '../../stroke/index.js';
import { el, plain, type Xml } from './xml.js';

/** What stands around a note and belongs to it. */
export interface NoteSetting {
  readonly event: ScoreEvent;
  readonly sign: Sign;
  readonly note: ScoreNote;
  /** It goes on into the next sign. */
  readonly goesOn: boolean;
  /** A stroke of the left hand that begins on it, and the one that ends on it. */
  readonly slurFrom: Slur | null;
  readonly slurTo: Slur | null;
  /** The first of the stroke’s notes, which bears what is written once. */
  readonly first: boolean;
}
const LETTER: Record<Slur, string> = { hammer: 'H', pull: 'P', slide: '' };
/** Marks that a file has in one way, with how it has them. */
const signsAs = (marks: readonly Mark[], as: ScoreSign['as']): ScoreSign[] =>
  marks.map((m) => markRow(m).musicxml).filter((s) => s.as === as);
const elementsOf = (marks: readonly Mark[], as: 'technical' | 'articulation', first: boolean): Xml[] =>
  marks.flatMap((m) => {
    const sign = markRow(m).musicxml;
    if (sign.as !== as || (sign.as !== 'technical' && sign.as !== 'articulation') || (sign.once && !first)) return [];
    const inside = (sign.inside ?? []).map((part) => el(part));
    return [el(sign.name, inside)];
  });

/** Where it lies, who plays it and how: everything that belongs to the hands. */
export function notationsOf(setting: NoteSetting): Xml[] {
  const { event, note, sign, goesOn } = setting;
  const { motion } = event;
  const marks = marksOn(motion, note.string);
  const begins = !sign.tied;
  const stroke = motion.kind === 'stroke' ? motion : null;
  const technical = begins
    ? [
        ...(stroke?.plectrum ? [el(stroke.plectrum === 'u' ? 'up-bow' : 'down-bow')] : []),
        ...slurs(setting),
        ...(note.left !== null && note.left !== 0 ? [plain('fingering', note.left)] : []),
        ...pluckOf(setting).map((letters) => plain('pluck', letters)),
        ...(note.fret === 0 ? [el('open-string')] : []),
        plain('string', note.string),
        plain('fret', note.fret),
        ...elementsOf(marks, 'technical', setting.first),
        ...(setting.first && stroke?.golpe ? [other(`golpe ${stroke.golpe}`)] : []),
        ...(stroke?.plectrum === 'w' ? [other('leaps off')] : []),
        ...signsAs(marks, 'word').map(({ name }) => other(name)),
      ]
    : [plain('string', note.string), plain('fret', note.fret)];
  const articulations = begins ? elementsOf(marks, 'articulation', setting.first) : [];
  const slide = (slur: Slur | null, type: string) =>
    slur === 'slide' && begins ? [el('slide', [], { type, number: note.string, 'line-type': 'solid' })] : [];
  const slur = (kind: Slur | null, type: string) =>
    kind && kind !== 'slide' && begins ? [el('slur', [], { type, number: note.string })] : [];
  return [
    ...(sign.tied ? [el('tied', [], { type: 'stop' })] : []),
    ...(goesOn ? [el('tied', [], { type: 'start' })] : []),
    ...(goesOn ? [] : signsAs(marks, 'tied').map(({ name }) => el('tied', [], { type: name }))),
    ...slur(setting.slurTo, 'stop'),
    ...slur(setting.slurFrom, 'start'),
    ...slide(setting.slurTo, 'stop'),
    ...slide(setting.slurFrom, 'start'),
    el('technical', technical),
    ...articulated(articulations),
    // Down goes from the thickest string to the thinnest: upward in pitch.
    ...(stroke?.dir && !stroke.plectrum
      ? [el('arpeggiate', [], { direction: stroke.dir === 'd' ? 'up' : 'down' })]
      : []),
  ];
}
const other = (text: string): Xml => el('other-technical', text);
const ownMarks = (m: Motion): readonly Mark[] => (m.kind === 'ghost' ? [] : m.marks);
const articulated = (signs: readonly Xml[]): Xml[] => (signs.length ? [el('articulations', [...signs])] : []);
/** The head of a note that is no plain one. */
export const headOf = (motion: Motion, note: ScoreNote): Xml[] =>
  signsAs(marksOn(motion, note.string), 'head').map(({ name }) => el('notehead', name));
/** A tap or a slap, which have no pitch. */
export const tapNotations = ({ motion }: ScoreEvent): Xml[] => [
  el('technical', [
    motion.kind === 'golpe' ? el('golpe') : other('slap'),
    ...signsAs(ownMarks(motion), 'word').map(({ name }) => other(name)),
  ]),
  ...articulated(elementsOf(ownMarks(motion), 'articulation', true)),
];
function slurs({ event, slurFrom, slurTo, note }: NoteSetting): Xml[] {
  const sign = (slur: Slur, type: 'start' | 'stop') =>
    el(slur === 'hammer' ? 'hammer-on' : 'pull-off', type === 'start' ? LETTER[slur] : [], {
      type,
      number: note.string,
    });
  return [
    ...(slurTo && slurTo !== 'slide' ? [sign(slurTo, 'stop')] : []),
    ...(slurFrom && slurFrom !== 'slide' ? [sign(slurFrom, 'start')] : []),
    // Sounded by the left hand alone, out of nothing.
    ...(event.motion.kind === 'ligado' && !slurTo ? [el('tap', [], { hand: 'left' })] : []),
  ];
}
/** The fingers of the right hand: of a strum all that go through the strings together. */
function pluckOf({ event: { motion }, note }: NoteSetting): string[] {
  if (motion.kind !== 'stroke' || motion.plectrum) return [];
  if (motion.dir) return motion.fingers.length ? [motion.fingers.join('')] : [];
  return note.right ? [note.right] : [];
}
/** How it is damped, for programs that play it. */
export function playOf({ event: { motion }, note }: NoteSetting): Xml[] {
  const muted = marksOn(motion, note.string).flatMap((m) => signsAs([m], 'mute').map((s) => s.name));
  return muted.length
    ? [
        el(
          'play',
          muted.map((m) => el('mute', m)),
        ),
      ]
    : [];
}
