/** What stands at one time of a bar: how long until the next, and the room that it takes about its place. */
export interface Spaced {
  readonly lasts: number;
  readonly left: number;
  readonly right: number;
}
/** How much wider a longer sign is: of twice the length, so often as wide. */
const LONGER = 0.7;
/** Between what stands beside one another. */
const APART = 3;
/** Halvings until places are exact to a part of a unit. */
const STEPS = 40;

/**
 * Places of signs across a bar: signs of one length lie equally far apart, whatever stands before them, as long as there
 * is room for it; longer ones have more, in a law that flattens.
 * @param signs in their order
 * @param width from the first one's room to the last one's end
 * @returns a place for each, from the left edge
 */
export function spaced(signs: readonly Spaced[], width: number): number[] {
  const [first] = signs;
  if (!first) return [];
  const shortest = Math.max(1, Math.min(...signs.map((s) => s.lasts)));
  const wish = signs.map((s) => (Math.max(shortest, s.lasts) / shortest) ** LONGER);
  const least = signs.map((s, i) => s.right + (signs[i + 1]?.left ?? 0) + APART);
  const room = Math.max(0, width - first.left);
  const sum = (unit: number) => wish.reduce((all, w, i) => all + Math.max(least[i] ?? 0, w * unit), 0);
  // Where not even the least finds room everything is narrower alike.
  const tight = sum(0);
  const shrink = tight > room ? room / tight : 1;
  let [low, high] = [0, room];
  for (let n = 0; n < STEPS && shrink === 1; n++) {
    const middle = (low + high) / 2;
    if (sum(middle) > room) high = middle;
    else low = middle;
  }
  let x = first.left;
  return signs.map((_, i) => {
    const here = x;
    x += Math.max(least[i] ?? 0, (wish[i] ?? 1) * low) * shrink;
    return here;
  });
}
