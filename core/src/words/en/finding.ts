import type { FindingCode, Tone } from '../../findings/index.js';

/** A finding as it is told. */
export interface SaidFinding {
  readonly code: FindingCode;
  readonly tone: Tone;
  readonly title: string;
  readonly lines: readonly string[];
  /** The pattern's slot that it is about, where it is about one. */
  readonly slot?: number;
}
