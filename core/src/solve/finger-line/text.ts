import { quoted, type TextFault, textFault } from '../../fault/index.js';
import type { StoppedNote } from '../../left-hand/index.js';
import { printStep, writeOutText } from '../../script/index.js';
import { type Finger, FINGERS, type Mark, MARKS } from '../../stroke/index.js';
import { type Bpm, isStringNumber, stepTicks, type StringNumber, ticks, type Ticks } from '../../time/index.js';
import type { LineNote, LineStep } from './model.js';
import { type PlectrumEntries, plectrumEntries, plectrumStrokes, type PlectrumStroke } from './plectrum.js';

/** One step of a line as typed. */
export interface ReadLine {
  readonly steps: readonly LineStep[];
  readonly notes: readonly LineNote[];
  readonly length: Ticks;
  readonly faults: readonly LineFault[];
}
export type LineFault = TextFault<'line too long' | 'no note in a line' | 'strings once'>;
export const LONGEST_LINE_TEXT = 60_000;
/** A string and the fret after it; of two digits the second belongs to the fret unless an f follows it. */
const STRUCK = '(\\d)(?:f(1\\d(?!f)|2[0-4](?!f)|\\d))?';

function readTogether(text: string): { string: number; fret: string | undefined }[] {
  return [...text.matchAll(new RegExp(`${STRUCK}|\\s+|(.)`, 'gs'))].flatMap(([, string, fret, odd]) =>
    odd ? [{ string: NaN, fret: undefined }] : string ? [{ string: Number(string), fret }] : [],
  );
}

/**
 * Reads a line typed by string numbers: `332211`, each a step. `.` is a rest, `-` holds, `[321]` are struck
 * together; after a string `f` and a number is its fret: `3f12`; after a note `!` is an accent and `~` lets it
 * ring; a letter before it pins its finger: `i3`. `{…}x3` is played so often. White space and `|` may stand anywhere.
 * @example readLine('3321', 2).notes.map((n) => n.strings[0]) // [3, 3, 2, 1]
 */
export function readLine(text: string, stepsPerCount: number): ReadLine {
  const step = stepTicks(stepsPerCount) ?? stepTicks(2) ?? ticks(2520);
  const steps: LineStep[] = [];
  const faults: LineFault[] = [];
  if (text.length > LONGEST_LINE_TEXT) {
    const beyond = { from: LONGEST_LINE_TEXT, to: text.length };
    const fault = textFault(beyond, 'line too long' as const, [LONGEST_LINE_TEXT, text.length]);
    return { steps, notes: [], length: ticks(0), faults: [fault] };
  }
  const out = writeOutText(text);
  const placeIn = (from: number, to: number) => ({ from: out.from[from] ?? 0, to: (out.from[to - 1] ?? 0) + 1 });
  const token = new RegExp(`([pimae]*)(?:\\[([^\\]]*)\\]?|${STRUCK})([!~]*)|([.-])|[\\s|]+|(.)`, 'gs');
  for (const m of out.text.matchAll(token)) {
    const [whole, pins = '', together, single, fret, marks = '', quiet, odd] = m;
    const place = placeIn(m.index, m.index + whole.length);
    if (quiet) steps.push({ kind: quiet === '.' ? 'rest' : 'hold' });
    else if (odd) faults.push(textFault(place, 'no note in a line', [quoted(odd)]));
    else if (single !== undefined || together !== undefined) {
      const struck = together === undefined ? [{ string: Number(single), fret }] : readTogether(together);
      const digits = struck.map((n) => n.string);
      const strings = digits.filter(isStringNumber);
      if (strings.length !== digits.length || strings.length === 0 || new Set(strings).size !== strings.length) {
        faults.push(textFault(place, 'strings once', [quoted(whole)]));
        steps.push({ kind: 'rest' });
        continue;
      }
      const accent = marks.includes('!');
      const note: LineNote = {
        at: ticks(steps.length * step),
        strings,
        ...(struck.some((n) => n.fret) ? { frets: struck.map((n) => (n.fret ? Number(n.fret) : null)) } : {}),
        ...(marks.includes('~') ? { rings: true } : {}),
        ...(accent ? { accent: 1 } : {}),
        ...(pins ? { pinned: ([...pins] as Finger[]).sort((a, b) => FINGERS.indexOf(a) - FINGERS.indexOf(b)) } : {}),
      };
      steps.push({ kind: 'note', note, accent, range: place });
    }
  }
  const notes = steps.flatMap((s) => (s.kind === 'note' ? [s.note] : []));
  return { steps, notes, length: ticks(steps.length * step), faults };
}

/** The notes whose frets the line names. */
export const stoppedNotes = (steps: readonly LineStep[]): StoppedNote[] =>
  steps.flatMap((s) =>
    s.kind === 'note'
      ? s.note.strings.flatMap((string, i): StoppedNote[] => {
          const fret = s.note.frets?.[i] ?? null;
          return fret === null ? [] : [{ at: s.note.at, string, fret }];
        })
      : [],
  );

/**
 * The text with one note's finger pinned, or set free again with null.
 * @example pinInText('33', { from: 1, to: 2 }, 'm') // '3m3'
 */
export function pinInText(text: string, note: { from: number; to: number }, finger: Finger | null): string {
  const token = text.slice(note.from, note.to).replace(/^[pimae]+/, '');
  return text.slice(0, note.from) + (finger ?? '') + token + text.slice(note.to);
}

const NO_ENTRIES: PlectrumEntries = { entries: new Map(), ghosts: new Set() };
/** Every note with its plectrum stroke, rests and holds between them; null where notes sound together. */
function withPlectrum(
  steps: readonly LineStep[],
  print: (string: StringNumber, stroke: PlectrumStroke, marks: readonly Mark[]) => string,
  { entries, ghosts }: PlectrumEntries = NO_ENTRIES,
): string | null {
  const notes = steps.flatMap((s) => (s.kind === 'note' ? [s.note] : []));
  if (notes.some((n) => n.strings.length !== 1)) return null;
  const strokes = plectrumStrokes(
    notes.map((n) => n.strings[0] ?? 1),
    entries,
  );
  let n = 0;
  return steps
    .map((s, i) => {
      if (s.kind !== 'note') return ghosts.has(i) ? '(d)' : s.kind === 'rest' ? '.' : '-';
      const marks: Mark[] = [...(s.accent ? ['!' as const] : []), ...(s.note.rings ? ['~' as const] : [])];
      return print(s.note.strings[0] ?? 1, strokes[n++] ?? 'rest', marks);
    })
    .join(' ');
}
/**
 * Single notes with plectrum strokes as hand script: `Pd` lands on the next string, `Pw` leaps off it, `Pu` answers.
 * After a silence and where it is slow a rest stroke begins again; off the beat it answers a ghosted one. Null where
 * notes sound together.
 * @example plectrumHand(readLine('332', 2).steps) // 'Pd:3 Pu:3 Pd:2'
 * @example plectrumHand(readLine('.3', 2).steps) // '(d) Pu:3'
 */
export const plectrumHand = (steps: readonly LineStep[], tempo?: Bpm): string | null =>
  withPlectrum(
    steps,
    (string, stroke, marks) => {
      const plectrum = stroke === 'up' ? 'u' : stroke === 'whip' ? 'w' : 'd';
      const dir = plectrum === 'u' ? 'u' : 'd';
      return printStep({ kind: 'stroke', fingers: [], plectrum, dir, strings: [string], marks });
    },
    plectrumEntries(steps, tempo),
  );
/** The same written with the thumb's letter in place of the plectrum's, as scripts had it before it was a hand of its own. */
export const plectrumScript = (steps: readonly LineStep[]): string | null =>
  withPlectrum(steps, (string, stroke, marks) => {
    const rests = stroke === 'rest' && string !== 1;
    const own: Mark[] = MARKS.filter((m) => marks.includes(m) || (m === '_' && rests));
    return printStep({
      kind: 'stroke',
      fingers: ['p'],
      dir: stroke === 'up' ? 'u' : 'd',
      strings: [string],
      marks: own,
    });
  });

/** A fingered line as hand script: one finger for each string from the thickest on. @param stroke of all, or note by note */
export function lineScript(
  steps: readonly LineStep[],
  fingers: readonly (readonly Finger[])[],
  stroke: 'rest' | 'free' | readonly ('rest' | 'free')[],
): string {
  let n = 0;
  return steps
    .map((s) => {
      if (s.kind !== 'note') return s.kind === 'rest' ? '.' : '-';
      const struck = typeof stroke === 'string' ? stroke : stroke[n];
      const own = fingers[n++] ?? [];
      const strings = [...(s.note.sweeps ?? s.note.strings)].sort((a, b) => b - a);
      const marks: Mark[] = [];
      if (s.accent) marks.push('!');
      const single = strings[0];
      const lands = own.length === 1 && (own[0] === 'p' ? single !== 1 : single !== 6);
      if (struck === 'rest' && lands) marks.push('_');
      if (s.note.rings) marks.push('~');
      return printStep({ kind: 'stroke', fingers: own, dir: s.note.sweeps ? 'd' : null, strings, marks });
    })
    .join(' ');
}
