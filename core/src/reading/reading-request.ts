import type { Cell } from '../catalogue/index.js';
import type { Tuning } from '../instrument/index.js';
import type { Shape } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import type { NamedCell } from '../script/index.js';

/** What a reading of a section is made from. */
export interface ReadingRequest {
  readonly section: Section;
  readonly shapes: readonly Shape[];
  readonly tuning: Tuning;
  readonly capo: number;
  readonly profile: HandProfile;
  /** The player's own cells, beside the shipped ones. */
  readonly cells?: readonly Cell[];
  /** The study's cells, which its scripts call by name. */
  readonly called?: readonly NamedCell[];
}
