import { type Reading, type ReadingRequest, readSection } from '../../reading/index.js';
import { type Finding, sayFindings } from './findings.js';

/** A section's reading with what there is to say about it. */
export type SaidReading = Reading & { readonly findings: readonly Finding[] };

/** Reads a section and says what was found. */
export function readAloud(request: ReadingRequest): SaidReading {
  const reading = readSection(request);
  return { ...reading, findings: sayFindings({ ...request, ...reading }) };
}
