/** A text at its place, which begins or is centred there. */
export interface Placed {
  readonly x: number;
}
/**
 * Texts beside one another: one that would run into the next is drawn as narrow as there is room.
 * @param textOf what stands there
 * @param letter width of a letter about
 * @param centred a text reaches to both sides of its place
 * @returns each with the width that it is pressed into; null where it has room
 */
export function fitted<T extends Placed>(
  all: readonly T[],
  textOf: (own: T) => string,
  letter: number,
  centred = false,
): (T & { readonly narrow: number | null })[] {
  return all.map((own, i) => {
    const behind = (all[i + 1]?.x ?? Infinity) - own.x;
    const before = centred ? own.x - (all[i - 1]?.x ?? -Infinity) : Infinity;
    const room = Math.min(behind, before) - APART;
    return { ...own, narrow: textOf(own).length * letter > room ? Math.max(letter, room) : null };
  });
}
/** What is left free between two. */
const APART = 6;
