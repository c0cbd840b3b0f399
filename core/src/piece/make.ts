import { cycleById, CYCLES } from '../catalogue/index.js';
import type { AccentCycle } from '../cycle/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import type { Section, Study } from './model.js';

/** A cycle's usual tempo, with a ladder up to it from its slowest. */
export const paceOf = ({ tempo: { low, usual } }: AccentCycle): Pick<Section, 'bpm' | 'ladder'> => ({
  bpm: usual,
  ladder: { start: low, end: usual, step: 6, passes: 4 },
});
/** Whether nothing has been written into a section, nor its tempo chosen. */
export const isAsItBegan = ({ script, chart, bpm, ladder, cycle }: Section): boolean =>
  script.trim() === '' && chart.trim() === '' && JSON.stringify({ bpm, ladder }) === JSON.stringify(paceOf(cycle));

/** An empty section on a cycle, at the cycle's usual tempo with a ladder up to it. */
export function makeSection(id: string, name: string, cycle: AccentCycle): Section {
  return {
    id,
    name,
    cycle,
    script: '',
    stepsPerCount: 2,
    start: 0,
    chart: '',
    bars: null,
    ...paceOf(cycle),
    feel: null,
    words: '',
    key: null,
  };
}

/**
 * A new study with one empty section.
 * @example makeStudy('s', 'Stair').sections.length // 1
 */
export function makeStudy(
  id: string,
  name: string,
  cycle: AccentCycle = cycleById('solea') ?? (CYCLES[0] as AccentCycle),
): Study {
  return {
    id,
    name,
    instrument: { tuning: STANDARD_TUNING, capo: 0 },
    shapes: [],
    cells: [],
    sections: [makeSection(`${id}-a`, 'A', cycle)],
    form: '',
    reminders: [],
    note: '',
  };
}

/**
 * The same study under another id and name; section ids are made anew from the id.
 * @example copyStudy(makeStudy('s', 'Stair'), 't', 'Other').sections[0].id // 't-1'
 */
export const copyStudy = (study: Study, id: string, name: string): Study => ({
  ...study,
  id,
  name,
  sections: study.sections.map((s, i) => ({ ...s, id: `${id}-${i + 1}` })),
});

/**
 * “Lantern Stair” → “Lantern Stair 2”, or the next number that is free.
 * @example freeName('Stair', ['Stair', 'Stair 2']) // 'Stair 3'
 */
export function freeName(name: string, taken: readonly string[]): string {
  const stem = name.replace(/ \d+$/, '').slice(0, 50);
  for (let n = 2; ; n++) if (!taken.includes(`${stem} ${n}`)) return `${stem} ${n}`;
}
