/** Something that could be written. */
export interface Offer {
  readonly text: string;
  /** What it means, beside it. */
  readonly says: string;
}
export interface Offers {
  /** Where in the text before the cursor the word begins that an offer takes the place of. */
  readonly from: number;
  readonly offers: readonly Offer[];
  /** Shown without being asked for. */
  readonly unasked: boolean;
}
/** What could stand behind the text before the cursor; null when there is nothing to offer. */
export type Complete = (before: string) => Offers | null;
