import type { ChartFault } from '../../chart/index.js';
import { type Reading, type ReadingRequest, readSection } from '../../reading/index.js';
import type { ScriptFault } from '../../script/index.js';
import { type SaidFault, sayFaults } from './faults.js';
import type { SaidFinding } from './finding.js';
import { sayFindings } from './findings.js';

/** A section's reading with what there is to say about it. */
export type SaidReading = Omit<Reading, 'faults' | 'chartFaults'> & {
  readonly faults: readonly SaidFault<ScriptFault>[];
  readonly chartFaults: readonly SaidFault<ChartFault>[];
  readonly findings: readonly SaidFinding[];
};

/** Reads a section and says what was found. */
export function readAloud(request: ReadingRequest): SaidReading {
  const reading = readSection(request);
  return {
    ...reading,
    faults: sayFaults(reading.faults),
    chartFaults: sayFaults(reading.chartFaults),
    findings: sayFindings({ ...request, ...reading }),
  };
}
