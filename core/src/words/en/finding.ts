import type { Finding, FindingCode, Tone } from '../../findings/index.js';

/** What a finding is in sentences. */
export interface Said {
  readonly title: string;
  readonly lines: readonly string[];
  /** What to do about it, for whom no remedy is offered; of what is told it is the last line. */
  readonly hint?: string;
}
/** A finding as it is told, or several of one code told together. */
export interface SaidFinding extends Said {
  readonly code: FindingCode;
  readonly tone: Tone;
  /** The pattern's slot that it is about, where it is about one. */
  readonly slot?: number;
  /** What is told: each can be asked for what would end it. */
  readonly of: readonly Finding[];
}
