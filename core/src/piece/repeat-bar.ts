import { barBegin, cycleLength } from '../cycle/index.js';
import { type FlatPattern, flatten, parseScript, printScript, writeOut } from '../script/index.js';
import { wrap } from '../time/index.js';
import { inSection, put, scriptFault } from './changing.js';
import type { Command } from './command.js';
import type { Section, Study } from './model.js';

/**
 * The bar after this one becomes the same; where the script ends with this bar, the bar is added. Repeats and cells are
 * written out where it needs that. What can't be cut at bar lines stays as it is.
 * @param bar counted from 0, in the script's first pass
 */
export const repeatBar = (section: string, bar: number): Command =>
  inSection(
    section,
    (s, study) => {
      const script = repeated(s, study, bar);
      return script === null ? s : put(s, { script });
    },
    scriptFault,
  );

function repeated(s: Section, { cells }: Pick<Study, 'cells'>, bar: number): string | null {
  const options = { stepsPerCount: s.stepsPerCount, cycle: s.cycle, start: s.start, cells };
  const read = parseScript(s.script, options);
  if (read.faults.length) return null;
  // Every bar has its own text once repeats are written out.
  const script = printScript(writeOut(read.pattern));
  const flat = flatten(parseScript(script, options).pattern);
  const begins = (n: number): number => barBegin(s.cycle, n);
  const offset = wrap(s.start, cycleLength(s.cycle));
  const [from, to, end] = [begins(bar) - offset, begins(bar + 1) - offset, begins(bar + 2) - offset];
  const own = textBetween(script, flat, from, to);
  if (!own) return null;
  if (flat.length === to) return `${script}${offset === 0 ? ' | ' : ' '}${script.slice(own.from, own.to)}`;
  if (to - from !== end - to) return null;
  const next = textBetween(script, flat, to, end);
  const text = script.slice(own.from, own.to);
  if (!next || script.slice(next.from, next.to) === text) return null;
  return script.slice(0, next.from) + text + script.slice(next.to);
}

/** The stretch of text that fills a time of the pattern whole, its brackets with it; null where nothing ends there. */
export function textBetween(script: string, flat: FlatPattern, from: number, to: number) {
  const first = flat.slots.find((x) => x.at === from);
  const last = flat.slots.find((x) => x.at < to && x.at + x.duration === to);
  if (!first || !last) return null;
  let [a, b] = [first.range.from, last.range.to];
  for (let open = balance(script.slice(a, b)); open !== 0; open = balance(script.slice(a, b))) {
    if (open > 0) {
      const close = /^\s*\](?::[^\s|\]]*)?/.exec(script.slice(b));
      if (!close) return null;
      b += close[0].length;
    } else {
      const before = /\[\s*$/.exec(script.slice(0, a));
      if (!before) return null;
      a -= before[0].length;
    }
  }
  // A bracket that begins and ends with the bar belongs to it.
  for (;;) {
    const before = /\[\s*$/.exec(script.slice(0, a));
    const close = /^\s*\](?::[^\s|\]]*)?/.exec(script.slice(b));
    if (!before || !close) break;
    a -= before[0].length;
    b += close[0].length;
  }
  return { from: a, to: b };
}
const balance = (text: string): number => (text.match(/\[/g)?.length ?? 0) - (text.match(/\]/g)?.length ?? 0);
