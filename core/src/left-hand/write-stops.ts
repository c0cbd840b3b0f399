import {
  flatten,
  LONGEST_SCRIPT,
  mapLeaves,
  parseScript,
  printScript,
  writeOut,
  type Item,
  type Pattern,
} from '../script/index.js';
import { numberedStrings, type Step, type Stop } from '../stroke/index.js';
import type { StoppedNote } from './stopped.js';

/** Leaves of a pattern by the slots they fill: inside a repeat one leaf fills several. */
function leavesOf(items: readonly Item[]): number[] {
  let leaf = 0;
  const walk = (list: readonly Item[]): number[] =>
    list.flatMap((item): number[] => {
      if (item.kind === 'bar' || item.kind === 'level') return [];
      if (item.kind === 'step') return [leaf++];
      const inner = walk(item.items);
      return item.kind === 'group' ? inner : Array.from({ length: item.times }, () => inner).flat();
    });
  return walk(items);
}
const sameStops = (a: readonly (Stop | null)[] | null, b: readonly (Stop | null)[] | null): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/**
 * Frets of single strokes written into the strokes themselves, where they travel with them. Only strokes that
 * name their strings by number can take them; repeats stay where every pass has the same frets.
 * @returns the pattern, and the notes that no stroke could take
 */
export function writeStops(
  pattern: Pattern,
  stopped: readonly StoppedNote[],
): { readonly pattern: Pattern; readonly left: readonly StoppedNote[] } {
  const { slots } = flatten(pattern);
  const taken = new Set<StoppedNote>();
  const bySlot = slots.map(({ at, step }): readonly (Stop | null)[] | null => {
    const strings = step.kind === 'stroke' ? numberedStrings(step) : null;
    const here = stopped.filter((n) => n.at === at);
    if (step.kind !== 'stroke' || !strings || here.length === 0) return null;
    const stops = strings.map((string, i): Stop | null => {
      const own = step.stops?.[i] ?? null;
      const note = here.find((n) => n.string === string);
      if (own || !note) return own;
      taken.add(note);
      // An open string needs no finger to be named.
      const finger = note.fret > 0 && note.finger !== 0 ? note.finger : undefined;
      return { fret: note.fret, ...(finger === undefined ? {} : { finger }) };
    });
    return stops.some((s) => s !== null) ? stops : null;
  });
  if (taken.size === 0) return { pattern, left: stopped };
  const put = (step: Step, stops: readonly (Stop | null)[] | null | undefined): Step =>
    step.kind === 'stroke' && stops ? { ...step, stops } : step;
  const leaves = leavesOf(pattern.items);
  const byLeaf = new Map<number, readonly (Stop | null)[] | null>();
  const even = leaves.every((leaf, n) => {
    const own = bySlot[n] ?? null;
    const there = byLeaf.get(leaf);
    if (there === undefined) byLeaf.set(leaf, own);
    return there === undefined || sameStops(there, own);
  });
  const written = even
    ? mapLeaves(pattern, (step, leaf) => put(step, byLeaf.get(leaf)))
    : mapLeaves(writeOut(pattern), (step, slot) => put(step, bySlot[slot]));
  return { pattern: written, left: stopped.filter((n) => !taken.has(n)) };
}

/**
 * The same for a script. It stays as it is where it can't be read without faults, or would grow too long.
 * @example scriptWithStops('p:5 i:2', 2, [{ at: 2520, string: 2, fret: 3, finger: 4 }]).script // 'p:5 i:2f3=4'
 */
export function scriptWithStops(
  script: string,
  stepsPerCount: number,
  stopped: readonly StoppedNote[],
): { readonly script: string; readonly left: readonly StoppedNote[] } {
  const asItIs = { script, left: stopped };
  if (stopped.length === 0) return asItIs;
  const read = parseScript(script, { stepsPerCount });
  if (read.faults.length) return asItIs;
  const { pattern, left } = writeStops(read.pattern, stopped);
  if (left.length === stopped.length) return asItIs;
  const text = printScript(pattern);
  // What can't be read back, or is too long to be kept, is not written.
  const fits = text.length <= LONGEST_SCRIPT && parseScript(text, { stepsPerCount }).faults.length === 0;
  return fits ? { script: text, left } : asItIs;
}
