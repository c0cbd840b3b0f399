import { isBassString } from '../stroke/index.js';
import type { Passage, PassageNote } from './model.js';
import { type StringNumber, TICKS_PER_COUNT } from '../time/index.js';
import { isSingle, settledHand, stringsApart, thickest } from './strings.js';

/** A low note with several notes on one thinner string after it. */
export interface TremoloGroup {
  readonly from: number;
  /** Notes after the low one. */
  readonly over: number;
  /** The same of the whole groups beside it, where this one is cut short. */
  readonly whole: number;
}
/** Fewer notes over a bass are no group. */
const FEWEST_OVER = 2;

/** How many notes on one string, thinner than this one's, follow it. */
function over(notes: readonly PassageNote[], from: number): number {
  const [low, first] = [notes[from], notes[from + 1]];
  if (!low || !isSingle(first) || thickest(first) >= thickest(low)) return 0;
  // On strings 6 to 4 there is no tremolo.
  if (isBassString(thickest(first))) return 0;
  // What is struck with the low note is the first of those over it.
  if (low.strings.length > 1 && !low.strings.includes(first.strings[0] as StringNumber)) return 0;
  const thin = !isBassString(thickest(low));
  const before = notes[from - 1];
  // What goes on from its own string, or from a thicker one, begins nothing on a thin one.
  if (before && thin && thickest(before) >= thickest(low)) return 0;
  let to = from + 1;
  for (let n = notes[to]; isSingle(n) && n.strings[0] === first.strings[0]; n = notes[++to]) {
    if (settledHand(n) === 'thumb' || (n.pinned && n.pinned[0] === notes[to - 1]?.pinned?.[0])) break;
    // Over a thin string a voice that moves is a melody that has dipped.
    if (thin && (n.frets?.[0] ?? 0) !== (first.frets?.[0] ?? 0)) return 0;
  }
  return to - from - 1;
}
/** Where a low note may begin groups: on strings 6 to 4 anywhere, on others at the beginning or on a count. */
const mayBegin = (notes: readonly PassageNote[], at: number): boolean =>
  at === 0 || isBassString(thickest(notes[at] as PassageNote)) || (notes[at]?.at ?? 0) % TICKS_PER_COUNT === 0;

/** Low notes of neighbouring groups farther apart than so many strings are no voice. */
const FARTHEST = 2;
const isOneVoice = (notes: readonly PassageNote[], chain: readonly TremoloGroup[], at: number): boolean => {
  const [before, now] = [notes[chain.at(-1)?.from ?? -1], notes[at]];
  return !before || !now || stringsApart(before, now) <= FARTHEST;
};

/**
 * Groups of a low note and several on one thinner string: two or more of the same length one after another, the last
 * perhaps cut short, or one that leaps down to strings 6 to 4. The low note may lie on any string: it begins its group as
 * its neighbours do.
 */
export function tremoloGroups({ notes }: Pick<Passage, 'notes'>): TremoloGroup[] {
  const found: TremoloGroup[] = [];
  for (let i = 0; i < notes.length;) {
    const chain: TremoloGroup[] = [];
    for (let at = i; ;) {
      const own = over(notes, at);
      const first = chain[0];
      const last = at + own + 1 >= notes.length;
      if (own === 0 || (first && (own > first.over || (own < first.over && !last) || !isOneVoice(notes, chain, at))))
        break;
      if (!first && (own < FEWEST_OVER || !mayBegin(notes, at))) break;
      chain.push({ from: at, over: own, whole: first?.whole ?? own });
      at += own + 1;
    }
    const [first] = chain;
    const [low, next, before, after] = [notes[i], notes[i + 1], notes[i - 1], notes[i + (first?.over ?? 0) + 1]];
    const alone =
      low &&
      next &&
      isBassString(thickest(low)) &&
      stringsApart(low, next) > 1 &&
      (!before || stringsApart(before, low) > 1) &&
      (!after || isBassString(thickest(after)));
    if (first && (chain.length > 1 || alone)) {
      found.push(...chain);
      i = (chain.at(-1)?.from ?? i) + (chain.at(-1)?.over ?? 0) + 1;
    } else i++;
  }
  return found;
}

/** Which note of its group each is: one struck with the low one, on the string of the others, is the first over it. */
export function turnsOf({ notes }: Passage, groups: readonly TremoloGroup[]): ({ turn: number; of: number } | null)[] {
  const turns: ({ turn: number; of: number } | null)[] = notes.map(() => null);
  for (const { from, over: own, whole } of groups) {
    const over = notes[from + 1]?.strings[0];
    const pinch = over !== undefined && notes[from]?.strings.includes(over) ? 1 : 0;
    for (let n = 0; n <= own; n++) turns[from + n] = { turn: n - 1 + pinch, of: whole + pinch };
  }
  return turns;
}
