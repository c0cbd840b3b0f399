import { cycleLength, groupStarts } from '../cycle/index.js';
import type { Section } from '../piece/index.js';
import { STEPS_PER_COUNT, stepTicks } from '../time/index.js';

/**
 * The section's harmony as block chords, one down strum with each shape, for the left hand alone: a script of one
 * turn. Null when groups begin at places that no step holds.
 */
export function blockChords(section: Section): Pick<Section, 'script' | 'stepsPerCount' | 'start'> | null {
  const length = cycleLength(section.cycle);
  const starts = section.harmony.per === 'group' ? groupStarts(section.cycle) : [0];
  const stepsPerCount = STEPS_PER_COUNT.find((n) => {
    const step = stepTicks(n);
    return step !== null && [...starts, length].every((at) => at % step === 0);
  });
  const step = stepsPerCount === undefined ? null : stepTicks(stepsPerCount);
  if (stepsPerCount === undefined || step === null) return null;
  const script = starts
    .map((at, i) => {
      const steps = ((starts[i + 1] ?? length) - at) / step;
      return ['id', ...Array.from({ length: Math.max(0, steps - 1) }, () => '-')].join(' ');
    })
    .join(' ');
  return { script, stepsPerCount, start: 0 };
}
