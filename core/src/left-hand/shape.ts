import type { LeftFinger } from '../stroke/index.js';
import { type DataFault, dataFault, quoted } from '../fault/index.js';
import { cleanName, LONGEST_NAME } from '../name/index.js';
import { type FretFromCapo, perString, type SixStrings, type StringNumber, STRINGS } from '../time/index.js';

export type { LeftFinger };
/** A held left-hand shape. Arrays run from string 6 to string 1. Frets count from the capo; null = not sounded. */
export interface Shape {
  readonly id: string;
  readonly name: string;
  /** The chord symbol that it answers, where its name is none. */
  readonly chord?: string;
  readonly frets: SixStrings<FretFromCapo | null>;
  readonly fingers: SixStrings<LeftFinger | null>;
}
export const HIGHEST_FRET = 24;

export type ShapeFaultCode =
  | 'frets for six strings'
  | 'no fret'
  | 'fingers for six strings'
  | 'no left finger'
  | 'shape unnamed'
  | 'silent shape'
  | 'six strings wanted'
  | 'fret off the neck'
  | 'no such left finger'
  | 'finger on a silent string'
  | 'stopped by no finger'
  | 'finger on an open string'
  | 'thumb’s reach'
  | 'finger on two frets'
  | 'fingers crossed';
const parts = (text: string): string[] => {
  const trimmed = text.trim();
  return /[-\s]/.test(trimmed) ? trimmed.split(/[-\s]+/) : [...trimmed];
};

export interface ShapeReading {
  readonly frets: SixStrings<FretFromCapo | null>;
  readonly fingers: SixStrings<LeftFinger | null>;
  readonly faults: readonly DataFault[];
}

/**
 * Reads a shape from two texts, string 6 first: frets such as `x-3-2-0-1-0` (or `x32010`) and fingers
 * such as `x-3-2-0-1-0` with 1–4 and T. An empty finger text lets the frets decide for open strings only.
 * @example readShape('x32010', '').frets // [null, 3, 2, 0, 1, 0]
 */
export function readShape(fretText: string, fingerText: string): ShapeReading {
  const faults: DataFault[] = [];
  const say = (path: string, code: ShapeFaultCode, ...about: (string | number)[]) =>
    faults.push(dataFault(path, code, ...about));
  const fretParts = parts(fretText);
  if (fretParts.length !== 6) say('frets', 'frets for six strings', fretText.trim() ? fretParts.length : 0);
  const frets = perString((s, i) => {
    const part = fretParts[i];
    if (part === undefined || /^[xX]$/.test(part)) return null;
    if (/^\d{1,2}$/.test(part) && Number(part) <= HIGHEST_FRET) return Number(part);
    say(`frets[${s}]`, 'no fret', s, quoted(part), HIGHEST_FRET);
    return null;
  });
  const fingerParts = fingerText.trim() ? parts(fingerText) : [];
  if (fingerParts.length !== 0 && fingerParts.length !== 6)
    say('fingers', 'fingers for six strings', fingerParts.length);
  const fingers = perString((s, i): LeftFinger | null => {
    const part = fingerParts[i];
    if (part === undefined) return frets[i] === 0 ? 0 : null;
    if (/^[xX]$/.test(part)) return null;
    if (part === 'T') return 'T';
    if (/^[0-4]$/.test(part)) return Number(part) as LeftFinger;
    say(`fingers[${s}]`, 'no left finger', s, quoted(part));
    return null;
  });
  if (faults.length === 0) faults.push(...checkShape({ id: '', name: '-', frets, fingers }));
  return { frets, fingers, faults };
}

/**
 * Every fault of a shape that no left hand can hold.
 * @example checkShape(OPEN_SHAPE) // []
 */
export function checkShape(shape: Shape): DataFault[] {
  const faults: DataFault[] = [];
  const say = (path: string, code: ShapeFaultCode, ...about: (string | number)[]) =>
    faults.push(dataFault(path, code, ...about));
  if (cleanName(shape.name) !== shape.name || shape.name === '') say('name', 'shape unnamed', LONGEST_NAME);
  if (shape.frets.every((f) => f === null)) say('frets', 'silent shape');
  // A row from outside may have any number of them.
  if ([shape.frets, shape.fingers].some((list: readonly unknown[]) => list.length !== STRINGS.length)) {
    say('frets', 'six strings wanted');
    return faults;
  }
  shape.frets.forEach((fret, i) => {
    if (fret !== null && !(Number.isInteger(fret) && fret >= 0 && fret <= HIGHEST_FRET))
      say(`frets[${STRINGS[i] ?? 1}]`, 'fret off the neck', STRINGS[i] ?? 1, HIGHEST_FRET);
  });
  const places = new Map<number, number>();
  shape.fingers.forEach((finger, i) => {
    const fret = shape.frets[i] ?? null;
    const string = STRINGS[i] ?? 1;
    if (finger === null) return;
    if (finger !== 'T' && !(Number.isInteger(finger) && finger >= 0 && finger <= 4))
      say(`fingers[${string}]`, 'no such left finger', string);
    else if (fret === null) say(`fingers[${string}]`, 'finger on a silent string', string);
    else if (finger === 0 && fret !== 0) say(`fingers[${string}]`, 'stopped by no finger', string, fret);
    else if (finger !== 0 && fret === 0) say(`fingers[${string}]`, 'finger on an open string', string);
    else if (finger === 'T' && string < 5) say(`fingers[${string}]`, 'thumb’s reach');
    else if (typeof finger === 'number' && finger > 0) {
      const before = places.get(finger);
      if (before !== undefined && before !== fret)
        say(`fingers[${string}]`, 'finger on two frets', finger, before, fret);
      places.set(finger, fret);
    }
  });
  const used = [...places].sort((a, b) => a[0] - b[0]);
  used.forEach(([finger, fret], i) => {
    const next = used[i + 1];
    if (next && next[1] < fret) say('fingers', 'fingers crossed', next[0], finger);
  });
  return faults;
}

const joined = (list: readonly (number | string | null)[]) => list.map((v) => v ?? 'x').join('-');
/** @example fretsText({ frets: [null, 3, 2, 0, 1, 0] }) // 'x-3-2-0-1-0' */
export const fretsText = (shape: Pick<Shape, 'frets'>): string => joined(shape.frets);
export const fingersText = (shape: Pick<Shape, 'fingers'>): string => joined(shape.fingers);

/**
 * The string of the lowest note that sounds: where the thumb goes for `b`. Null when nothing is held.
 * @example bassString({ frets: [null, 3, 2, 0, 1, 0] }) // 5
 */
export function bassString(shape: Pick<Shape, 'frets'>): StringNumber | null {
  const i = shape.frets.findIndex((f) => f !== null);
  return STRINGS[i] ?? null;
}

/**
 * The three strings the fingers take over the thumb: p5 → 4 3 2, p4 and p6 → 3 2 1 and 4 3 2; thickest first.
 * @example trebleSet({ frets: [null, null, 0, 2, 3, 2] }) // [3, 2, 1]
 */
export function trebleSet(shape: Pick<Shape, 'frets'>): StringNumber[] {
  const bass = bassString(shape);
  const home: StringNumber[] = bass === 4 || bass === 3 ? [3, 2, 1] : [4, 3, 2];
  const sounding = STRINGS.filter((s, i) => shape.frets[i] !== null && s !== bass);
  const kept = home.filter((s) => sounding.includes(s));
  // A shape that mutes one of them gives its next sounding string above instead.
  const spare = sounding.filter((s) => !kept.includes(s)).sort((a, b) => a - b);
  while (kept.length < 3 && spare.length) kept.push(spare.shift() as StringNumber);
  return kept.sort((a, b) => b - a);
}

/** With no shape chosen every string is open: right hand alone. */
export const OPEN_SHAPE: Shape = {
  id: 'open',
  name: 'Open strings',
  frets: [0, 0, 0, 0, 0, 0],
  fingers: [0, 0, 0, 0, 0, 0],
};
