import { child, children, type Node, numberIn, textIn } from './door.js';

/** How far a measure's notes go, and where its last voice stands, in quarters. */
interface Filled {
  readonly end: number;
  readonly at: number;
  readonly divisions: number;
}
function filledBy(measure: Node, before: number): Filled {
  let [divisions, at, end] = [before, 0, 0];
  for (const own of measure.children) {
    if (own.name === 'attributes') divisions = Math.max(1, numberIn(own, 'divisions') ?? divisions);
    const length = (numberIn(own, 'duration') ?? 0) / divisions;
    if (own.name === 'backup') at = Math.max(0, at - length);
    else if (own.name === 'forward' || (own.name === 'note' && !child(own, 'chord') && !child(own, 'grace')))
      at += length;
    end = Math.max(end, at);
  }
  return { end, at, divisions };
}
const isImplicit = (m: Node): boolean => m.attributes['implicit'] === 'yes';
const hasRepeat = (m: Node): boolean =>
  children(m, 'barline').some((b) => !!child(b, 'repeat') || !!child(b, 'ending'));
/** Quarters are compared with fractions of a division left over. */
const EXACTLY = 1 / 1_000;

/**
 * Measures with those joined that are two halves of one bar: what one lacks the next has, which is no bar of its own by
 * what the file says. Where a repeat stands between them they stay apart.
 * @example joinedMeasures([]) // []
 */
export function joinedMeasures(measures: readonly Node[]): Node[] {
  const joined: Node[] = [];
  let [divisions, asked] = [1, 4];
  let last: Filled | null = null;
  for (const measure of measures) {
    for (const time of children(measure, 'attributes').map((a) => child(a, 'time'))) {
      const beats = textIn(time, 'beats')
        .split('+')
        .reduce((sum, b) => sum + Number(b), 0);
      const type = numberIn(time, 'beat-type') ?? 0;
      if (beats > 0 && type > 0) asked = (beats * 4) / type;
    }
    const own = filledBy(measure, divisions);
    divisions = own.divisions;
    const before = joined.at(-1);
    const halves: boolean =
      before !== undefined &&
      last !== null &&
      last.end > 0 &&
      own.end > 0 &&
      Math.abs(last.end + own.end - asked) < EXACTLY &&
      (isImplicit(measure) || (joined.length > 1 && isImplicit(before))) &&
      !hasRepeat(before) &&
      !children(measure, 'barline').some((b) => b.attributes['location'] === 'left' && !!child(b, 'repeat'));
    if (!halves || !before || !last) {
      joined.push(measure);
      last = own;
      continue;
    }
    const gap = Math.round((last.end - last.at) * last.divisions);
    const forward: Node = {
      ...{ name: 'forward', attributes: {}, text: '' },
      children: [{ name: 'duration', attributes: {}, children: [], text: String(gap) }],
    };
    const inner = [...before.children, ...(gap > 0 ? [forward] : []), ...measure.children];
    joined[joined.length - 1] = { ...before, attributes: { ...before.attributes, implicit: 'no' }, children: inner };
    last = null;
  }
  return joined;
}
