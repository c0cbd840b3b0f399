import { quoted } from '../fault/index.js';
import {
  type Direction,
  type Finger,
  FINGERS,
  isMark,
  type Mark,
  MARK_CLASHES,
  markRow,
  type PlectrumWay,
  type Step,
  type Stroke,
} from '../stroke/index.js';
import type { StringNumber } from '../time/index.js';
import { joinMarks, MARK_TEXT, readMarks, type ReadMarks } from './read-marks.js';
import { readPlace, readStrings } from './read-strings.js';
import { printStep } from './print.js';
import type { StepFaultCode } from './model.js';
import { isFault, type StepFault, stepFault } from './step-fault.js';

export interface StepReading {
  readonly step: Step | null;
  readonly fault?: StepFault;
}
const refused = (fault: StepFault): StepReading => ({ step: null, fault });

const LITTLE = /ch|[cxq]/g;
const byFinger = (a: Finger, b: Finger) => FINGERS.indexOf(a) - FINGERS.indexOf(b);

/** What stands before strings and marks. */
interface Hand {
  readonly letters: readonly Finger[];
  readonly open: number;
  readonly plectrum: PlectrumWay | null;
  readonly dir: Direction | null;
  readonly rest: string;
  /** As it is printed. */
  readonly head: string;
}

/**
 * Reads one step such as `ed`, `p:5_`, `ima:t!`, `p:5f0~+2f3=4`, `L:2f3`, `Pw:2`, `?:3f2`, `G`, `(d)`. A step that no
 * hand can play is a fault.
 * @example readStep('ed').step.fingers // ['e']
 */
export function readStep(text: string): StepReading {
  const known = read.get(text);
  if (known) return known;
  const now = readAnew(text);
  if (read.size >= MOST_KEPT) read.clear();
  if (text.length <= LONGEST_KEPT) read.set(text, now);
  return now;
}
/** A script has the same few steps again and again, and is read anew with every letter that is typed. */
const read = new Map<string, StepReading>();
const MOST_KEPT = 2_000;
const LONGEST_KEPT = 40;

function readAnew(text: string): StepReading {
  if (text === '.') return { step: { kind: 'rest' } };
  if (text === '-') return { step: { kind: 'hold' } };
  const ghost = /^\(([du])\)$/.exec(text);
  if (ghost) return { step: { kind: 'ghost', dir: ghost[1] as Direction } };
  if (text.startsWith('(')) return refused(stepFault('ghost', [], /u/.test(text) ? '(u)' : '(d)'));
  if (/^[GS]/.test(text)) return readTap(text);
  if (text.startsWith('L')) return readLigado(text);
  const hand = readHand(text);
  const read = isFault(hand) ? refused(hand) : readStroke(text, hand);
  const meant = read.fault && MAY_BE_MEANT.has(read.fault.code) ? asMeant(text) : null;
  return meant ? refused(meant) : read;
}

/** Faults of a text that may be several steps, or lack the colon before its strings. */
const MAY_BE_MEANT: ReadonlySet<StepFaultCode> = new Set(['no stroke', 'no mark', 'finger twice']);
const STRUMS = /^(?:(?:ch|[pimaecxq])+[du]){2,}$/;
const STRUM = /(?:ch|[pimaecxq])+[du]/g;
/** What was meant by `ididid` and by `p5`; null where that is not plain. */
function asMeant(text: string): StepFault | null {
  const apart = STRUMS.test(text) ? text.match(STRUM) : /^[pimae]{2,}$/.test(text) ? [...text] : null;
  if (apart?.every((t) => readAnew(t).step !== null))
    return stepFault('run together', [quoted(text), apart.join(' ')], apart.join(' '));
  const [, head = '', strings = ''] = /^([^\d:]+)([1-6]+(?:f\d+)?)$/.exec(text) ?? [];
  const whole = `${head}:${strings}`;
  return strings && readAnew(whole).step !== null ? stepFault('colon wanted', [quoted(text), whole], whole) : null;
}

function readTap(text: string): StepReading {
  const kind = text.startsWith('G') ? 'golpe' : 'slap';
  const marks = [...text.slice(1)].filter(isMark);
  if (marks.length === text.length - 1 && marks.length < 2 && marks.every((m) => markRow(m).taps))
    return { step: { kind, marks } };
  return refused(stepFault(kind === 'golpe' ? 'golpe alone' : 'slap marks', [], text[0]));
}

function readLigado(text: string): StepReading {
  const place = readPlace(/^L:(.*)$/s.exec(text)?.[1] ?? '');
  if (isFault(place)) return refused(place.code === 'no place' ? stepFault('ligado', [quoted(text)]) : place);
  const marks = place.marks.filter((m) => markRow(m).ligado);
  const step: Step = { kind: 'ligado', string: place.string, stop: place.stop, marks };
  const odd = place.marks.find((m) => !markRow(m).ligado);
  return odd === undefined ? { step } : refused(stepFault('no mark', [quoted(odd)], printStep(step)));
}

function readHand(text: string): Hand | StepFault {
  const pick = /^P([duw])?(?![pimaePIMAE])(.*)$/s.exec(text);
  if (pick) {
    // Without a word about it the plectrum goes down and rests.
    const [, way = 'd', rest = ''] = pick;
    const plectrum = way as PlectrumWay;
    return { letters: [], open: 0, plectrum, dir: way === 'u' ? 'u' : 'd', rest, head: `P${way}` };
  }
  const unknown = /^(\?+)(.*)$/s.exec(text);
  if (unknown) {
    const [, marks = '', rest = ''] = unknown;
    return { letters: [], open: marks.length, plectrum: null, dir: null, rest, head: marks };
  }
  // c, ch, x and q are the little finger only before a direction; elsewhere x is a mute.
  const strum = /^((?:ch|[pimaecxq])+)([du])(.*)$/s.exec(text);
  const pluck = strum ? null : /^([pimae]+)(.*)$/s.exec(text);
  if (!strum && !pluck) {
    const lower = /^[PIMAE]+[DU]?/.test(text) ? text.toLowerCase() : undefined;
    return stepFault('no stroke', [quoted(text)], lower);
  }
  const letters = (strum ? (strum[1] ?? '').replace(LITTLE, 'e') : (pluck?.[1] ?? '')).split('') as Finger[];
  const dir = strum ? (strum[2] as Direction) : null;
  const rest = (strum ? strum[3] : pluck?.[2]) ?? '';
  const once = [...new Set(letters)].sort(byFinger).join('') + (dir ?? '');
  if (new Set(letters).size !== letters.length) return stepFault('finger twice', [], once + rest);
  return { letters, open: 0, plectrum: null, dir, rest, head: once };
}

const TAIL = new RegExp(`^(${MARK_TEXT}*)(?::([^]*))?$`);
function readStroke(text: string, hand: Hand): StepReading {
  const { letters, open, plectrum, dir, head } = hand;
  const tail = TAIL.exec(hand.rest);
  // What is neither a mark nor strings is told as the mark that it is not.
  const before = readMarks(tail ? (tail[1] ?? '') : hand.rest, head);
  if (isFault(before)) return refused(before);
  const many = plectrum ? null : letters.length || open;
  const named = tail?.[2];
  const strings =
    named === undefined ? null : readStrings(named, { letters, many, dir, head, before: before.text, open });
  if (strings && isFault(strings)) return refused(strings);
  const marks = strings ? joinMarks(before, strings.marks) : before;
  const step: Stroke = {
    kind: 'stroke',
    fingers: [...letters].sort(byFinger),
    ...(open ? { open } : {}),
    ...(plectrum ? { plectrum } : {}),
    dir,
    strings: strings?.choice ?? null,
    ...(strings?.stops ? { stops: strings.stops } : {}),
    ...(strings?.placeMarks ? { placeMarks: strings.placeMarks } : {}),
    marks: marks.list,
    ...(marks.golpe && marks.golpe !== 'a' ? { golpe: marks.golpe } : {}),
  };
  const fault = clashOf(step) ?? handClash(step, marks);
  return fault ? refused(fault) : { step };
}

const without = (step: Stroke, mark: Mark): string => {
  const { golpe, ...rest } = step;
  const kept: Stroke = mark === '*' || golpe === undefined ? rest : step;
  return printStep({ ...kept, marks: kept.marks.filter((m) => m !== mark) });
};
function clashOf(step: Stroke): StepFault | null {
  for (const [a, b] of MARK_CLASHES)
    if (step.marks.includes(a) && step.marks.includes(b)) return stepFault('marks clash', [a, b], without(step, b));
  for (const list of step.placeMarks ?? [])
    for (const [a, b] of MARK_CLASHES)
      if (list.includes(a) && list.includes(b)) {
        const placeMarks = (step.placeMarks ?? []).map((l) => (l === list ? l.filter((m) => m !== b) : l));
        return stepFault('marks clash', [a, b], printStep({ ...step, placeMarks }));
      }
  return null;
}

function handClash(step: Stroke, { list, golpe }: ReadMarks): StepFault | null {
  const { fingers, dir, strings, plectrum } = step;
  const tapping = golpe ?? 'a';
  if (list.includes('*') && fingers.includes(tapping))
    return stepFault('golpe while busy', [tapping], without(step, '*'));
  const rests = list.includes('_') || (step.placeMarks ?? []).some((l) => l.includes('_'));
  if (!rests) return null;
  const bare = printStep({
    ...step,
    marks: list.filter((m) => m !== '_'),
    placeMarks: step.placeMarks?.map((l) => l.filter((m) => m !== '_')) ?? [],
  });
  if (dir === 'u') return stepFault('up stroke rests on nothing', [], bare);
  if (!Array.isArray(strings)) return null;
  const numbers = strings as readonly StringNumber[];
  if ((fingers.includes('p') || plectrum) && numbers.length === 1 && numbers[0] === 1)
    return stepFault('thumb rests on nothing', [], bare);
  if (dir === null && fingers.length > 0 && !fingers.includes('p') && numbers.includes(6))
    return stepFault('finger rests on nothing', [], bare);
  return null;
}
