import type { Reading, ReadingRequest } from '../../reading/index.js';

export type Tone = 'plain' | 'good' | 'watch' | 'late';
export interface Finding {
  readonly id:
    | 'round'
    | 'accents'
    | 'weak'
    | 'missed'
    | 'start'
    | 'hand'
    | 'plants'
    | 'ceiling'
    | 'span'
    | 'block'
    | 'barre'
    | 'tie'
    | 'struck'
    | 'tones'
    | 'name';
  readonly tone: Tone;
  readonly title: string;
  readonly lines: readonly string[];
  /** The pattern's slot that it is about, where it is about one. */
  readonly slot?: number;
}
/** What findings are made of: what was asked, and what was read. */
export type FindingMatter = ReadingRequest & Omit<Reading, 'plan' | 'countIn' | 'faults'>;

/** Where a finding leads, when it leads anywhere. */
export const aboutSlot = (slot: number | null | undefined): Pick<Finding, 'slot'> =>
  slot === null || slot === undefined ? {} : { slot };
