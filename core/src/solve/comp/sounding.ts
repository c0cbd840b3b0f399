import { isCalled, isTelling, readChord } from '../../chord/index.js';
import { openPitch } from '../../instrument/index.js';
import { bassString, soundingSymbol, trebleSet } from '../../left-hand/index.js';
import { perString, type StringNumber, STRINGS } from '../../time/index.js';
import type { FrettedShape } from '../voicings/index.js';
import { isStrummed } from './figure.js';
import type { CompRequest } from './model.js';

/** The strings of the fingers under a shape, thickest first: all that sound where the figure is strummed. */
export const fingerSet = (
  { strings, figure, cycle }: CompRequest,
  name: string,
  shape: FrettedShape,
): readonly StringNumber[] =>
  strings?.[name] ?? (isStrummed(figure, cycle) ? STRINGS.filter((_, i) => shape.frets[i] !== null) : trebleSet(shape));
/** The strings that are struck at all: the shape's bass, and the fingers'. */
export function struckStrings(request: CompRequest, name: string, shape: FrettedShape): StringNumber[] {
  const bass = bassString(shape);
  return [...new Set([...(bass === null ? [] : [bass]), ...fingerSet(request, name, shape)])].sort((a, b) => b - a);
}
/** By the strings that the fingers were told to take; every pair of shapes asks for them. */
const held = new WeakMap<FrettedShape, Map<string, FrettedShape>>();
/** What of a shape has to be held for them: the other fingers may stay in the air. */
export function heldFor(request: CompRequest, name: string, shape: FrettedShape): FrettedShape {
  const key = request.strings?.[name]?.join() ?? '';
  const own = held.get(shape) ?? new Map<string, FrettedShape>();
  held.set(shape, own);
  const found = own.get(key) ?? heldAnew(request, name, shape);
  own.set(key, found);
  return found;
}
function heldAnew(request: CompRequest, name: string, shape: FrettedShape): FrettedShape {
  const struck = new Set(struckStrings(request, name, shape));
  if (STRINGS.every((s, i) => struck.has(s) || shape.frets[i] === null)) return shape;
  return {
    frets: perString((s, i) => (struck.has(s) ? (shape.frets[i] ?? null) : null)),
    fingers: perString((s, i) => (struck.has(s) ? (shape.fingers[i] ?? null) : null)),
  };
}

/** The symbol of what a name sounds: its own, or that of the shape that is given for it. */
export function symbolOf({ given, tuning, neck }: CompRequest, name: string): string {
  const own = given?.[name];
  return own ? soundingSymbol(own.chord ?? name, own, { tuning, capo: neck.capo }) : name;
}

/** Tones of a chord on the strings that are struck. */
export interface HeardTones {
  /** Thirds, sevenths, what stands in for them and colours that none of the strings has, as intervals. */
  readonly unheard: readonly string[];
  /** How many of these are colours alone. */
  readonly colours: number;
  /** Tones that more than one string has. */
  readonly doubled: readonly string[];
}
export function heardTones(request: CompRequest, name: string, shape: FrettedShape): HeardTones {
  const read = readChord(symbolOf(request, name));
  if (!read.ok) return { unheard: [], colours: 0, doubled: [] };
  const pitches = struckStrings(request, name, shape).flatMap((s) => {
    const fret = shape.frets[STRINGS.indexOf(s)] ?? null;
    return fret === null ? [] : [(openPitch(request.tuning, s, request.neck.capo) + fret) % 12];
  });
  const times = (pitchClass: number) => pitches.filter((p) => p === pitchClass).length;
  const { tones } = read.chord;
  const unheard = tones.filter((t) => isCalled(t) && times(t.pitchClass) === 0);
  return {
    unheard: unheard.map((t) => t.interval),
    colours: unheard.filter((t) => !isTelling(t)).length,
    doubled: tones.filter((t) => times(t.pitchClass) > 1).map((t) => t.interval),
  };
}
