import { FINGERS, type LeftFinger, type Mark, markRow, MARKS, type PlectrumWay } from '../../stroke/index.js';
import { isStringNumber } from '../../time/index.js';
import type { ForeignNote } from '../foreign/model.js';
import { child, children, type Node, numberIn, textIn } from './door.js';

const STEPS: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
/** @returns null where it is no pitch */
export function pitchIn(of: Node | undefined, name: string): number | null {
  const step = STEPS[textIn(of, `${name === '' ? '' : `${name}-`}step`)];
  const octave = numberIn(of, `${name === '' ? '' : `${name}-`}octave`);
  if (step === undefined || octave === null) return null;
  const midi = 12 * (octave + 1) + step + Math.round(numberIn(of, `${name === '' ? '' : `${name}-`}alter`) ?? 0);
  return midi >= 0 && midi <= 127 ? midi : null;
}
/** Elements that are signs of a mark: its own, and what is read as the same. */
const NAMED = MARKS.flatMap((mark) => {
  const { musicxml } = markRow(mark);
  return musicxml.as === 'technical' || musicxml.as === 'articulation'
    ? [{ mark, names: [musicxml.name, ...(musicxml.also ?? [])], inside: musicxml.inside?.[0] }]
    : [];
});
/** Signs that are taken, or that say nothing of how it is played. */
const TAKEN: ReadonlySet<string> = new Set([
  ...['tied', 'slide', 'tuplet', 'technical', 'articulations', 'arpeggiate', 'dynamics', 'fermata', 'ornaments'],
  ...[
    'string',
    'fret',
    'pluck',
    'fingering',
    'open-string',
    'hammer-on',
    'pull-off',
    'tap',
    'golpe',
    'other-technical',
  ],
  ...['up-bow', 'down-bow', 'thumb-position'],
  ...NAMED.filter((n) => n.inside === undefined).flatMap((n) => n.names),
]);
const GROUPS: readonly string[] = ['technical', 'articulations', 'ornaments'];
const LETTER = /^(?:[pimaexcq]|ch)+$/i;

/** The head of a note that stands for the chord above it. */
const SLASH = 'slash';
const isMark = (n: Node): boolean => NAMED.some(({ names, inside }) => names.includes(n.name) && isMeant(n, inside));
/** What the notations of a note say. */
export interface ReadSigns extends Pick<
  ForeignNote,
  | 'string'
  | 'fret'
  | 'left'
  | 'right'
  | 'marks'
  | 'dir'
  | 'plectrum'
  | 'ligado'
  | 'golpe'
  | 'slap'
  | 'tied'
  | 'ties'
  | 'strummed'
> {
  readonly taps: boolean;
  /** Signs that are not taken, by the names that the format gives them. */
  readonly unread: readonly string[];
}
export function signsOf(note: Node): ReadSigns {
  const notations = children(note, 'notations').flatMap((n) => n.children);
  const all = notations.flatMap((n) => (GROUPS.includes(n.name) ? n.children : [n]));
  const has = (name: string) => all.some((n) => n.name === name);
  const typed = (name: string, type: string) => all.some((n) => n.name === name && n.attributes['type'] === type);
  const texts = (name: string) => all.filter((n) => n.name === name).map((n) => n.text);
  const words = texts('other-technical');
  const said = [...texts('fingering'), ...texts('pluck')];
  const left = texts('fingering').find((t) => /^(?:[0-4]|t)$/i.test(t));
  const marks = marksIn(note, all);
  const string = numberIn(nodeOf(all, 'string'), 'text');
  const fret = numberIn(nodeOf(all, 'fret'), 'text');
  // Down goes from the thickest string to the thinnest: upward in pitch. Without a way it is rolled by the fingers.
  const way = all.find((n) => n.name === 'arpeggiate')?.attributes['direction'];
  const plectrum: PlectrumWay | null = has('up-bow')
    ? 'u'
    : has('down-bow')
      ? words.includes('leaps off')
        ? 'w'
        : 'd'
      : null;
  const struckByLeft =
    typed('hammer-on', 'stop') ||
    typed('pull-off', 'stop') ||
    typed('slide', 'stop') ||
    all.some((n) => n.name === 'tap' && n.attributes['hand'] === 'left');
  const ties = children(note, 'tie');
  const hand = said
    .filter((t) => LETTER.test(t))
    .join('')
    .toLowerCase();
  // A phrase that is slurred over several strings is no ligado; beside one it says the same again.
  const slurred = has('slur') && !all.some((n) => ['hammer-on', 'pull-off', 'slide'].includes(n.name));
  return {
    string: string !== null && isStringNumber(string) ? string : null,
    fret: fret !== null && Number.isInteger(fret) && fret >= 0 ? fret : null,
    left: left === undefined ? null : /t/i.test(left) ? 'T' : (Number(left) as LeftFinger),
    right: FINGERS.filter((f) => (f === 'e' ? /[exq]|c/.test(hand) : hand.includes(f))).join(''),
    marks: [...marks],
    dir: plectrum ? null : way === 'down' ? 'u' : way === 'up' ? 'd' : null,
    plectrum,
    ligado: struckByLeft,
    golpe: /^golpe ([pimae])$/.exec(words.find((w) => w.startsWith('golpe ')) ?? '')?.[1] ?? '',
    slap: words.includes('slap'),
    taps: has('golpe'),
    // Some write how a tie looks and not that it sounds.
    tied: ties.some((t) => t.attributes['type'] === 'stop') || typed('tied', 'stop'),
    ties: ties.some((t) => t.attributes['type'] === 'start') || typed('tied', 'start'),
    strummed: child(note, 'notehead')?.text === SLASH,
    unread: [
      ...all.filter((n) => !TAKEN.has(n.name) && n.name !== 'slur' && !isMark(n)).map((n) => n.name),
      ...(slurred ? ['slur'] : []),
    ],
  };
}
/** Of an element that may say several things, such as a harmonic, only one is meant. */
const isMeant = (n: Node, inside: string | undefined): boolean =>
  inside === undefined || child(n, inside) !== undefined;
/** The marks of a note; a golpe is told apart. */
function marksIn(note: Node, all: readonly Node[]): ReadonlySet<Mark> {
  const marks = new Set<Mark>();
  for (const { mark, names, inside } of NAMED)
    if (mark !== '*' && all.some((n) => names.includes(n.name) && isMeant(n, inside))) marks.add(mark);
  for (const mark of MARKS) {
    const { as, name } = markRow(mark).musicxml;
    const is =
      (as === 'tied' && all.some((n) => n.name === 'tied' && n.attributes['type'] === name)) ||
      (as === 'head' && child(note, 'notehead')?.text === name) ||
      (as === 'mute' && children(child(note, 'play'), 'mute').some((m) => m.text === name)) ||
      (as === 'word' && all.some((n) => n.name === 'other-technical' && n.text === name));
    if (is) marks.add(mark);
  }
  return marks;
}
/** The text of a sign as a number is read. */
const nodeOf = (all: readonly Node[], name: string): Node | undefined => {
  const own = all.find((n) => n.name === name);
  return own ? { name: '', attributes: {}, children: [{ ...own, name: 'text' }], text: '' } : undefined;
};
