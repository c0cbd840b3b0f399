import { cycleById } from '../catalogue/index.js';
import { type Finding, type FindingCode, type FindingOf, findingsOf } from '../findings/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { readShape, type Shape } from '../left-hand/index.js';
import { makeSection, type Section } from '../piece/index.js';
import { DEFAULT_PROFILE, type HandProfile } from '../player/index.js';
import { readSection } from '../reading/index.js';

export const shape = (name: string, frets: string, fingers: string): Shape => {
  const read = readShape(frets, fingers);
  return { id: name, name, frets: read.frets, fingers: read.fingers };
};
export const shapes = [
  shape('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0'),
  shape('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'),
  shape('D', 'x-x-0-2-3-2', 'x-x-0-1-3-2'),
  shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1'),
  shape('G', '3-2-0-0-0-x', '2-1-0-0-0-x'),
  shape('E', '0-2-2-1-0-x', '0-2-3-1-0-x'),
  shape('Wide', '1-x-x-x-7-x', '1-x-x-x-4-x'),
];
/** What a pattern is told, over the shapes above. */
export const read = (
  script: string,
  more: Partial<Section> = {},
  profile: HandProfile = DEFAULT_PROFILE,
  held: readonly Shape[] = shapes,
): Finding[] => {
  const cycle = more.cycle ?? cycleById('tangos')!;
  const section = { ...makeSection('s', 'S', cycle), script, stepsPerCount: 2, bpm: 100, ...more };
  const request = { section, shapes: held, tuning: STANDARD_TUNING, capo: 0, profile };
  return findingsOf({ ...request, ...readSection(request) });
};
export const one = <C extends FindingCode>(found: readonly Finding[], code: C): FindingOf<C> | undefined =>
  found.find((f): f is FindingOf<C> & Finding => f.code === code);
export const all = <C extends FindingCode>(found: readonly Finding[], code: C): FindingOf<C>[] =>
  found.filter((f): f is FindingOf<C> & Finding => f.code === code);
