import { readChord, transposeChord } from '../../chord/index.js';
import { quoted, type TextFault, textFault } from '../../fault/index.js';
import { type Instrument, openPitch, pitchOf, STANDARD_TUNING } from '../../instrument/index.js';
import { HIGHEST_FRET, type StoppedNote } from '../../left-hand/index.js';
import { writeOutText } from '../../script/index.js';
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
  readonly faults: readonly NotesFault[];
}
export type NotesFault = TextFault<'melody too long' | 'no note' | 'no chord'>;
export const LONGEST_NOTES_TEXT = 60_000;

interface WrittenEvent {
  readonly at: Ticks;
  readonly notes: readonly (FretNote & { readonly bass: boolean })[];
  readonly chord?: string;
  readonly bass?: boolean;
}
/**
 * Reads a melody by note names: `e4 f#4 g4`, each a step; `[a2~ e4]` sound together; `.` rests, `-` holds.
 * `~` after a note lets it ring until the next one marked so, or the end: a bass under a melody. `e4/2` asks
 * for string 2, `e4=3` pins finger 3, `!` is an accent. `(Am7)` is a chord, its shape chosen with the line;
 * what rang before it ends there. `1f5` is string 1 at fret 5, with its finger `1f5=3`; `{…}x3` is played so often.
 * @param instrument the one on which a string and a fret are a pitch
 */
export function readNotes(
  text: string,
  stepsPerCount: number,
  instrument: Instrument = { tuning: STANDARD_TUNING, capo: 0 },
): ReadNotes {
  const step = stepTicks(stepsPerCount) ?? ticks(2520);
  const steps: NoteStep[] = [];
  const faults: NotesFault[] = [];
  const accents: boolean[] = [];
  const events: WrittenEvent[] = [];
  if (text.length > LONGEST_NOTES_TEXT) {
    const beyond = { from: LONGEST_NOTES_TEXT, to: text.length };
    const fault = textFault(beyond, 'melody too long' as const, [LONGEST_NOTES_TEXT, text.length]);
    return { steps, events: [], accents, length: ticks(0), faults: [fault] };
  }
  const out = writeOutText(text);
  const placeIn = (from: number, to: number) => ({ from: out.from[from] ?? 0, to: (out.from[to - 1] ?? 0) + 1 });
  for (const m of out.text.matchAll(
    /\(([^)]*)\)?([~!]*)|\[([^\]]*)\]?|([.-])(?=\s|$|\[|\(|\|)|[\s|]+|([^\s|[\](]+)|(\])/gs,
  )) {
    const [whole, chord, marks = '', together, quiet, single] = m;
    const place = placeIn(m.index, m.index + whole.length);
    if (/^[\s|]*$/.test(whole)) continue;
    if (quiet) {
      steps.push({ kind: quiet === '.' ? 'rest' : 'hold' });
      continue;
    }
    if (chord !== undefined) {
      const reading = readChord(chord);
      if (!reading.ok) faults.push(textFault(place, 'no chord', [quoted(chord.trim()), ...reading.near]));
      accents.push(marks.includes('!'));
      steps.push({ kind: 'notes', event: events.length });
      const at = ticks((steps.length - 1) * step);
      events.push({ at, notes: [], chord: chord.trim(), bass: marks.includes('~') });
      continue;
    }
    const parts = (together ?? single ?? whole).split(/\s+/).filter((p) => p !== '');
    const notes = parts.map((p) => readNote(p) ?? readPlace(p, instrument));
    const bad = parts.find((_, i) => notes[i] === null);
    if (bad !== undefined || parts.length === 0) {
      faults.push(textFault(place, 'no note', [quoted(bad ?? whole)]));
      steps.push({ kind: 'rest' });
      continue;
    }
    accents.push(whole.includes('!'));
    steps.push({ kind: 'notes', event: events.length });
    events.push({ at: ticks((steps.length - 1) * step), notes: notes.flatMap((n) => n ?? []) });
  }
  const length = ticks(steps.length * step);
  return { steps, accents, length, faults, events: withRinging(events, length) };
}
/** What is marked so rings until the next bass, or the next chord, which brings its own. */
const withRinging = (events: readonly WrittenEvent[], length: Ticks): FretEvent[] =>
  events.map((e, i): FretEvent => {
    const next = events.slice(i + 1).find((x) => x.chord !== undefined || x.notes.some((n) => n.bass));
    const rings = ticks((next?.at ?? length) - e.at);
    if (e.chord !== undefined) return { at: e.at, notes: [], chord: e.chord, ...(e.bass ? { rings } : {}) };
    return { at: e.at, notes: e.notes.map(({ bass, ...note }): FretNote => (bass ? { ...note, rings } : note)) };
  });

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

/** `1f5=3!`: a note by its place on the neck. */
function readPlace(text: string, { tuning, capo }: Instrument): (FretNote & { bass: boolean }) | null {
  const m = /^([1-6])f(\d{1,2})((?:=[0-4]|[~!])*)$/.exec(text);
  const string = Number(m?.[1]);
  const fret = Number(m?.[2]);
  if (!m || !isStringNumber(string) || fret > HIGHEST_FRET) return null;
  const marks = m[3] ?? '';
  const finger = /=(\d)/.exec(marks)?.[1];
  const pinned = fret === 0 ? 0 : finger === undefined ? undefined : (Number(finger) as 0 | 1 | 2 | 3 | 4);
  return {
    midi: openPitch(tuning, string, capo) + fret,
    bass: marks.includes('~'),
    string,
    ...(pinned === undefined ? {} : { finger: pinned }),
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
export function transposeNotes(text: string, semitones: number, instrument?: Instrument): string {
  const count = (sign: RegExp) => text.match(sign)?.length ?? 0;
  const [sharp, flat] = [count(/[a-gA-G][#♯](?=\d)/g), count(/[a-gA-G][b♭](?=\d)/g)];
  const names = sharp === flat ? USUAL : sharp > flat ? SHARPS : FLATS;
  const moved = (name: string): string => {
    const note = semitones === 0 ? null : readNote(name);
    if (!note) return name;
    const midi = note.midi + semitones;
    return `${names[((midi % 12) + 12) % 12] ?? ''}${Math.floor(midi / 12) - 1}`;
  };
  return placesAsNames(text, names, instrument)
    .replace(/\(([^)]*)\)/g, (_, chord: string) => `(${semitones === 0 ? chord : transposeChord(chord, semitones)})`)
    .replace(
      /(?<!\([^)]*)([a-gA-G][#b♯♭]?[0-8])((?:\/[1-6]|=[0-4]|[~!])*)/g,
      (_, name: string, marks: string) => moved(name) + marks.replace(/\/[1-6]|=[0-4]/g, ''),
    );
}

/** Places on the neck are pitches on their instrument, which move to another key as names. */
function placesAsNames(text: string, names: readonly string[], instrument?: Instrument): string {
  if (!instrument) return text;
  return text.replace(/(?<![\w(])[1-6]f\d{1,2}(?:=[0-4])?/g, (place) => {
    const note = readPlace(place, instrument);
    return note ? `${names[note.midi % 12] ?? ''}${Math.floor(note.midi / 12) - 1}` : place;
  });
}

/** Strings that p i m a pluck together; the thumb sweeps over more. */
const MOST_PLUCKED = 4;

/**
 * A fretted line as the right hand sees it: strings, frets, what rings. Whose each note is, the reading of its voices
 * tells. Chords of five strings or six the thumb sweeps.
 */
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
    return {
      at: event.at,
      strings: own.map((p) => p.string),
      frets: own.map((p) => p.fret),
      ...(rings && event.notes.length === 1 ? { rings: true } : {}),
      ...(read.accents[i] ? { accent: 1 } : {}),
    };
  });
}

/** The left hand of a fretted line: what is stopped at every place, with its finger. */
export const stoppedBy = (read: ReadNotes, placed: readonly (readonly Placed[])[]): StoppedNote[] =>
  read.events.flatMap((event, i) =>
    (placed[i] ?? []).map((p): StoppedNote => ({ at: event.at, string: p.string, fret: p.fret, finger: p.finger })),
  );
