import { quoted, type ScriptFault } from '../../fault/index.js';
import type { StoppedNote } from '../../left-hand/index.js';
import { printStep } from '../../script/index.js';
import { type Finger, FINGERS, type Mark } from '../../stroke/index.js';
import { isStringNumber, stepTicks, ticks, type Ticks } from '../../time/index.js';
import type { LineNote } from './model.js';
import { plectrumStrokes } from './plectrum.js';

/** One step of a line as typed. */
export type LineStep =
  | {
      readonly kind: 'note';
      readonly note: LineNote;
      readonly accent: boolean;
      /** Its place in the text, when it was typed. */
      readonly range?: { readonly from: number; readonly to: number };
    }
  | { readonly kind: 'rest' }
  | { readonly kind: 'hold' };
export interface ReadLine {
  readonly steps: readonly LineStep[];
  readonly notes: readonly LineNote[];
  readonly length: Ticks;
  readonly faults: readonly ScriptFault[];
}
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
 * ring; a letter before it pins its finger: `i3`. White space and `|` may stand anywhere.
 * @example readLine('3321', 2).notes.map((n) => n.strings[0]) // [3, 3, 2, 1]
 */
export function readLine(text: string, stepsPerCount: number): ReadLine {
  const step = stepTicks(stepsPerCount) ?? stepTicks(2) ?? ticks(2520);
  const steps: LineStep[] = [];
  const faults: ScriptFault[] = [];
  if (text.length > LONGEST_LINE_TEXT) {
    const message = `A line holds ${LONGEST_LINE_TEXT} letters at most; this one has ${text.length}.`;
    return { steps, notes: [], length: ticks(0), faults: [{ from: LONGEST_LINE_TEXT, to: text.length, message }] };
  }
  const token = new RegExp(`([pimae]*)(?:\\[([^\\]]*)\\]?|${STRUCK})([!~]*)|([.-])|[\\s|]+|(.)`, 'gs');
  for (const m of text.matchAll(token)) {
    const [whole, pins = '', together, single, fret, marks = '', quiet, odd] = m;
    const place = { from: m.index, to: m.index + whole.length };
    if (quiet) steps.push({ kind: quiet === '.' ? 'rest' : 'hold' });
    else if (odd)
      faults.push({
        ...place,
        message: `${quoted(odd)} is no note. Write string numbers 1 to 6, 3f5 for fret 5, . for a rest, - to hold, [321] for notes together.`,
      });
    else if (single !== undefined || together !== undefined) {
      const struck = together === undefined ? [{ string: Number(single), fret }] : readTogether(together);
      const digits = struck.map((n) => n.string);
      const strings = digits.filter(isStringNumber);
      if (strings.length !== digits.length || strings.length === 0 || new Set(strings).size !== strings.length) {
        faults.push({ ...place, message: `${quoted(whole)}: strings are numbered 1 to 6, each once.` });
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

/**
 * Single notes with plectrum strokes as hand script: the thumb's letter stands for the pick, down lands
 * on the next string or leaps off it, up answers. Null where notes sound together.
 */
export function plectrumScript(steps: readonly LineStep[]): string | null {
  const notes = steps.flatMap((s) => (s.kind === 'note' ? [s.note] : []));
  if (notes.some((n) => n.strings.length !== 1)) return null;
  const strokes = plectrumStrokes(notes.map((n) => n.strings[0] ?? 1));
  let n = 0;
  return steps
    .map((s) => {
      if (s.kind !== 'note') return s.kind === 'rest' ? '.' : '-';
      const stroke = strokes[n++];
      const marks: Mark[] = s.accent ? ['!'] : [];
      if (stroke === 'rest' && s.note.strings[0] !== 1) marks.push('_');
      if (s.note.rings) marks.push('~');
      const dir = stroke === 'up' ? 'u' : 'd';
      return printStep({ kind: 'stroke', fingers: ['p'], dir, strings: s.note.strings, marks });
    })
    .join(' ');
}

/** A fingered line as hand script: one finger for each string from the thickest on. */
export function lineScript(
  steps: readonly LineStep[],
  fingers: readonly (readonly Finger[])[],
  stroke: 'rest' | 'free',
): string {
  let n = 0;
  return steps
    .map((s) => {
      if (s.kind !== 'note') return s.kind === 'rest' ? '.' : '-';
      const own = fingers[n++] ?? [];
      const strings = [...(s.note.sweeps ?? s.note.strings)].sort((a, b) => b - a);
      const marks: Mark[] = [];
      if (s.accent) marks.push('!');
      const single = strings[0];
      const lands = own.length === 1 && (own[0] === 'p' ? single !== 1 : single !== 6);
      if (stroke === 'rest' && lands) marks.push('_');
      if (s.note.rings) marks.push('~');
      return printStep({ kind: 'stroke', fingers: own, dir: s.note.sweeps ? 'd' : null, strings, marks });
    })
    .join(' ');
}
