import { TAUGHT_FORMS, type TaughtForm } from '../../catalogue/index.js';
import type { ChordNotes } from '../../chord/index.js';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { STRINGS } from '../../time/index.js';

/** A taught form in its place. */
export interface PlacedForm {
  readonly frets: FromSix;
  /** A shell or half barre, or moved along the neck with four strings or fewer. */
  readonly small: boolean;
}
/** Frets from string 6 on; a whole shape, or as much of it as is chosen. */
type FromSix = readonly (number | null)[];

interface Placeable {
  readonly frets: FromSix;
  readonly moves: boolean;
  /** It comes after whole forms wherever it is held. */
  readonly small: boolean;
  /** Pitch class of its root, and of all it sounds against that. */
  readonly root: number;
  readonly tones: ReadonlySet<number>;
  /** The lowest note against the root; 0 where that is the root itself. */
  readonly over: number;
}
function placeable({ frets: text, root: string, moves, small = false }: TaughtForm): Placeable {
  const frets = text.split('-').map((f) => (f === 'x' ? null : Number(f)));
  const pitch = (i: number) => (STANDARD_TUNING[i] ?? 0) + (frets[i] ?? 0);
  const root = pitch(STRINGS.indexOf(string)) % 12;
  const tones = new Set(frets.flatMap((f, i) => (f === null ? [] : [(pitch(i) - root) % 12])));
  const lowest = pitch(frets.findIndex((f) => f !== null));
  return { frets, moves, small, root, tones, over: (lowest - root + 120) % 12 };
}
/** Strings of a form that leaves the deep basses out. */
const SMALL = 4;
const FORMS = TAUGHT_FORMS.map(placeable);

/**
 * The taught forms that are this chord over its bass, each in its places on the neck: open where it is learned, and moved with its root
 * where it can go along. Where strings are left out on purpose, forms are taken without them.
 */
export function formsOf(
  { root, bass, tones }: ChordNotes,
  capo: number,
  highest: number,
  allowed: (index: number) => boolean,
): PlacedForm[] {
  const all = new Set(tones.map((t) => (t.pitchClass - root + 12) % 12));
  const needed = tones.filter((t) => t.needed).map((t) => (t.pitchClass - root + 12) % 12);
  // From the capo on everything sounds higher by it.
  const asShaped = (root - capo + 120) % 12;
  const below = bass === null ? 0 : (bass - root + 12) % 12;
  return FORMS.flatMap((form): PlacedForm[] => {
    if (form.over !== below) return [];
    if (needed.some((t) => !form.tones.has(t)) || [...form.tones].some((t) => !all.has(t))) return [];
    const lowest = Math.min(...form.frets.filter((f) => f !== null));
    const up = (asShaped - form.root + 12) % 12;
    const moves = form.moves ? [up, up - 12].filter((by) => lowest + by >= 0) : up === 0 ? [0] : [];
    return moves
      .map((by) => ({
        frets: form.frets.map((f, i) => (f === null || !allowed(i) ? null : f + by)),
        small: form.small || (form.moves && lowest + by > 0 && form.frets.filter((f) => f !== null).length <= SMALL),
      }))
      .filter(({ frets }) => frets.every((f) => f === null || f <= highest));
  });
}

/** What a shape is to the taught forms; of a beginning, the best that any ending of it can be. */
export type Nearness = 'taught' | 'small' | 'part' | 'none';
const NEAREST: readonly Nearness[] = ['taught', 'small', 'part', 'none'];
export function nearestForm(forms: readonly PlacedForm[], frets: FromSix): Nearness {
  let nearest = 3;
  for (const form of forms) {
    let [same, within] = [true, true];
    for (let i = 0; i < frets.length && within; i++) {
      const fret = frets[i] ?? null;
      if (fret === (form.frets[i] ?? null)) continue;
      same = false;
      if (fret !== null) within = false;
    }
    if (within) nearest = Math.min(nearest, same ? (form.small ? 1 : 0) : 2);
  }
  return NEAREST[nearest] ?? 'none';
}
