import { barOf, barTicks, cycleLength, placeLabel } from '../cycle/index.js';
import { type Range, textFault } from '../fault/index.js';
import { bpm, millisOf, ticks, type Ticks } from '../time/index.js';
import { type FormFault, MOST_PARTS, readForm, unrolledOrder } from './form.js';
import type { Section, Study } from './model.js';

/** A section in its place in the piece. */
export interface FormPart {
  readonly section: string;
  /** From the beginning of the piece, each count as long as it is written. */
  readonly at: Ticks;
  readonly length: Ticks;
  readonly bars: number;
  /** The first of its bars, counted from 0 over the piece. */
  readonly bar: number;
  readonly seconds: number;
  /** Where the section before has left the cycle: the count on which this one starts when the counting goes on. */
  readonly startsOn: string;
  /** And in which bar of its turn, counted from 1: a figure of several bars is turned round in the second. Null where a turn is one bar. */
  readonly startsInBar: number | null;
  readonly range: Range;
}
export interface UnrolledForm {
  /** Names of the sections as they come. */
  readonly order: readonly string[];
  readonly parts: readonly FormPart[];
  readonly bars: number;
  readonly seconds: number;
  readonly faults: readonly FormFault[];
}

/**
 * The study's form written out: which section when, how many bars, how long at each section's tempo, and on which count
 * of its cycle every section starts when the counting goes on from the one before.
 * @param lengthOf a section's length and its bars
 */
export function layOutForm(
  study: Pick<Study, 'form' | 'sections'>,
  lengthOf: (section: Section) => { readonly length: Ticks; readonly bars: number },
): UnrolledForm {
  const { items, faults } = readForm(study.form, study.sections);
  const order = unrolledOrder(items);
  if (!order) {
    const whole = { from: 0, to: study.form.length };
    return {
      order: [],
      parts: [],
      bars: 0,
      seconds: 0,
      faults: [textFault(whole, 'form too large', [MOST_PARTS]), ...faults],
    };
  }
  const lengths = new Map(study.sections.map((s) => [s.id, { section: s, ...lengthOf(s) }]));
  const parts: FormPart[] = [];
  let [at, bar, seconds, counted] = [0, 0, 0, 0];
  for (const { section: id, range } of order) {
    const own = lengths.get(id);
    if (!own) continue;
    const { section, length, bars } = own;
    const before = parts.at(-1);
    const same = before && lengths.get(before.section)?.section.cycle.counts === section.cycle.counts;
    // A section on a cycle of another length begins its own counting.
    if (!same) counted = 0;
    const took = millisOf(length, bpm(section.bpm)) / 1000;
    const here = counted % cycleLength(section.cycle);
    const startsOn = placeLabel(section.cycle, here);
    const startsInBar = barTicks(section.cycle).length > 1 ? barOf(section.cycle, here) + 1 : null;
    parts.push({ section: id, at: ticks(at), length, bars, bar, seconds: took, startsOn, startsInBar, range });
    at += length;
    bar += bars;
    seconds += took;
    counted += length;
  }
  const names = parts.map((p) => lengths.get(p.section)?.section.name ?? '');
  return { order: names, parts, bars: bar, seconds, faults };
}
