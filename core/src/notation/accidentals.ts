import { alterIn, type Signature } from './signature.js';
import { ALTER, type Spelled } from './spelled.js';

/** An accidental as it stands before a head; `n` takes one back. */
export type ShownAccidental = 'n' | Exclude<Spelled['accidental'], ''>;
/** A note of a bar, told by whoever asks. */
export interface SpelledNote<Key> extends Spelled {
  readonly key: Key;
}
/**
 * The accidentals of a bar: a line keeps what stood on it last, and begins as the signature has it.
 * @param notes in time, of both voices; those that are tied from before or have no pitch are left out
 * @example [...shownAccidentals([{ key: 1, letter: 'F', accidental: '#', octave: 4 }, { key: 2, letter: 'F', accidental: '', octave: 4 }], 1)] // [[2, 'n']]
 */
export function shownAccidentals<Key>(
  notes: readonly SpelledNote<Key>[],
  signature: Signature,
): Map<Key, ShownAccidental> {
  const now = new Map<string, number>();
  const shown = new Map<Key, ShownAccidental>();
  for (const { key, letter, accidental, octave } of notes) {
    const [line, alter] = [`${letter}${octave}`, ALTER[accidental]];
    if ((now.get(line) ?? alterIn(signature, letter)) !== alter) shown.set(key, accidental === '' ? 'n' : accidental);
    now.set(line, alter);
  }
  return shown;
}
