/** How much room something has: in time, so near to its limit that it is to be practised little at a time, or late. */
export type Timing = 'in time' | 'near' | 'late';
/** From this share of its limit on it is near. */
const NEAR = 0.9;

/**
 * The room that something has, by the share of its limit that it takes: what it needs of the time that there is, or its
 * tempo of the highest.
 * @example [0.9, 0.91, 1, 1.01].map(roomOf) // ['in time', 'near', 'near', 'late']
 */
export const roomOf = (share: number): Timing => (share > 1 ? 'late' : share > NEAR ? 'near' : 'in time');
/**
 * Whether something that needs so long has no room; nothing needs no time.
 * @param neededMs what it needs
 * @param thereMs what the music leaves
 * @example isLate({ thereMs: 90, neededMs: 140 }) // true
 */
export const isLate = ({ neededMs, thereMs }: { readonly neededMs: number; readonly thereMs: number }): boolean =>
  neededMs > 0 && (thereMs <= 0 || roomOf(neededMs / thereMs) === 'late');
