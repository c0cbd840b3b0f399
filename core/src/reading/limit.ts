import type { CeilingCause, HandLoad } from '../right-hand/index.js';
import type { LeftLoad, LeftMove } from '../score/index.js';

/** Which hand sets the highest tempo, and by what. */
export type Limit =
  | { readonly hand: 'right'; readonly ceiling: number; readonly cause: CeilingCause }
  | { readonly hand: 'left'; readonly ceiling: number; readonly move: LeftMove };

/**
 * The lower of the two hands' ceilings, in counts a minute; null where neither has one.
 * @example limitOf({ load: { ceiling: null, cause: null }, left: null }) // null
 */
export function limitOf({
  load,
  left,
}: {
  readonly load: Pick<HandLoad, 'ceiling' | 'cause'>;
  readonly left: LeftLoad | null;
}): Limit | null {
  const right: Limit | null =
    load.ceiling === null || !load.cause ? null : { hand: 'right', ceiling: load.ceiling, cause: load.cause };
  return left && (!right || left.ceiling < right.ceiling) ? { hand: 'left', ...left } : right;
}
