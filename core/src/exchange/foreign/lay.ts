import { fact } from '../../fault/index.js';
import type { Level } from '../../stroke/index.js';
import { lcm, TICKS_PER_COUNT } from '../../time/index.js';
import { ticksPerPart } from './cycles.js';
import { FINEST, onGrid } from './grid.js';
import type { ForeignChord, ForeignNote, ImportNote } from './model.js';
import type { ForeignPart } from './parts.js';

export interface LaidNote extends Omit<ForeignNote, 'at' | 'length' | 'tied' | 'ties' | 'voice'> {
  /** Its own end, in ticks. */
  readonly end: number;
}
/** What begins together. */
export interface LaidStroke {
  /** In ticks from the section's beginning. */
  readonly at: number;
  readonly until: number;
  readonly notes: readonly LaidNote[];
}
export interface LaidPart {
  readonly length: number;
  readonly strokes: readonly LaidStroke[];
  readonly chords: readonly ForeignChord[];
  readonly levels: readonly { readonly at: number; readonly level: Level }[];
  readonly notes: readonly ImportNote[];
}
const EXACTLY = 1;

interface HeldNote {
  readonly at: number;
  end: number;
  note: ForeignNote;
}
/** The bars one after another in ticks: tied notes as one, what was lost of them, changes of tempo. */
function inOneLine({ bars, cycle }: ForeignPart) {
  const part = ticksPerPart(cycle);
  let [begin, lost, changes] = [0, 0, 0];
  const all: HeldNote[] = [];
  const chords: ForeignChord[] = [];
  const levels: { at: number; level: Level }[] = [];
  let tempo = bars[0]?.tempo ?? null;
  for (const [n, bar] of bars.entries()) {
    for (const note of bar.notes) {
      const at = begin + note.at * part;
      const end = at + note.length * part;
      const before = note.tied ? tiedFrom(all, note, at) : null;
      if (before) {
        before.end = end;
        before.note = { ...before.note, ties: note.ties, marks: [...new Set([...before.note.marks, ...ringOf(note)])] };
      } else if (note.tied) lost++;
      else all.push({ at, end, note });
    }
    for (const c of bar.chords) chords.push({ ...c, at: Math.round(begin + c.at * part) });
    for (const l of bar.levels) levels.push({ ...l, at: Math.round(begin + l.at * part) });
    if (n > 0 && bar.tempo !== null && bar.tempo !== tempo) changes++;
    tempo = bar.tempo ?? tempo;
    begin += Math.round(bar.length * part);
  }
  return { all, chords, levels, length: begin, lost, changes };
}
/** Notes that begin together as one stroke. */
function strokesOf(groups: ReadonlyMap<number, LaidNote[]>, length: number, played: boolean): LaidStroke[] {
  const order = [...groups].sort((a, b) => a[0] - b[0]);
  return order.map(([at, notes], n): LaidStroke => {
    const next = order[n + 1]?.[0] ?? length;
    // What is to ring does not hold the others; of what was played together nothing ends quite together.
    const ends = notes.filter((x) => !x.marks.includes('~')).map((x) => x.end);
    const end =
      ends.length && !played ? Math.min(...ends) : Math.max(...(ends.length ? ends : notes.map((x) => x.end)));
    return { at, until: Math.min(next, end), notes };
  });
}
const hundredths = (ticks: number): number => Math.round((100 * ticks) / TICKS_PER_COUNT);

/** A part's notes on ticks, tied ones as one, those that begin together as one stroke. */
export function layPart(foreign: ForeignPart, played: boolean): LaidPart {
  const finest = played ? FINEST.played : FINEST.written;
  const { all, chords, levels, length, lost, changes } = inOneLine(foreign);
  const places = onGrid(
    all.map((a) => a.at),
    finest,
  );
  const divisions = new Map(places.map((p) => [Math.floor(p.at / TICKS_PER_COUNT), p.division]));
  const moved = places.filter((p) => p.moved > EXACTLY);
  const groups = new Map<number, LaidNote[]>();
  /** Where each note was to end. */
  const meant = new Map<LaidNote, number>();
  all.forEach(({ end, note }, n) => {
    const at = Math.min(places[n]?.at ?? 0, length - 1);
    const laid = { ...note, end: Math.min(length, Math.max(at + 1, endOf(end, { divisions, at, finest }))) };
    meant.set(laid, Math.min(length, end));
    groups.set(at, [...(groups.get(at) ?? []), laid]);
  });
  const strokes = strokesOf(groups, length, played);
  // Ends that are others now: put on another place, or held as long as what began together with them.
  const ends = strokes.flatMap(({ until, notes }) =>
    notes.flatMap((x) => {
      const off = Math.abs((x.end < until ? until : x.end) - (meant.get(x) ?? x.end));
      return off > EXACTLY ? [off] : [];
    }),
  );
  const furthest = Math.max(0, ...moved.map((m) => m.moved));
  const notes = [
    ...(moved.length ? [fact('moved' as const, moved.length, hundredths(furthest))] : []),
    ...(ends.length ? [fact('ends moved' as const, ends.length, hundredths(Math.max(...ends)))] : []),
    ...(changes ? [fact('tempo changes' as const, changes)] : []),
    ...(lost ? [fact('lengths not taken' as const, lost)] : []),
  ];
  return { length, strokes, chords, levels, notes };
}
const ringOf = ({ marks }: ForeignNote) => marks.filter((m) => m === '~');
/** The note that a tied one goes on from: of its pitch, ending where it begins, in its own voice where one does. */
const tiedFrom = (all: HeldNote[], note: ForeignNote, at: number) =>
  endingAt(all, note, at, (own) => own.voice === note.voice) ?? endingAt(all, note, at, () => true);
function endingAt(all: HeldNote[], note: ForeignNote, at: number, is: (own: ForeignNote) => boolean) {
  for (let n = all.length - 1; n >= 0 && n >= all.length - 400; n--) {
    const own = all[n];
    if (!own?.note.ties || own.note.midi !== note.midi || Math.abs(own.end - at) >= 2 + EXACTLY || !is(own.note))
      continue;
    // One pitch can sound on two strings.
    if (note.string === null || own.note.string === null || note.string === own.note.string) return own;
  }
  return null;
}
/** An end as it stands where the division of its count goes with it, else on the nearest place that does. */
function endOf(
  end: number,
  { divisions, at, finest }: { divisions: ReadonlyMap<number, number>; at: number; finest: number },
): number {
  const own = divisions.get(Math.floor((end - EXACTLY) / TICKS_PER_COUNT)) ?? 1;
  const [exact] = onGrid([end], finest);
  if (exact && exact.moved <= EXACTLY && lcm(exact.division, own) <= finest) return exact.at;
  const unit = TICKS_PER_COUNT / (own === 1 ? 2 : own);
  return Math.max(Math.round(end / unit) * unit, Math.min(end, at) === at ? Math.ceil((at + 1) / unit) * unit : at);
}
