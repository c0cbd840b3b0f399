import { checkStopped, scriptWithStops } from '../left-hand/index.js';
import type { Section } from './model.js';

/**
 * A section with the frets of its single strokes in its script, where they move with their strokes. Notes that no
 * stroke can take stay beside it; a section without any is given back as it is.
 */
export function notesWritten(section: Section): Section {
  const { stopped = [], script, stepsPerCount } = section;
  if (stopped.length === 0 || checkStopped(stopped).length) return section;
  const written = scriptWithStops(script, stepsPerCount, stopped);
  if (written.left.length === stopped.length) return section;
  const after: { -readonly [K in keyof Section]: Section[K] } = { ...section, script: written.script };
  if (written.left.length) after.stopped = written.left;
  else delete after.stopped;
  return after;
}
