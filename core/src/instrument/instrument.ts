import type { Tuning } from './tuning.js';

export interface Instrument {
  readonly tuning: Tuning;
  readonly capo: number;
}
