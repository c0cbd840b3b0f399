import { TAUGHT_FORMS } from '../catalogue/index.js';
import type { FretFromCapo, SixStrings } from '../time/index.js';
import type { LeftFinger } from './shape.js';
import { readShape } from './shape.js';

type Frets = SixStrings<FretFromCapo | null>;
type Fingers = SixStrings<LeftFinger | null>;
const NONE: readonly Fingers[] = [];
/** By frets, as they are learned and moved: what was asked for once is not looked up again. */
const known = new Map<string, readonly Fingers[]>();
const MOST_KNOWN = 2_000;

/**
 * The fingers that methods teach for frets, the first what one is shown; none where the frets are no taught form, or methods
 * don't agree.
 * @example taughtFingers([null, 3, 2, 0, 1, 0])[0].join('-') // '-3-2-0-1-0'
 */
export function taughtFingers(frets: Frets): readonly Fingers[] {
  const key = frets.map((f) => f ?? 'x').join('-');
  const there = known.get(key);
  if (there) return there;
  const found = lookedUp(frets);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, found);
  return found;
}
interface Placeable {
  readonly frets: Frets;
  readonly moves: boolean;
  readonly open: readonly Fingers[];
  readonly barred: readonly Fingers[];
}
let forms: readonly Placeable[] | null = null;
const placeable = (): readonly Placeable[] =>
  TAUGHT_FORMS.filter((f) => f.fingers.length + f.barred.length > 0).map(({ frets, fingers, barred, moves }) => ({
    moves,
    frets: readShape(frets, '').frets,
    open: fingers.map((f) => readShape(frets, f).fingers),
    barred: barred.map((f) => fingersFrom(f)),
  }));
/** Under a barre every string has a finger. */
const fingersFrom = (text: string): Fingers =>
  text.split('-').map((f) => (f === 'x' ? null : Number(f))) as unknown as Fingers;

function lookedUp(frets: Frets): readonly Fingers[] {
  forms ??= placeable();
  for (const form of forms) {
    const by = movedBy(form.frets, frets);
    // What becomes open on the way down is another form.
    if (by === null || (by !== 0 && !form.moves) || (by < 0 && frets.includes(0))) continue;
    // A form without open strings has the same fingers wherever it is.
    const barred = by > 0 && form.frets.includes(0);
    return barred ? form.barred : form.open;
  }
  return NONE;
}
/** So many frets higher; null where they are no form moved. */
function movedBy(form: Frets, frets: Frets): number | null {
  let by: number | null = null;
  for (let i = 0; i < form.length; i++) {
    const [a, b] = [form[i] ?? null, frets[i] ?? null];
    if ((a === null) !== (b === null)) return null;
    if (a === null || b === null) continue;
    if (by !== null && b - a !== by) return null;
    by = b - a;
  }
  return by;
}
/**
 * Whether fingers are others than those that are taught for their frets; never where none are.
 * @example areOthers({ frets: [0, 2, 0, 1, 0, 0], fingers: [0, 3, 0, 2, 0, 0] }) // true
 */
export function areOthers({ frets, fingers }: { readonly frets: Frets; readonly fingers: Fingers }): boolean {
  const taught = taughtFingers(frets);
  return taught.length > 0 && !taught.some((own) => own.every((f, i) => f === fingers[i]));
}
