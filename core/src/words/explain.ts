/** What is found and said in one go, in English: for specs, tools, and whoever wants no facts between. */
import type { ChartFault } from '../chart/index.js';
import { type FindingMatter, findingsOf } from '../findings/index.js';
import type { Cell } from '../catalogue/index.js';
import type { Ask } from '../player/index.js';
import { type Reading, type ReadingRequest, readSection } from '../reading/index.js';
import { cellFaults, type ScriptFault } from '../script/index.js';
import { type FitAnswer, fitFacts, type FitRequest } from '../solve/fit-cycle/index.js';
import { type LineAnswer, lineRemarks, type LineRequest, noteFacts } from '../solve/finger-line/index.js';
import { fretFacts, type FretLineRequest, type Placed } from '../solve/fret-line/index.js';
import {
  type FretReason,
  type NoteReason,
  sayAll,
  sayFact,
  sayFault,
  sayFaults,
  sayFit,
  sayFretting,
  sayLineRemark,
  sayNote,
  type SaidFault,
  type SaidFinding,
} from './en/index.js';

/** What there is to say about a section, in sentences, what can't be as it stands first. */
export const sayFindings = (m: FindingMatter): SaidFinding[] => sayAll(findingsOf(m));

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
/** Why a chain costs what it costs. */
export const explainFit = (request: FitRequest, answer: FitAnswer): string[] =>
  sayFit(fitFacts(request, answer), request);
/** What a fingering is like to play: crossings, anchor, rings that are touched, the seam. */
export const explainLine = (request: LineRequest, answer: LineAnswer): string[] =>
  lineRemarks(request, answer).map(sayLineRemark);
/** For every note what its finger does there. */
export const explainNotes = (request: LineRequest, answer: LineAnswer): NoteReason[] =>
  noteFacts(request, answer).map(sayNote);
/** For every event of a fretted line why its fingers stand there. */
export const explainFretting = (ask: Ask<FretLineRequest>, steps: readonly (readonly Placed[])[]): FretReason[] =>
  fretFacts(ask, steps).map(sayFretting);
/** Every fault of an own cell, those of its script with what would work. */
export function sayCellFaults(cell: Cell): string[] {
  const { facts, script } = cellFaults(cell);
  return [...facts.map(sayFact), ...script.map(sayFault)];
}
