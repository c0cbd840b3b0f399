import { quoted } from '../fault/index.js';
import {
  type Direction,
  type Finger,
  FINGERS,
  type LeftFinger,
  type Mark,
  marksThat,
  type Stop,
  type StringChoice,
} from '../stroke/index.js';
import { isStringNumber, type StringNumber } from '../time/index.js';
import { stringsText } from './print.js';
import { joinMarks, MARK_TEXT, NO_MARKS, readMarks, type ReadMarks } from './read-marks.js';
import { isFault, type StepFault, stepFault } from './step-fault.js';

/** The last fret that a stroke may name; from the capo on. */
export const HIGHEST_STOP = 24;

/** What stands before the colon. */
interface Before {
  readonly letters: readonly Finger[];
  /** Fingers that are to be worked out. */
  readonly open: number;
  /** Strings that the hand asks for; null when it takes any number. */
  readonly many: number | null;
  readonly dir: Direction | null;
  readonly head: string;
  /** Marks before the colon, as they are written. */
  readonly before: string;
}
interface ReadStrings {
  readonly choice: StringChoice;
  readonly stops?: readonly (Stop | null)[];
  readonly placeMarks?: readonly (readonly Mark[])[];
  /** Marks behind them that hold for the whole stroke. */
  readonly marks: ReadMarks;
}
interface Place {
  readonly string: StringNumber;
  readonly stop: Stop | null;
  readonly marks: readonly Mark[];
}

const CHOSEN: Readonly<Record<string, StringChoice>> = { b: 'bass', t: 'treble', f: 'fifth', n: 'lead' };
const SET = new RegExp(`^(b[2-6]|[btfn])(.*)$`, 's');
const DIGITS = /^(\d+)([^f+]*)$/s;
const ONLY_MARKS = new RegExp(`^(${MARK_TEXT}*)$`);

/** What a stroke has after its colon. */
export function readStrings(text: string, hand: Before): ReadStrings | StepFault {
  const set = SET.exec(text);
  if (set) {
    const [, name = '', tail = ''] = set;
    const marks = readMarks(tail, `${hand.head}:${name}`);
    if (isFault(marks)) return marks;
    const choice = CHOSEN[name] ?? (`bass ${name.slice(1)}` as StringChoice);
    return chosen(choice, name, hand, marks);
  }
  const digits = DIGITS.exec(text);
  if (!digits && !/[f+]/.test(text))
    return stepFault('strings wanted', [], hand.head + (ONLY_MARKS.test(text) ? text : ''));
  const places: Place[] = [];
  let marks: ReadMarks;
  if (digits) {
    const [, numbers = '', tail = ''] = digits;
    const behind = readMarks(tail, `${hand.head}:${numbers}`);
    if (isFault(behind)) return behind;
    marks = behind;
    const list = [...numbers].map(Number);
    if (!list.every(isStringNumber)) return stepFault('strings wanted', [], hand.head + marks.text);
    places.push(...list.filter(isStringNumber).map((string): Place => ({ string, stop: null, marks: [] })));
  } else {
    const read = readPlaces(text);
    if (isFault(read)) return { ...read, fix: hand.head + hand.before };
    const [only] = read;
    if (only && read.length === 1) {
      // Marks behind a single place are those of the stroke.
      marks = readMarksOf(text);
      places.push({ ...only, marks: [] });
    } else {
      // A golpe and the next chord are of the whole stroke, wherever they are written.
      marks = joinMarks(NO_MARKS, ofTheWhole(read));
      places.push(...read.map((p) => ({ ...p, marks: p.marks.filter((m) => !WHOLE.includes(m)) })));
    }
  }
  return strung(places, hand, marks);
}
const WHOLE = marksThat((m) => m.whole);
const ofTheWhole = (places: readonly Place[]): ReadMarks => {
  const text = WHOLE.filter((m) => places.some((p) => p.marks.includes(m))).join('');
  const marks = readMarks(text, '');
  return isFault(marks) ? NO_MARKS : marks;
};
const readMarksOf = (place: string): ReadMarks => {
  const marks = readMarks(PLACE.exec(place)?.[4] ?? '', '');
  return isFault(marks) ? NO_MARKS : marks;
};

function chosen(choice: StringChoice, name: string, hand: Before, marks: ReadMarks): ReadStrings | StepFault {
  const { many, dir, letters } = hand;
  const single = choice === 'bass' || choice === 'fifth' || choice === 'lead';
  if (single && dir === null && (many ?? 1) > 1)
    return stepFault(
      'one bass string',
      [],
      `${letters.includes('p') ? 'p' : (letters[0] ?? '?')}:${name}${marks.text}`,
    );
  const n = /\d/.exec(name)?.[0];
  if (n !== undefined && dir === null && many !== Number(n))
    return many === 1
      ? stepFault('one finger, one string', [], `${hand.head}d:${name}${marks.text}`)
      : stepFault('strings for fingers', [many ?? 0], `${hand.head}:b${many ?? ''}${marks.text}`);
  return { choice, marks };
}

function strung(places: readonly Place[], hand: Before, marks: ReadMarks): ReadStrings | StepFault {
  const { head, dir, letters, many, before } = hand;
  const written = (list: readonly Place[], stem = head) => {
    const { stops, placeMarks } = parts(list);
    const own = stringsText({ strings: list.map((p) => p.string), stops, placeMarks });
    // Marks of the whole stand before places, behind digits.
    return /[f+]/.test(own) && list.length > 1 ? stem + before + marks.text + own : stem + own + before + marks.text;
  };
  const plain = head + before + marks.text;
  if (new Set(places.map((p) => p.string)).size !== places.length) return stepFault('string twice', [], plain);
  const falling = [...places].sort((a, b) => b.string - a.string);
  const same = (order: readonly Place[]) => order.every((p, i) => p === places[i]);
  if (dir !== null) {
    const order = dir === 'd' ? falling : [...falling].reverse();
    return same(order)
      ? { choice: places.map((p) => p.string), ...parts(places), marks }
      : stepFault(dir === 'd' ? 'down from 6' : 'up from 1', [], written(order));
  }
  if (places.length !== (many ?? places.length))
    return many === 1
      ? stepFault('one finger, one string', [], written(falling, hand.open ? '?'.repeat(places.length) : `${head}d`))
      : stepFault('strings for fingers', [many ?? 0], plain);
  const pairs = places.map((place, i) => ({ place, finger: letters[i] ?? null }));
  pairs.sort((a, b) => (a.finger && b.finger ? FINGERS.indexOf(a.finger) - FINGERS.indexOf(b.finger) : 0));
  const choice = hand.open ? falling : pairs.map((p) => p.place);
  return falling.every((p, i) => p === choice[i])
    ? { choice: choice.map((p) => p.string), ...parts(choice), marks }
    : stepFault('finger order', [], written(falling));
}

/** What belongs to strings, left out where nothing does. */
function parts(places: readonly Place[]): Pick<ReadStrings, 'stops' | 'placeMarks'> {
  return {
    ...(places.some((p) => p.stop) ? { stops: places.map((p) => p.stop) } : {}),
    ...(places.some((p) => p.marks.length) ? { placeMarks: places.map((p) => p.marks) } : {}),
  };
}

const PLACE = new RegExp(`^([1-6])(?:f(\\d{1,2})(?:=([0-4T]))?)?(${MARK_TEXT}*)$`);
/** `5f0~+2f1=1`: strings with the frets that the stroke brings, the fingers that stop them, and their marks. */
function readPlaces(text: string): Place[] | StepFault {
  const places: Place[] = [];
  const frets = new Map<LeftFinger, number>();
  for (const part of text.split('+')) {
    const place = readPlace(part);
    if (isFault(place)) return place;
    const { fret, finger } = place.stop ?? {};
    if (finger !== undefined && finger !== 0 && fret !== undefined) {
      const other = frets.get(finger);
      if (other !== undefined && other !== fret) return stepFault('finger on two frets', [String(finger), other, fret]);
      frets.set(finger, fret);
    }
    places.push(place);
  }
  return places;
}

/** One string, with its fret and finger where they are written. */
export function readPlace(text: string): Place | StepFault {
  const m = PLACE.exec(text);
  const string = Number(m?.[1]);
  if (!m || !isStringNumber(string)) return stepFault('no place', [quoted(text)]);
  const fret = m[2] === undefined ? null : Number(m[2]);
  const finger = m[3] === undefined ? undefined : m[3] === 'T' ? 'T' : (Number(m[3]) as LeftFinger);
  if (fret !== null && fret > HIGHEST_STOP) return stepFault('beyond the neck', [fret, HIGHEST_STOP]);
  if (finger !== undefined && (finger === 0) !== (fret === 0))
    return stepFault(fret === 0 ? 'open needs no finger' : 'finger 0 is open');
  if (finger === 'T' && string < 5) return stepFault('thumb’s reach');
  const marks = readMarks(m[4] ?? '', '');
  if (isFault(marks)) return marks;
  return {
    string,
    stop: fret === null ? null : { fret, ...(finger === undefined ? {} : { finger }) },
    marks: marks.list,
  };
}
