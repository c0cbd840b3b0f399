import type { Section, Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import { readFacts, type ReadingRequest } from '../reading/index.js';
import type { GraveMatter } from './model.js';

/** What stands against one section is read from this. */
export const graveMatter = (
  { instrument, shapes, cells }: Study,
  section: Section,
  profile: HandProfile,
): GraveMatter => {
  const request: ReadingRequest = { section, shapes, ...instrument, profile, called: cells };
  return { ...request, ...readFacts(request) };
};
