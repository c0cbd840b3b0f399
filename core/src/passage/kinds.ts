import type { Kind, Passage, PassageNote, KindStretch } from './model.js';
import type { StringNumber } from '../time/index.js';
import { isDouble, type Figures } from './figures.js';
import { fromThickest } from './strings.js';
import type { Texture } from './textures.js';
import type { TremoloGroup } from './tremolo-groups.js';

/** From this share of its neighbours on another string what goes over basses is an arpeggio. */
const NEARLY_EVERY = 0.75;

/** What a kind of figure is read from. */
export interface FigureReading extends Figures {
  readonly textures: readonly Texture[];
  readonly groups: readonly TremoloGroup[];
  readonly pedals: readonly (number | null)[];
}

/** The kind of every note's figure. */
export function kindsByNote({ notes }: Passage, reading: FigureReading): Kind[] {
  const { begins, textures, groups, bass } = reading;
  const grouped = new Map(groups.map((g) => [g.from, g]));
  const inLine = lineKinds(notes, reading);
  const found = begins.map((from, n): Kind | null => {
    const to = begins[n + 1] ?? notes.length;
    const group = grouped.get(from);
    if (group && group.over === to - from - 1 && isEven(notes, from, to)) return 'tremolo';
    if (textures[from] !== 'figure') {
      const kind = inLine(from);
      // Over its bass a figure of a line may break a chord all the same.
      return kind === 'melody over basses' && bass[from] && figureKind(notes, bass, from, to) === 'arpeggio'
        ? 'arpeggio'
        : kind;
    }
    return figureKind(notes, bass, from, to);
  });
  // A figure too short to tell goes with the one before, or after it.
  let last: Kind | null = null;
  const settled = found.map((kind) => (last = kind ?? last));
  const first = settled.find((k) => k !== null) ?? 'melody over basses';
  const kinds: Kind[] = [];
  begins.forEach((from, n) => {
    for (let i = from; i < (begins[n + 1] ?? notes.length); i++)
      kinds.push(underPedal(notes, reading, i) ? 'thumb line' : (settled[n] ?? first));
  });
  return kinds;
}
/** Under a pedal the thumb has a line of its own; over one a melody goes. */
function underPedal(notes: readonly PassageNote[], { pedals, bass }: FigureReading, i: number): boolean {
  const isPedal = notes[i]?.strings.some((s) => s === pedals[i]);
  return pedals[i] !== null && bass[i] !== isPedal;
}

/** Between two notes of a tremolo there is always the same time. */
function isEven(notes: readonly PassageNote[], from: number, to: number): boolean {
  const gaps = notes.slice(from + 1, to).map((n, i) => n.at - (notes[from + i]?.at ?? 0));
  return gaps.every((g) => g === gaps[0]);
}

/** More notes than these after a bass are a run of their own. */
const LONGEST_OVER = 8;
/** Lines: the thumb's, or a run; over basses that leap down to their strings they are a melody. */
function lineKinds(notes: readonly PassageNote[], { textures, bass }: FigureReading): (from: number) => Kind {
  const kinds: Kind[] = [];
  for (let i = 0; i < notes.length;) {
    const texture = textures[i];
    let to = i;
    while (to < notes.length && textures[to] === texture) to++;
    // A few notes straight after a bass go over it.
    const over = bass.slice(i, to).some((b) => b) || (bass[i - 1] === true && to - i <= LONGEST_OVER);
    const kind = texture === 'low line' ? 'thumb line' : over ? 'melody over basses' : 'run';
    for (; i < to; i++) kinds.push(kind);
  }
  return (from) => kinds[from] ?? 'run';
}

/** The kind of one figure that is no group of a tremolo; null where it is too short to tell. */
function figureKind(notes: readonly PassageNote[], bass: readonly boolean[], from: number, to: number): Kind | null {
  // Strings of the fingers, note by note.
  const over: { strings: StringNumber[] }[] = [];
  let thumbAlone = 0;
  for (let i = from; i < to; i++) {
    const note = notes[i] as PassageNote;
    const own = fromThickest(note).slice(bass[i] ? 1 : 0);
    if (own.length) over.push({ strings: own });
    else thumbAlone++;
  }
  const blocks = over.filter((o) => o.strings.length > 1 && !isDouble(o));
  const chords = over.filter((o) => o.strings.length > 1);
  if (over.length > 0 && 2 * chords.length >= over.length && (blocks.length > 0 || chords.length === over.length))
    return thumbAlone > 0 ? 'comping' : 'block chords';
  if (over.length === 0 && thumbAlone > 1) return 'thumb line';
  if (over.length < 2) return null;
  const goes = over.slice(1).filter((o, i) => !o.strings.some((s) => over[i]?.strings.includes(s))).length;
  const strings = new Set(over.flatMap((o) => o.strings));
  if (strings.size > 1 && goes >= NEARLY_EVERY * (over.length - 1)) return 'arpeggio';
  return 'melody over basses';
}
/** Notes of one kind beside one another are one stretch. */
export function stretchesOf(
  { notes, loops = false }: Passage,
  bass: readonly boolean[],
  kinds: readonly Kind[],
): KindStretch[] {
  const stretches: { kind: Kind; from: number; to: number }[] = [];
  kinds.forEach((kind, i) => {
    const last = stretches.at(-1);
    if (last?.kind === kind) last.to = i + 1;
    else stretches.push({ kind, from: i, to: i + 1 });
  });
  const whole = loops && stretches.length === 1;
  return stretches.map((s) => ({
    ...s,
    free: isFree({ notes: notes.slice(s.from, s.to), loops: whole }, bass.slice(s.from, s.to)),
  }));
}

/**
 * Whether notes are an order that repeats, without frets of their own: the same strings at the same distances twice at
 * least from beginning to end, the thumb on whatever string it likes. What goes round is met again from its own beginning:
 * one figure is enough then.
 */
export function isFree(
  { notes, loops: goesRound = false }: Pick<Passage, 'notes' | 'loops'>,
  bass: readonly boolean[] = [],
): boolean {
  if (notes.some((n) => n.frets?.some((f) => f !== null) || n.rings || n.sweeps)) return false;
  const roles = notes.map((n, i) => {
    const strings = fromThickest(n).map((s, at) => (at === 0 && bass[i] ? 'p' : s));
    return `${n.strum?.way ?? ''}${n.strum?.fingers.join('') ?? ''}${strings.join()}`;
  });
  const same = (a: number, b: number): boolean => {
    const [x, y, u, v] = [notes[a], notes[b], notes[a + 1], notes[b + 1]];
    return roles[a] === roles[b] && (!x || !y || !u || !v || u.at - x.at === v.at - y.at);
  };
  for (let period = 1; period <= LONGEST_ORDER && 2 * period <= notes.length; period++)
    if (notes.every((_, i) => i + period >= notes.length || same(i, i + period))) return true;
  return goesRound && bass.filter((b) => b).length <= 1 && notes.length <= LONGEST_FIGURE;
}
/** No order of more notes is known by heart. */
const LONGEST_ORDER = 64;
/** More notes are no figure that one knows by its order. */
const LONGEST_FIGURE = 8;
