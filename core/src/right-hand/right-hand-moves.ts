import { bassString, type Shape, trebleSet } from '../left-hand/index.js';
import { directionOf, type Motion, type Stroke, stopOn } from '../stroke/index.js';
import { type StringNumber, STRINGS } from '../time/index.js';

/** What a new chord asks of the right hand. */
export interface RightHandMove {
  /** The thumb's bass string, when it changes. */
  readonly thumb: { readonly from: StringNumber; readonly to: StringNumber } | null;
  /** The strings under i m a, thickest first, when they change. */
  readonly fingers: { readonly from: readonly StringNumber[]; readonly to: readonly StringNumber[] } | null;
  /** The thickest string of strums through all that sounds, when it changes. */
  readonly strum: { readonly from: StringNumber; readonly to: StringNumber } | null;
  /** Strings the script strikes by number that the new chord leaves out. */
  readonly leftOut: readonly StringNumber[];
  /** The thumb's string by number where the new chord's bass lies on another one; else null. */
  readonly offBass: { readonly struck: StringNumber; readonly bass: StringNumber } | null;
}

const isStroke = (m: Motion): m is Stroke => m.kind === 'stroke';
const numbered = (s: Stroke): readonly StringNumber[] | null => (Array.isArray(s.strings) ? s.strings : null);

/**
 * Which strings the right hand must go to when one shape follows another, for the strokes that are played under
 * the new one. The hand moves as a block with the chord; a hand that stays behind is the classic slip.
 */
export function rightHandMove(from: Shape, to: Shape, motions: readonly Motion[]): RightHandMove {
  const strokes = motions.filter(isStroke);
  const plucks = strokes.filter((s) => directionOf(s) === null);
  const strums = strokes.filter((s) => directionOf(s) !== null);
  const [bassBefore, bass] = [bassString(from), bassString(to)];
  const [setBefore, set] = [trebleSet(from), trebleSet(to)];
  const asksBass = strokes.some((s) => s.strings === 'bass' || (!numbered(s) && !s.dir && s.fingers.includes('p')));
  const asksSet = strokes.some((s) => s.strings === 'treble');
  const asksAll = strums.some((s) => s.strings === null);
  const bassMoves = bassBefore !== null && bass !== null && bassBefore !== bass;
  // A thumb that walks over the bass on its way is where it should be.
  const byThumb = plucks.flatMap((s) =>
    s.fingers[0] === 'p' ? (numbered(s)?.slice(0, 1) ?? []).filter((string) => !stopOn(s, string)) : [],
  );
  const struck = byThumb[0] ?? null;
  // A string that a stroke stops for itself asks nothing of the chord.
  const byNumber = new Set(strokes.flatMap((s) => (numbered(s) ?? []).filter((string) => !stopOn(s, string))));
  return {
    thumb: asksBass && bassMoves ? { from: bassBefore, to: bass } : null,
    fingers: asksSet && setBefore.join() !== set.join() ? { from: setBefore, to: set } : null,
    strum: asksAll && bassMoves ? { from: bassBefore, to: bass } : null,
    leftOut: STRINGS.filter((s, i) => byNumber.has(s) && to.frets[i] === null),
    // Where p:b is written, and where it goes from string to string, the thumb does not stay behind.
    offBass:
      struck !== null &&
      bass !== null &&
      bassMoves &&
      !asksBass &&
      byThumb.every((s) => s === struck) &&
      struck !== bass
        ? { struck, bass }
        : null,
  };
}
