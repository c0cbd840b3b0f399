import { quoted } from '../fault/index.js';
import { stringsText } from './print.js';
import {
  type Direction,
  type Finger,
  type LeftFinger,
  FINGERS,
  type Mark,
  MARKS,
  type Step,
  type Stop,
  type StringChoice,
} from '../stroke/index.js';
import { isStringNumber, type StringNumber } from '../time/index.js';

export interface StepReading {
  readonly step: Step | null;
  readonly message?: string;
  readonly fix?: string;
}
const fault = (message: string, fix?: string): StepReading => ({ step: null, message, ...(fix ? { fix } : {}) });

/** The last fret that a stroke may name; from the capo on. */
export const HIGHEST_STOP = 24;

const LITTLE = /ch|[cxq]/g;
const byFinger = (a: Finger, b: Finger) => FINGERS.indexOf(a) - FINGERS.indexOf(b);
const byMark = (a: Mark, b: Mark) => MARKS.indexOf(a) - MARKS.indexOf(b);
const CLASHES: readonly (readonly [Mark, Mark, string])[] = [
  ['!', ',', 'loud and soft at once'],
  ['~', "'", 'ringing and staccato at once'],
  ['~', 'x', 'ringing and muted at once'],
  ['~', '%', 'ringing and muted by the palm at once'],
];

/**
 * Reads one step such as `ed`, `p:5_`, `ima:t!`, `G`, `(d)`. A step that no hand can play is a fault, in words.
 * @example readStep('ed').step.fingers // ['e']
 */
export function readStep(text: string): StepReading {
  if (text === '.') return { step: { kind: 'rest' } };
  if (text === '-') return { step: { kind: 'hold' } };
  const ghost = /^\(([du])\)$/.exec(text);
  if (ghost) return { step: { kind: 'ghost', dir: ghost[1] as Direction } };
  if (text.startsWith('(')) return fault('A ghost motion is written (d) or (u).', /u/.test(text) ? '(u)' : '(d)');
  if (/^[GS]/.test(text)) return readTap(text);

  // c, ch, x and q are the little finger only before a direction; elsewhere x is a mute.
  const strum = /^((?:ch|[pimaecxq])+)([du])(.*)$/.exec(text);
  const pluck = strum ? null : /^([pimae]+)(.*)$/.exec(text);
  if (!strum && !pluck) {
    const upper = /^[PIMAE]+[DU]?/.test(text) ? text.toLowerCase() : undefined;
    return fault(
      `${quoted(text)} is no stroke. Write fingers (p i m a e), then d or u for a strum, e.g. ed, p:5, ima:t, G, S, . or -`,
      upper,
    );
  }
  const letters = (strum ? (strum[1] ?? '').replace(LITTLE, 'e') : (pluck?.[1] ?? '')).split('') as Finger[];
  const dir = strum ? (strum[2] as Direction) : null;
  const rest = strum ? (strum[3] ?? '') : (pluck?.[2] ?? '');
  if (new Set(letters).size !== letters.length) {
    const once = [...new Set(letters)].sort(byFinger).join('');
    return fault('One finger stands here twice; each can play once in a stroke.', once + (dir ?? '') + rest);
  }
  const tail = /^(?::([1-6bt0-9]*(?:f\d*(?:=\w)?)?(?:\+[0-9]*(?:f\d*(?:=\w)?)?)*))?(.*)$/.exec(rest);
  const named = tail?.[1];
  const marks = readMarks(tail?.[2] ?? '', text);
  if ('step' in marks) return marks;
  const head = [...letters].sort(byFinger).join('') + (dir ?? '');
  const markText = marks.list.join('');
  const strings =
    named === undefined
      ? { choice: null, fingers: letters, stops: undefined }
      : readStrings(named, letters, dir, head, markText);
  if ('step' in strings) return strings;
  const clash = handClash(strings.fingers, dir, strings.choice, marks.list, head, strings.stops);
  if (clash) return clash;
  return {
    step: {
      kind: 'stroke',
      fingers: [...letters].sort(byFinger),
      dir,
      strings: strings.choice,
      ...(strings.stops ? { stops: strings.stops } : {}),
      marks: marks.list,
    },
  };
}

function readTap(text: string): StepReading {
  const kind = text.startsWith('G') ? 'golpe' : 'slap';
  const marks = [...text.slice(1)];
  if (marks.every((m) => m === '!' || m === ',') && new Set(marks).size === marks.length && marks.length < 2)
    return { step: { kind, marks: marks } };
  return fault(
    kind === 'golpe'
      ? 'A golpe alone takes only ! or , after it. With a finger, write the finger and *: p:5*'
      : 'A slap takes only ! or , after it.',
    text[0],
  );
}

function readMarks(text: string, whole: string): { list: Mark[] } | StepReading {
  const list = [...text] as Mark[];
  const odd = list.find((m) => !MARKS.includes(m));
  if (odd !== undefined)
    return fault(
      `${quoted(odd)} is no mark. After the strings stand ! , * _ ~ ' x or %.`,
      whole.slice(0, whole.length - text.length) + list.filter((m) => MARKS.includes(m)).join(''),
    );
  const once = [...new Set(list)].sort(byMark);
  const stem = whole.slice(0, whole.length - text.length);
  for (const [a, b, words] of CLASHES)
    if (once.includes(a) && once.includes(b))
      return fault(`${a} and ${b} don’t go together: ${words}.`, stem + once.filter((m) => m !== b).join(''));
  return { list: once };
}

function readStrings(
  named: string,
  letters: readonly Finger[],
  dir: Direction | null,
  head: string,
  marks: string,
): { choice: StringChoice; fingers: readonly Finger[]; stops: readonly (Stop | null)[] | undefined } | StepReading {
  if (named === 'b') {
    return letters.length > 1 && dir === null
      ? fault('Two fingers can’t pluck the one bass string.', `${letters.includes('p') ? 'p' : letters[0]}:b${marks}`)
      : { choice: 'bass', fingers: letters, stops: undefined };
  }
  if (named === 't') return { choice: 'treble', fingers: letters, stops: undefined };
  const placed = /[f+]/.test(named) ? readPlaces(named) : null;
  if (placed && 'message' in placed) return fault(placed.message, head + marks);
  if (!placed && !/^[1-6]+$/.test(named))
    return fault('After : stand string numbers 1 to 6, b for the bass string or t for the treble set.', head + marks);
  const digits = placed ? placed.strings : [...named].map(Number).filter(isStringNumber);
  const stopOf = (string: StringNumber): Stop | null => placed?.stops[digits.indexOf(string)] ?? null;
  const written = (order: readonly StringNumber[]) => stringsText(order, order.map(stopOf));
  const stopsFor = (order: readonly StringNumber[]) => (placed ? order.map(stopOf) : undefined);
  if (new Set(digits).size !== digits.length) {
    return fault('Two fingers on one string, or a string struck twice in one stroke.', head + marks);
  }
  if (dir !== null) {
    const order = [...digits].sort((a, b) => (dir === 'd' ? b - a : a - b));
    return order.join('') === digits.join('')
      ? { choice: digits, fingers: letters, stops: stopsFor(digits) }
      : fault(
          dir === 'd' ? 'A down stroke meets string 6 before 1.' : 'An up stroke meets string 1 before 6.',
          `${head}${written(order)}${marks}`,
        );
  }
  if (digits.length !== letters.length) {
    return letters.length === 1
      ? fault(
          'One finger plucks one string. To go through several, strum: add d or u.',
          `${head}d${written([...digits].sort((a, b) => b - a))}${marks}`,
        )
      : fault(`${letters.length} fingers need ${letters.length} strings.`, head + marks);
  }
  const pairs = letters.map((finger, i) => ({ finger, string: digits[i] as StringNumber }));
  pairs.sort((a, b) => byFinger(a.finger, b.finger));
  const choice = pairs.map((pair) => pair.string);
  const falling = [...choice].sort((a, b) => b - a);
  return falling.join('') === choice.join('')
    ? { choice, fingers: letters, stops: stopsFor(choice) }
    : fault(
        'Strings out of finger order: the thumb takes the thickest, then i, m, a, e.',
        `${head}${written(falling)}${marks}`,
      );
}

/** `5f0+2f1=1`: strings with the frets that the stroke brings with it, and the fingers that stop them. */
function readPlaces(
  text: string,
): { readonly strings: StringNumber[]; readonly stops: (Stop | null)[] } | { readonly message: string } {
  const strings: StringNumber[] = [];
  const stops: (Stop | null)[] = [];
  const frets = new Map<LeftFinger, number>();
  for (const part of text.split('+')) {
    const m = /^([1-6])(?:f(\d{1,2})(?:=([0-4T]))?)?$/.exec(part);
    const string = Number(m?.[1]);
    if (!m || !isStringNumber(string))
      return {
        message: `${quoted(part)} is no place. Write string, f and fret: 2f5, with its finger 2f5=3; join with +.`,
      };
    const fret = m[2] === undefined ? null : Number(m[2]);
    const finger = m[3] === undefined ? undefined : m[3] === 'T' ? 'T' : (Number(m[3]) as LeftFinger);
    if (fret !== null && fret > HIGHEST_STOP)
      return { message: `Fret ${fret} lies beyond the neck; ${HIGHEST_STOP} is the last.` };
    if (finger !== undefined && (finger === 0) !== (fret === 0))
      return { message: fret === 0 ? 'An open string needs no finger.' : 'Finger 0 means an open string.' };
    if (finger === 'T' && string < 5) return { message: 'The thumb reaches string 6, at most 5.' };
    if (finger !== undefined && finger !== 0 && fret !== null) {
      const other = frets.get(finger);
      if (other !== undefined && other !== fret)
        return { message: `Finger ${finger} stands on fret ${other} and fret ${fret} at once.` };
      frets.set(finger, fret);
    }
    strings.push(string);
    stops.push(fret === null ? null : { fret, ...(finger === undefined ? {} : { finger }) });
  }
  return { strings, stops };
}

function handClash(
  fingers: readonly Finger[],
  dir: Direction | null,
  choice: StringChoice | null,
  marks: readonly Mark[],
  head: string,
  stops: readonly (Stop | null)[] | undefined,
): StepReading | null {
  const at = stringsText(choice, stops);
  const without = (mark: Mark) => head + at + marks.filter((m) => m !== mark).join('');
  if (marks.includes('*') && fingers.includes('a'))
    return fault('The golpe taps with a, and a is busy with this stroke.', without('*'));
  if (marks.includes('_') && dir === 'u') return fault('An up stroke has no string to rest on.', without('_'));
  if (marks.includes('_') && Array.isArray(choice)) {
    const list = choice as readonly StringNumber[];
    if (fingers.includes('p') && list.length === 1 && list[0] === 1)
      return fault('A thumb rest stroke lands on the next thinner string; below 1 there is none.', without('_'));
    if (dir === null && !fingers.includes('p') && list.includes(6))
      return fault('A finger’s rest stroke lands on the next thicker string; beyond 6 there is none.', without('_'));
  }
  return null;
}
