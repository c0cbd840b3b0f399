/**
 * What a chain of cells pays, in points. One line of reason for each; a school is another set.
 */
export interface FitWeights {
  /** An accent of weight 1 met by nothing: worst, the listener hears a hole. */
  readonly silent: number;
  /** An accent of weight 1 met by a stroke of no strength; less in proportion to its strength. */
  readonly weak: number;
  /** A cell's strong stroke between the accents: it claps against the cycle. */
  readonly off: number;
  /** A finger that has only half the time it needs; in proportion to what is missing. */
  readonly late: number;
  /** The hand must turn back without a stroke where two cells join. */
  readonly joint: number;
  /** Every different cell beyond the first: more to learn, more joints of different kinds. */
  readonly variety: number;
  /** The same turning back where the chain joins its own beginning: heard in every turn. */
  readonly seam: number;
}
export const FIT_WEIGHTS: FitWeights = {
  silent: 1000,
  weak: 600,
  off: 90,
  late: 800,
  joint: 120,
  variety: 70,
  seam: 180,
};
/** Schools of fitting: what comes first when not all can be had. */
export const FIT_SCHOOLS: readonly { readonly name: string; readonly note: string; readonly weights: FitWeights }[] = [
  { name: 'Balanced', note: 'Accents, hand and memory in their usual order.', weights: FIT_WEIGHTS },
  {
    name: 'Accents first',
    note: 'The strong stroke on every accent, whatever the hand must do.',
    weights: { ...FIT_WEIGHTS, weak: 1200, off: 160, joint: 40, seam: 60, variety: 20 },
  },
  {
    name: 'Easy hand',
    note: 'Never turned back, never hurried; accents may be softer.',
    weights: { ...FIT_WEIGHTS, weak: 300, off: 30, late: 1600, joint: 320, seam: 420 },
  },
  { name: 'Few cells', note: 'As little to learn as will do.', weights: { ...FIT_WEIGHTS, variety: 400 } },
];
