/**
 * What a chain of cells pays, in points. One line of reason for each; a school is another set.
 */
export interface FitWeights {
  /** An accent of weight 1 met by nothing: worst, the listener hears a hole. */
  readonly silent: number;
  /** An accent of weight 1 met by a stroke of no strength; less in proportion to its strength. */
  readonly weak: number;
  /** An accent of weight 1 that no cell leans on by a mark, by its last stroke or by landing there. */
  readonly lean: number;
  /** An accent of weight 1 met by an up stroke: the arm falls into an accent, it does not rise into it. */
  readonly up: number;
  /** A stroke that is marked, or landed on, between the accents: it claps against the cycle. Others are no fault. */
  readonly off: number;
  /** A chord that is plucked between the accents: comping strikes them, and leaves room. A bass may go on. */
  readonly chord: number;
  /** A finger that has only half the time it needs; in proportion to what is missing. */
  readonly late: number;
  /** The hand goes the same way twice where two cells join, with half the time to turn back; in proportion to what is missing. */
  readonly joint: number;
  /** Every different cell beyond the first: more to learn, more joints of different kinds. */
  readonly variety: number;
  /** The same turning back where the chain joins its own beginning: heard in every turn. */
  readonly seam: number;
  /** For each count, and each time that the strokes are twice as many, or half as many, as the style has. */
  readonly density: number;
  /** A cell played at half, or twice, its natural length. */
  readonly natural: number;
  /** Where two cells join, strokes twice as fast or half as fast. */
  readonly speed: number;
  /** The same for the thumb's basses: they are to be steady. */
  readonly thumb: number;
  /** A stroke of full strength on a place that is wished silent. */
  readonly wished: number;
}
export const FIT_WEIGHTS: FitWeights = {
  silent: 1000,
  weak: 600,
  lean: 110,
  up: 100,
  off: 90,
  chord: 40,
  late: 800,
  joint: 120,
  variety: 70,
  seam: 180,
  density: 40,
  natural: 60,
  speed: 20,
  thumb: 200,
  wished: 150,
};
/** Schools of fitting: what comes first when not all can be had. */
export const FIT_SCHOOLS: readonly { readonly id: string; readonly weights: FitWeights }[] = [
  { id: 'balanced', weights: FIT_WEIGHTS },
  {
    id: 'accents',
    weights: { ...FIT_WEIGHTS, weak: 1200, off: 160, joint: 40, seam: 60, variety: 20, natural: 30 },
  },
  {
    id: 'easy',
    weights: { ...FIT_WEIGHTS, weak: 300, off: 30, late: 1600, joint: 320, seam: 420, density: 20, speed: 60 },
  },
  { id: 'few', weights: { ...FIT_WEIGHTS, variety: 400 } },
];
