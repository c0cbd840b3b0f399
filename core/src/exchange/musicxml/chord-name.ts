import type { Shape } from '../../left-hand/index.js';
import type { LeftFinger } from '../../stroke/index.js';
import { perString } from '../../time/index.js';
import { child, children, type Node, numberIn, textIn } from './door.js';
import { KINDS } from './harmony.js';

const SIGNS: Readonly<Record<string, string>> = { '-2': 'bb', '-1': 'b', '0': '', '1': '#', '2': '##' };
/** How the format and its users say that there is none. */
const NO_CHORD = /^(?:|n\.?\s?c\.?|no chord|tacet)$/i;
const noteIn = (of: Node | undefined, name: string): string =>
  `${textIn(of, `${name}-step`)}${SIGNS[String(numberIn(of, `${name}-alter`) ?? 0)] ?? ''}`;

/**
 * The name of a chord: as it is written where the file says how, else by its kind; '' where none is held.
 * @returns null where it has no root, as steps and functions have none
 */
export function chordName(harmony: Node): string | null {
  const kind = child(harmony, 'kind');
  if (kind?.text === 'none') {
    const called = kind.attributes['text'] ?? '';
    return NO_CHORD.test(called) ? '' : called;
  }
  const root = child(harmony, 'root');
  const own = child(root, 'root-step')?.attributes['text'];
  const bass = child(harmony, 'bass') ? `/${noteIn(child(harmony, 'bass'), 'bass')}` : '';
  if (own) return own + (kind?.attributes['text'] ?? '') + bass;
  const head = noteIn(root, 'root');
  if (head === '') return null;
  const said = kind?.attributes['text'];
  if (said !== undefined && (said !== '' || kind?.text === 'major')) return head + said + bass;
  const ending = KINDS.find(([k]) => k === kind?.text)?.[1] ?? '';
  const degrees = children(harmony, 'degree')
    .filter((d) => textIn(d, 'degree-type') !== 'subtract')
    .map((d) => `${SIGNS[String(numberIn(d, 'degree-alter') ?? 0)] ?? ''}${textIn(d, 'degree-value')}`);
  return head + ending + degrees.join('') + bass;
}
/** The frets and fingers of a chord; null where the file shows none. */
export function shapeIn(harmony: Node): Pick<Shape, 'frets' | 'fingers'> | null {
  const frame = child(harmony, 'frame');
  if (!frame) return null;
  const notes = children(frame, 'frame-note');
  const at = (string: number) => notes.find((n) => numberIn(n, 'string') === string);
  const frets = perString((s) => {
    const own = at(s);
    return own ? numberIn(own, 'fret') : null;
  });
  const fingers = perString((s, i): LeftFinger | null => {
    const text = textIn(at(s), 'fingering');
    if (frets[i] === null) return null;
    if (frets[i] === 0) return 0;
    return /^[1-4]$/.test(text) ? (Number(text) as LeftFinger) : /^t$/i.test(text) ? 'T' : null;
  });
  return { frets, fingers };
}
