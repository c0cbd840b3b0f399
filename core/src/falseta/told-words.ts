import { type LeftFinger, lettersOfMarks, LEVELS, marksThat, type Stop } from '../stroke/index.js';
import type { StringNumber } from '../time/index.js';

/** A string and the fret after it; of two digits the second belongs to the fret unless an f follows it. */
const PLACE = '([1-6])(?:f(1\\d(?!f)|2[0-4](?!f)|\\d)(?:=([1-4T]))?)?';
const MARKS = `${lettersOfMarks(marksThat((m) => m.told))}*`;
export const TOLD_WORD = new RegExp(
  [
    '(?<space>\\s+)',
    '\\((?<told>[^()]*)\\)',
    '(?<bar>\\|)',
    '(?<again>%)',
    '(?<quiet>[.-])',
    `@(?<level>${LEVELS.join('|')})(?![a-z])`,
    '(?<open><)',
    '(?<close>>)(?::(?<shared>\\d{1,2}))?',
    `(?<hand>[pimae]*)(?:(?<dir>[du])(?<begin>[1-6])|\\[(?<together>[^\\][]*)\\]|(?<single>(?:L)?${PLACE}))(?<marks>${MARKS})`,
    '(?<odd>.)',
  ].join('|'),
  'gs',
);
export const ONE_STRING = new RegExp(`^L?${PLACE}$`);
/** Places struck together, each perhaps with its finger before it. */
export const SEVERAL_STRINGS = new RegExp(`([pimae]?)${PLACE}(${MARKS})|\\s+|(.)`, 'gs');
const PUT = /^(?:finger\s+)?([1-4T])\s+(?:to\s+)?(?:string\s+)?([1-6])(?:\s+fret\s+|f)(\d{1,2})$/i;
const FLAT = /^flat\s+([1-4])\s+(?:strings?\s+)?([1-6])\s*(?:-|to)\s*([1-6])$/i;
const UP = /^up\s+([1-4])$/i;
const LIFT = /^lift\s+([1-4T](?:\s+[1-4T])*)$/i;

export type Holding = Exclude<LeftFinger, 0>;
export interface Struck {
  readonly string: StringNumber;
  readonly stop: Stop | null;
  readonly marks: string;
}
export const fingerOf = (text: string): Holding => (text === 'T' || text === 't' ? 'T' : (Number(text) as Holding));
export const stopOf = (fret: string | undefined, finger: string | undefined): Stop | null =>
  fret === undefined
    ? null
    : { fret: Number(fret), ...(finger === undefined || fret === '0' ? {} : { finger: fingerOf(finger) }) };

export type Gesture =
  | { readonly kind: 'back' }
  | { readonly kind: 'hold'; readonly name: string }
  | { readonly kind: 'lift'; readonly fingers: readonly Holding[] }
  /** One finger lies over all strings between two, on its fret. */
  | { readonly kind: 'flat'; readonly finger: Holding; readonly from: StringNumber; readonly to: StringNumber }
  /** It stands on its tip again. */
  | { readonly kind: 'up'; readonly finger: Holding }
  | { readonly kind: 'put'; readonly finger: Holding; readonly string: StringNumber; readonly fret: number };
export function gestureOf(text: string): Gesture {
  if (/^back$/i.test(text)) return { kind: 'back' };
  if (/^open$/i.test(text)) return { kind: 'hold', name: '' };
  const lift = LIFT.exec(text);
  if (lift) return { kind: 'lift', fingers: (lift[1] ?? '').split(/\s+/).map(fingerOf) };
  const flat = FLAT.exec(text);
  if (flat) {
    const [a, b] = [Number(flat[2]), Number(flat[3])];
    const [from, to] = [Math.max(a, b) as StringNumber, Math.min(a, b) as StringNumber];
    return { kind: 'flat', finger: fingerOf(flat[1] ?? ''), from, to };
  }
  const up = UP.exec(text);
  if (up) return { kind: 'up', finger: fingerOf(up[1] ?? '') };
  const put = PUT.exec(text);
  if (put)
    return {
      kind: 'put',
      finger: fingerOf(put[1] ?? ''),
      string: Number(put[2]) as StringNumber,
      fret: Number(put[3]),
    };
  return { kind: 'hold', name: text.replace(/^hold\s+/i, '') };
}
