import { figuresOf } from './figures.js';
import { isFree, kindsByNote, stretchesOf } from './kinds.js';
import type { Passage, PassageNote, PassageReading, PassageVoice } from './model.js';
import { pedalsOf } from './pedals.js';
import { fromThickest } from './strings.js';
import { readByStroke, strokeParts } from './strums.js';
import { texturesOf } from './textures.js';
import { type TremoloGroup, tremoloGroups, turnsOf } from './tremolo-groups.js';

/** Reads voices and kinds of a passage in one go; everything that asks who plays what asks this. */
export function readPassage(passage: Passage): PassageReading {
  const { notes, bpm, profile, loops = false } = passage;
  const known = readings.get(notes);
  if (known?.bpm === bpm && known.profile === profile && known.loops === loops) return known.reading;
  const parts = partsOf(notes).flatMap((own) => strokeParts(own));
  const apart = parts.map(({ notes: own, kind }) => {
    const part = { ...passage, notes: own, loops: loops && parts.length === 1 };
    return kind === 'plucked' ? readPlucks(part) : readByStroke(own, kind, isFree(part));
  });
  const reading = joined(answered(apart, isFree(passage)));
  readings.set(notes, { bpm, profile, loops, reading });
  return reading;
}
/** The same notes are asked about again and again. */
const readings = new WeakMap<
  Passage['notes'],
  Required<Omit<Passage, 'notes'>> & { readonly reading: PassageReading }
>();

/** Indices of the notes whose string is a pedal: all that is asked where nothing else is. */
export const pedalNotes = ({ notes }: Pick<Passage, 'notes'>): ReadonlySet<number> => {
  const found = new Set<number>();
  let begin = 0;
  for (const { notes: own, kind } of partsOf(notes).flatMap((part) => strokeParts(part))) {
    const pedals = kind === 'plucked' ? pedalsOf(own, groupedIn(tremoloGroups({ notes: own }))) : [];
    for (let i = 0; i < own.length; i++) if (own[i]?.strings.some((s) => s === pedals[i])) found.add(begin + i);
    begin += own.length;
  }
  return found;
};
/** Notes of groups on one string, the low one with them. */
const groupedIn = (groups: readonly TremoloGroup[]): ReadonlySet<number> =>
  new Set(groups.flatMap((g) => Array.from({ length: g.over + 1 }, (_, n) => g.from + n)));

/** After so long without a stroke, in ticks, a hand begins afresh: what comes then is read by itself. */
export const PARTED_BY = 10_080;
/** Whether a hand begins afresh from one note to the next. */
export const areParted = (from: { readonly at: number }, to: { readonly at: number }): boolean =>
  to.at - from.at >= PARTED_BY;
function partsOf(notes: Passage['notes']): Passage['notes'][] {
  const parts: PassageNote[][] = [[]];
  notes.forEach((note, i) => {
    const before = notes[i - 1];
    if (before && areParted(before, note)) parts.push([]);
    parts.at(-1)?.push(note);
  });
  return parts;
}
/** A bass that stands alone, however long it lasts, and the chords beside it that answer: comping, slow as it is. */
function answered(parts: readonly PassageReading[], free: boolean): readonly PassageReading[] {
  const lone = (p: PassageReading | undefined) => p?.kinds.length === 1 && p.bass[0] === true;
  const chords = (p: PassageReading | undefined) => !!p && p.kinds.every((k) => k === 'block chords') && !p.bass[0];
  return parts.map((p, n) => {
    const beside = [parts[n - 1], parts[n + 1]];
    const isComping = (lone(p) && beside.some(chords)) || (chords(p) && beside.some(lone));
    if (!isComping) return p;
    const kinds = p.kinds.map(() => 'comping' as const);
    return { ...p, kinds, stretches: [{ kind: 'comping', from: 0, to: kinds.length, free }] };
  });
}
function joined(parts: readonly PassageReading[]): PassageReading {
  const [first] = parts;
  if (first && parts.length === 1) return first;
  const begins: number[] = [];
  let notes = 0;
  for (const p of parts) {
    begins.push(notes);
    notes += p.kinds.length;
  }
  const all = <T>(of: (p: PassageReading, from: number) => readonly T[]): T[] =>
    parts.flatMap((p, n) => of(p, begins[n] ?? 0));
  return {
    voices: all((p) => p.voices),
    bass: all((p) => p.bass),
    stretches: all((p, from) => p.stretches.map((s) => ({ ...s, from: s.from + from, to: s.to + from }))),
    kinds: all((p) => p.kinds),
    sets: all((p) => p.sets),
    groups: all((p) => p.groups),
    figures: all((p, from) => p.figures.map((f) => f + from)),
  };
}

function readPlucks(passage: Passage): PassageReading {
  const { notes } = passage;
  const groups = tremoloGroups(passage);
  const lows = new Set(groups.map((g) => g.from));
  const ends = new Set(groups.map((g) => g.from + g.over + 1));
  const over = groupedIn(groups);
  const textures = texturesOf(passage, over);
  for (const i of over) textures[i] = 'figure';
  const pedals = pedalsOf(notes, over);
  const { bass, sets, begins } = figuresOf({ notes, textures, lows, ends, pedals });
  const kinds = kindsByNote(passage, { bass, sets, begins, textures, groups, pedals });
  const voices = notes.map((note, i): PassageVoice[] =>
    fromThickest(note).map((string, n, all): PassageVoice => {
      if (pedals[i] === string) return 'pedal';
      if (n === 0 && bass[i]) return 'bass';
      if (kinds[i] === 'arpeggio' && all.length === 1) return 'inner';
      return n === all.length - 1 && kinds[i] !== 'block chords' && kinds[i] !== 'comping' ? 'melody' : 'inner';
    }),
  );
  return {
    voices,
    bass,
    stretches: stretchesOf(passage, bass, kinds),
    kinds,
    sets,
    groups: turnsOf(passage, groups),
    figures: begins,
  };
}
