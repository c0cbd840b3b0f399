import type { FretFromCapo, StringNumber } from '../time/index.js';
import { type LeftFinger, numberedStrings, onStrings, type Step, type Stop, type Stroke } from '../stroke/index.js';
import { printStep } from './print.js';

/** What is set on one string of a step. */
export type PlaceChange =
  | { readonly kind: 'fret'; readonly fret: FretFromCapo }
  /** The finger that stops it; at the fret it is heard at when the stroke has none of its own. */
  | { readonly kind: 'finger'; readonly finger: LeftFinger; readonly fret: FretFromCapo }
  | { readonly kind: 'none' };

/**
 * The text of a step with one string set on it or taken away; null where the step's strings are the chord's own, or a
 * strum's. A string that joins makes the right hand's fingers open: which of them plays it is worked out.
 * @example placeOnStep(readStep('i:2f1').step, 2, { kind: 'fret', fret: 3 }) // 'i:2f3'
 */
export function placeOnStep(step: Step, string: StringNumber, change: PlaceChange): string | null {
  if (step.kind === 'ligado')
    return step.string !== string
      ? null
      : change.kind === 'none'
        ? '.'
        : printStep({ ...step, stop: stopFrom(step.stop, change) });
  if (step.kind !== 'stroke')
    return change.kind === 'fret' ? printStep(openStroke([string], [{ fret: change.fret }])) : null;
  if (step.dir !== null) return null;
  const strings = numberedStrings(step);
  if (!strings) return change.kind === 'fret' && step.strings === null ? alone(step, string, change) : null;
  const n = strings.indexOf(string);
  const stops = strings.map((_, i) => step.stops?.[i] ?? null);
  if (change.kind === 'none') return n < 0 ? null : without(step, strings, stops, n);
  if (n >= 0) {
    const own = stops.map((s, i) => (i === n ? stopFrom(s, change) : s));
    return printStep(onStrings(step, { strings, stops: own, ...marksOf(step) }));
  }
  if (change.kind === 'finger') return null;
  return printStep({ ...openStroke([...strings, string], [...stops, { fret: change.fret }]), marks: step.marks });
}
const marksOf = (step: Stroke) => (step.placeMarks ? { placeMarks: step.placeMarks } : {});
const stopFrom = (before: Stop | null, change: Exclude<PlaceChange, { kind: 'none' }>): Stop =>
  change.kind === 'fret' ? { fret: change.fret } : { fret: before?.fret ?? change.fret, finger: change.finger };
/** Plucked by fingers that are not known yet, one for each string. */
function openStroke(strings: readonly StringNumber[], stops: readonly (Stop | null)[]): Stroke {
  const plain: Stroke = { kind: 'stroke', fingers: [], open: strings.length, dir: null, strings: null, marks: [] };
  return onStrings(plain, { strings, stops });
}
/** A finger that played where it lives goes to the string. */
function alone(step: Stroke, string: StringNumber, change: { readonly fret: FretFromCapo }): string | null {
  if (step.fingers.length !== 1) return null;
  return printStep(onStrings(step, { strings: [string], stops: [{ fret: change.fret }] }));
}
function without(step: Stroke, strings: readonly StringNumber[], stops: readonly (Stop | null)[], n: number): string {
  if (strings.length === 1) return '.';
  const others = strings.filter((_, i) => i !== n);
  const left = { strings: others, stops: stops.filter((_, i) => i !== n) };
  // Each finger has one string: whose it was is not written.
  const own = step.open ? { ...step, open: others.length } : step.fingers.length === strings.length ? null : step;
  return printStep(own ? onStrings(own, left) : { ...openStroke(left.strings, left.stops), marks: step.marks });
}
