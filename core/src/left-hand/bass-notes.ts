import { BASS_STRINGS } from '../stroke/index.js';
import { fifthOf, readChord } from '../chord/index.js';
import { type Instrument, openPitch } from '../instrument/index.js';
import { type FretFromCapo, type StringNumber, STRINGS } from '../time/index.js';
import { soundingSymbol } from './named-as-held.js';
import { bassString, HIGHEST_FRET, type Shape } from './shape.js';

/** A place on the neck: string and fret from the capo. */
export interface NeckPlace {
  readonly string: StringNumber;
  readonly fret: FretFromCapo;
}
type Named = Pick<Shape, 'frets' | 'name' | 'chord'>;
const PERFECT_FIFTH = 7;

const fretOn = (shape: Named, string: StringNumber): number | null => shape.frets[STRINGS.indexOf(string)] ?? null;
function bassOf(shape: Named, { tuning, capo }: Instrument) {
  const string = bassString(shape) ?? 6;
  const fret = fretOn(shape, string) ?? 0;
  return { string, fret, pitch: openPitch(tuning, string, capo) + fret };
}

/** Frets that a bass costs whose string the shape holds elsewhere. */
const TAKEN = 3;

/**
 * Where a chord's fifth lies as a bass, beside its root: on another bass string, under the hand. Of a chord that is no
 * symbol it is the fifth over its bass.
 * @example fifthInBass({ name: 'Cmaj7', frets: [null, 3, 5, 4, 5, null] }, { tuning: STANDARD_TUNING, capo: 0 }) // { string: 6, fret: 3 }
 */
export function fifthInBass(shape: Named, instrument: Instrument): NeckPlace {
  const bass = bassOf(shape, instrument);
  const named = readChord(soundingSymbol(shape.chord ?? shape.name, shape, instrument));
  const wanted = named.ok ? fifthOf(named.chord) : (bass.pitch + PERFECT_FIFTH) % 12;
  const places = BASS_STRINGS.flatMap((string) => {
    const open = openPitch(instrument.tuning, string, instrument.capo);
    const first = (((wanted - open) % 12) + 12) % 12;
    return [first, first + 12].filter((fret) => fret <= HIGHEST_FRET).map((fret) => ({ string, fret }));
  });
  return (
    best(
      places.filter((p) => p.string !== bass.string),
      shape,
      bass,
    ) ?? bass
  );
}

/**
 * A note that leads on to the next chord's bass, from a semitone below, or above where there is none below.
 * @example leadNote({ name: 'G', frets: [3, 2, 0, 0, 0, 3] }, { name: 'C', frets: [null, 3, 2, 0, 1, 0] }, { tuning: STANDARD_TUNING, capo: 0 }) // { string: 5, fret: 2 }
 */
export function leadNote(shape: Named, next: Named, instrument: Instrument): NeckPlace {
  const bass = bassOf(shape, instrument);
  const to = bassOf(next, instrument);
  const from = (by: number) =>
    BASS_STRINGS.flatMap((string) => {
      const fret = to.pitch + by - openPitch(instrument.tuning, string, instrument.capo);
      return fret >= 0 && fret <= HIGHEST_FRET ? [{ string, fret }] : [];
    });
  return best(from(-1), shape, { ...bass, fret: to.fret, string: to.string }) ?? best(from(1), shape, bass) ?? bass;
}

function best(places: readonly NeckPlace[], shape: Named, from: NeckPlace): NeckPlace | null {
  const cost = ({ string, fret }: NeckPlace) => {
    const held = fretOn(shape, string);
    // An open string needs no finger wherever the hand is.
    const way = fret === 0 ? 0 : Math.abs(fret - from.fret);
    return way + (held === null || held === fret ? 0 : TAKEN);
  };
  return [...places].sort((a, b) => cost(a) - cost(b) || b.string - a.string)[0] ?? null;
}
