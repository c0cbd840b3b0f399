import type { Pattern } from '../script/index.js';
import { type Finger, FINGERS, numberedStrings, type PlectrumWay, type Step, type Stroke } from '../stroke/index.js';
import { type StringNumber, STRINGS } from '../time/index.js';
import type { Variant } from './model.js';
import { patternOf, strokesOf } from './steps.js';

/** Orders that methods give thumb and fingers, each begun by the thumb. */
const TAUGHT_ORDERS = ['pima', 'pami', 'pimami', 'piam', 'pmia', 'pmi', 'pimi'] as const;
/**
 * The fingers of an order that are set on their strings together: as far as it goes to thinner strings.
 * @example plantedIn('pimami') // 'pima'
 * @example plantedIn('pami') // 'pa'
 */
export function plantedIn(order: string): string {
  const at = [...order].map((f) => FINGERS.indexOf(f as Finger));
  const end = at.findIndex((n, i) => i > 0 && n <= (at[i - 1] ?? 0));
  return end < 0 ? order : order.slice(0, end);
}
/** Orders of the fingers that a pattern plucks one by one, without the one that it has itself. */
export function ordersFor(pattern: Pattern): string[] {
  const own = strokesOf(pattern);
  const alone = (f: string) => own.some((s) => s.fingers.length === 1 && s.fingers[0] === f);
  const written = own.map((s) => s.fingers.join('')).join('');
  return TAUGHT_ORDERS.filter(
    (o) => [...o].every(alone) && o !== written && o.repeat(written.length / o.length) !== written,
  );
}
/** Thumb and fingers in another order, each as it strikes first in the pattern, without frets and marks of its own. */
export function inOrder(pattern: Pattern, order: string): Pattern {
  const own = strokesOf(pattern);
  return patternOf(
    pattern,
    [...order].flatMap((f): Step[] => {
      const first = own.find((s) => s.fingers.length === 1 && s.fingers[0] === f);
      return first ? [{ kind: 'stroke', fingers: first.fingers, dir: null, strings: first.strings, marks: [] }] : [];
    }),
  );
}

const THREE: readonly StringNumber[] = [3, 2, 1];
/**
 * What a plectrum learns, on three neighbours of the pattern's strings: rests from string to string, whips from thin to
 * thick, a new string after every two strokes. Each begins with a down stroke and comes round to one.
 */
export function plectrumSchool(pattern: Pattern, what: Extract<Variant, { kind: 'plectrum' }>['what']): Pattern {
  const used = strokesOf(pattern).flatMap((s) => numberedStrings(s) ?? []);
  const thinnest = Math.min(4, ...(used.length ? used : THREE));
  const [thick, middle, thin] = [2, 1, 0].map((n) => (thinnest + n) as StringNumber) as [
    StringNumber,
    StringNumber,
    StringNumber,
  ];
  const pick = (way: PlectrumWay, string: StringNumber): Step => ({
    kind: 'stroke',
    fingers: [],
    dir: way === 'u' ? 'u' : 'd',
    strings: [string],
    plectrum: way,
    marks: [],
  });
  const WAYS: Record<typeof what, readonly (readonly [PlectrumWay, StringNumber])[]> = {
    // The last leaps off, for the first string is thicker again.
    rests: [...[thick, thick, middle, middle, thin].map((s) => ['d', s] as const), ['w', thin]],
    whips: [thin, middle, thick].map((s) => ['w', s] as const),
    changes: [thick, middle, thin, middle].flatMap((s) => [['d', s] as const, ['u', s] as const]),
  };
  return patternOf(
    pattern,
    WAYS[what].map(([way, string]) => pick(way, string)),
  );
}

/** A stroke of one finger on one string, whatever the string is marked or stopped with. */
const stringOf = (s: Stroke): StringNumber | null => {
  const strings = s.dir === null && s.fingers.length === 1 ? numberedStrings(s) : null;
  return strings?.length === 1 ? (strings[0] ?? null) : null;
};
/** What of a line lies together on one string. */
function stretchesOn(own: readonly Stroke[], string: StringNumber): Stroke[][] {
  const found: Stroke[][] = [];
  own.forEach((s, i) => {
    if (stringOf(s) !== string) return;
    const before = own[i - 1];
    const last = found.at(-1);
    if (last && before && stringOf(before) === string) last.push(s);
    else found.push([s]);
  });
  return found;
}
/** The two strings of a line that have one between them and most of its notes; null where it has none such. */
export function skippedStrings(pattern: Pattern): Extract<Variant, { kind: 'string skips' }> | null {
  const own = strokesOf(pattern);
  const notes = (string: StringNumber) => own.filter((s) => stringOf(s) === string).length;
  const pairs = STRINGS.flatMap((from) => {
    const to = STRINGS.find((s) => s === from - 2);
    return to && notes(from) > 0 && notes(to) > 0 ? [{ from, to, all: notes(from) + notes(to) }] : [];
  });
  const [most] = pairs.sort((a, b) => b.all - a.all);
  return most ? { kind: 'string skips', from: most.from, to: most.to } : null;
}
/** Notes of a line on two strings in turn, the one between passed over; its two first fingers alternate throughout. */
export function stringSkips(pattern: Pattern, { from, to }: Extract<Variant, { kind: 'string skips' }>): Pattern {
  const own = strokesOf(pattern);
  const [low, high] = [stretchesOn(own, from), stretchesOn(own, to)];
  const times = Math.min(MOST_STRETCHES, Math.max(low.length, high.length));
  const notes = Array.from({ length: times }, (_, n) => [
    ...(low[n % low.length] ?? []).slice(0, LONGEST_STRETCH),
    ...(high[n % high.length] ?? []).slice(0, LONGEST_STRETCH),
  ]).flat();
  const pair = [...new Set(own.flatMap((s) => s.fingers))].slice(0, 2);
  return patternOf(
    pattern,
    notes.map((s, n): Step => ({ ...s, fingers: [pair[n % pair.length] ?? 'i'] })),
  );
}
const MOST_STRETCHES = 4;
const LONGEST_STRETCH = 4;
