import { chartOf, heldChords } from '../chart/index.js';
import { cycleLength } from '../cycle/index.js';
import type { Section } from '../piece/index.js';
import type { DrilledSection } from './section-drills.js';
import { lcm, STEPS_PER_COUNT, stepTicks } from '../time/index.js';

/** Turns of a chart that are written out as block chords. */
const MOST_TURNS = 64;

/**
 * The section's chart as block chords, one down strum with each chord, for the left hand alone: a script as long as
 * the chart. Null when chords begin at places that no step holds.
 */
export function blockChords(section: Section): Pick<Section, 'script' | 'stepsPerCount' | 'start'> | null {
  const turn = cycleLength(section.cycle);
  const chart = chartOf(section).length || turn;
  const length = Math.min(MOST_TURNS * turn, lcm(chart, turn));
  const starts = heldChords(section, []).flatMap((c) =>
    Array.from({ length: Math.ceil(length / chart) }, (_, round) => round * chart + c.at),
  );
  const all = [...new Set(starts.length ? starts : [0])].filter((at) => at < length).sort((a, b) => a - b);
  const stepsPerCount = STEPS_PER_COUNT.find((n) => {
    const step = stepTicks(n);
    return step !== null && [...all, length].every((at) => at % step === 0);
  });
  const step = stepsPerCount === undefined ? null : stepTicks(stepsPerCount);
  if (stepsPerCount === undefined || step === null) return null;
  const script = all
    .map((at, i) => {
      const steps = ((all[i + 1] ?? length) - at) / step;
      return ['id', ...Array.from({ length: Math.max(0, steps - 1) }, () => '-')].join(' ');
    })
    .join(' ');
  return { script, stepsPerCount, start: 0 };
}
/** The left hand alone: the section's chart as block chords; null where it has none, or it fits no step. */
export function leftAlone(section: Section): DrilledSection | null {
  const blocks = section.chart.trim() === '' ? null : blockChords(section);
  return blocks && { ...blocks, chart: section.chart };
}
