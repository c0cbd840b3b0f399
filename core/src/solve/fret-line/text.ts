import { readChord, transposeChord } from '../../chord/index.js';
import { quoted, type ScriptFault } from '../../fault/index.js';
import { pitchOf } from '../../instrument/index.js';
import type { StoppedNote } from '../../left-hand/index.js';
import { isStringNumber, stepTicks, ticks, type Ticks } from '../../time/index.js';
import type { LineNote } from '../finger-line/index.js';
import type { FretEvent, FretNote, Placed } from './model.js';

/** One step of a melody as typed. */
export type NoteStep =
  { readonly kind: 'notes'; readonly event: number } | { readonly kind: 'rest' } | { readonly kind: 'hold' };
export interface ReadNotes {
  readonly steps: readonly NoteStep[];
  readonly events: readonly FretEvent[];
  readonly accents: readonly boolean[];
  readonly length: Ticks;
  readonly faults: readonly ScriptFault[];
}
export const LONGEST_NOTES_TEXT = 60_000;

/**
 * Reads a melody by note names: `e4 f#4 g4`, each a step; `[a2~ e4]` sound together; `.` rests, `-` holds.
 * `~` after a note lets it ring until the next one marked so, or the end: a bass under a melody. `e4/2` asks
 * for string 2, `e4=3` pins finger 3, `!` is an accent. `(Am7)` is a chord, its shape chosen with the line;
 * what rang before it ends there.
 */
export function readNotes(text: string, stepsPerCount: number): ReadNotes {
  const step = stepTicks(stepsPerCount) ?? ticks(2520);
  const steps: NoteStep[] = [];
  const faults: ScriptFault[] = [];
  const accents: boolean[] = [];
  const events: { at: Ticks; notes: (FretNote & { bass: boolean })[]; chord?: string; bass?: boolean }[] = [];
  if (text.length > LONGEST_NOTES_TEXT) {
    const message = `A melody holds ${LONGEST_NOTES_TEXT} letters at most; this one has ${text.length}.`;
    return {
      steps,
      events: [],
      accents,
      length: ticks(0),
      faults: [{ from: LONGEST_NOTES_TEXT, to: text.length, message }],
    };
  }
  for (const m of text.matchAll(
    /\(([^)]*)\)?([~!]*)|\[([^\]]*)\]?|([.-])(?=\s|$|\[|\(|\|)|[\s|]+|([^\s|[\](]+)|(\])/gs,
  )) {
    const [whole, chord, marks = '', together, quiet, single] = m;
    const place = { from: m.index, to: m.index + whole.length };
    if (/^[\s|]*$/.test(whole)) continue;
    if (quiet) {
      steps.push({ kind: quiet === '.' ? 'rest' : 'hold' });
      continue;
    }
    if (chord !== undefined) {
      const reading = readChord(chord);
      if (!reading.ok) faults.push({ ...place, message: reading.message });
      accents.push(marks.includes('!'));
      steps.push({ kind: 'notes', event: events.length });
      events.push({
        at: ticks((steps.length - 1) * step),
        notes: [],
        chord: chord.trim(),
        bass: marks.includes('~'),
      });
      continue;
    }
    const parts = (together ?? single ?? whole).split(/\s+/).filter((p) => p !== '');
    const notes = parts.map(readNote);
    const bad = parts.find((_, i) => notes[i] === null);
    if (bad !== undefined || parts.length === 0) {
      faults.push({
        ...place,
        message: `${quoted(bad ?? whole)} is no note. Write names with their octave, e.g. e4 f#4 bb3, [a2~ e4] together, (Am7) for a chord, . for a rest, - to hold.`,
      });
      steps.push({ kind: 'rest' });
      continue;
    }
    accents.push(whole.includes('!'));
    steps.push({ kind: 'notes', event: events.length });
    events.push({ at: ticks((steps.length - 1) * step), notes: notes.flatMap((n) => n ?? []) });
  }
  const length = ticks(steps.length * step);
  return {
    steps,
    accents,
    length,
    faults,
    events: events.map((e, i): FretEvent => {
      // A chord brings its own bass.
      const next = events.slice(i + 1).find((x) => x.chord !== undefined || x.notes.some((n) => n.bass));
      const rings = ticks((next?.at ?? length) - e.at);
      if (e.chord !== undefined) return { at: e.at, notes: [], chord: e.chord, ...(e.bass ? { rings } : {}) };
      return {
        at: e.at,
        notes: e.notes.map(({ bass, ...note }): FretNote => (bass ? { ...note, rings } : note)),
      };
    }),
  };
}

function readNote(text: string): (FretNote & { bass: boolean }) | null {
  const m = /^([a-gA-G][#b♯♭]?[0-8])((?:\/[1-6]|=[0-4]|[~!])*)$/.exec(text);
  const midi = pitchOf(m?.[1] ?? '');
  if (!m || midi === null) return null;
  const marks = m[2] ?? '';
  const string = Number(/\/(\d)/.exec(marks)?.[1] ?? NaN);
  const finger = /=(\d)/.exec(marks)?.[1];
  return {
    midi,
    bass: marks.includes('~'),
    ...(isStringNumber(string) ? { string } : {}),
    ...(finger === undefined ? {} : { finger: Number(finger) as 0 | 1 | 2 | 3 | 4 }),
  };
}

const SHARPS = ['c', 'c#', 'd', 'd#', 'e', 'f', 'f#', 'g', 'g#', 'a', 'a#', 'b'];
const FLATS = ['c', 'db', 'd', 'eb', 'e', 'f', 'gb', 'g', 'ab', 'a', 'bb', 'b'];
/** Signs that are usual on their note whatever the rest has. */
const USUAL = ['c', 'c#', 'd', 'eb', 'e', 'f', 'f#', 'g', 'g#', 'a', 'bb', 'b'];
/**
 * The same melody so many semitones higher, chords too, spelt as the passage is; strings and fingers that were
 * given belong to the old key or capo and go.
 */
export function transposeNotes(text: string, semitones: number): string {
  const count = (sign: RegExp) => text.match(sign)?.length ?? 0;
  const [sharp, flat] = [count(/[a-gA-G][#♯](?=\d)/g), count(/[a-gA-G][b♭](?=\d)/g)];
  const names = sharp === flat ? USUAL : sharp > flat ? SHARPS : FLATS;
  const moved = (name: string): string => {
    const note = semitones === 0 ? null : readNote(name);
    if (!note) return name;
    const midi = note.midi + semitones;
    return `${names[((midi % 12) + 12) % 12] ?? ''}${Math.floor(midi / 12) - 1}`;
  };
  return text
    .replace(/\(([^)]*)\)/g, (_, chord: string) => `(${semitones === 0 ? chord : transposeChord(chord, semitones)})`)
    .replace(
      /(?<!\([^)]*)([a-gA-G][#b♯♭]?[0-8])((?:\/[1-6]|=[0-4]|[~!])*)/g,
      (_, name: string, marks: string) => moved(name) + marks.replace(/\/[1-6]|=[0-4]/g, ''),
    );
}

/** Strings that p i m a pluck together; the thumb sweeps over more. */
const MOST_PLUCKED = 4;

/** A fretted line as the right hand sees it: basses that ring are the thumb's, and chords of five strings or six. */
export function rightHandNotes(read: ReadNotes, placed: readonly (readonly Placed[])[]): LineNote[] {
  return read.events.map((event, i): LineNote => {
    const own = placed[i] ?? [];
    const first = own[0];
    if (event.chord !== undefined && first && own.length > MOST_PLUCKED)
      return {
        at: event.at,
        strings: [first.string],
        sweeps: own.map((p) => p.string),
        ...(event.rings === undefined ? {} : { rings: true }),
        ...(read.accents[i] ? { accent: 1 } : {}),
        layer: 'thumb',
      };
    const rings = event.notes.some((n) => n.rings !== undefined);
    const alone = event.notes.length === 1;
    return {
      at: event.at,
      strings: own.map((p) => p.string),
      frets: own.map((p) => p.fret),
      ...(rings && alone ? { rings: true } : {}),
      ...(read.accents[i] ? { accent: 1 } : {}),
      ...(alone ? { layer: rings ? ('thumb' as const) : ('fingers' as const) } : {}),
    };
  });
}

/** The left hand of a fretted line: what is stopped at every place, with its finger. */
export const stoppedBy = (read: ReadNotes, placed: readonly (readonly Placed[])[]): StoppedNote[] =>
  read.events.flatMap((event, i) =>
    (placed[i] ?? []).map((p): StoppedNote => ({ at: event.at, string: p.string, fret: p.fret, finger: p.finger })),
  );
