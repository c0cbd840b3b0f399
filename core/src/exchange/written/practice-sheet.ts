import type { AccentCycle } from '../../cycle/index.js';
import type { Instrument } from '../../instrument/index.js';
import type { Shape } from '../../left-hand/index.js';
import type { Ladder, Study } from '../../piece/index.js';
import type { HandProfile } from '../../player/index.js';
import { type PlacedChange, type ScoreChord, type ScoreEvent, sectionChanges } from '../../score/index.js';
import { type Syllable, syllableText } from '../../syllables/index.js';
import type { StringNumber } from '../../time/index.js';
import { handLetters, hasMark, type Motion } from '../../stroke/index.js';
import { cycleLength } from '../../cycle/index.js';
import { type Scope, writtenSections } from './scope.js';

/** What one section gives to practise by hand. */
export interface SheetSection {
  readonly name: string;
  readonly cycle: AccentCycle;
  readonly bpm: number;
  readonly instrument: Instrument;
  /** Turns of the cycle that differ, in the order in which they come first. */
  readonly turns: readonly SheetTurn[];
  /** Strings that the thumb plucks alone on each chord, thickest first. */
  readonly thumbs: readonly { readonly chord: string; readonly strings: readonly StringNumber[] }[];
  /** Shapes that it holds, in the order in which they come. */
  readonly shapes: readonly Shape[];
  /** The hardest first. */
  readonly changes: readonly PlacedChange[];
  readonly ladder: Ladder;
  /** Tempos from the ladder’s start to its end. */
  readonly rungs: readonly number[];
}
/** A turn of the cycle as it is played, once for all that are the same. */
export interface SheetTurn {
  /** Which turns it is, counted from 1. */
  readonly turns: readonly number[];
  readonly strokes: readonly SheetStroke[];
  /** Which chord from where on, in ticks from the turn's beginning. */
  readonly chords: readonly { readonly at: number; readonly name: string }[];
  /** What is sung or said under its counts. */
  readonly words: readonly { readonly at: number; readonly text: string }[];
}
export interface SheetStroke {
  readonly at: number;
  /** Fingers and way, with the marks behind them. */
  readonly letters: string;
  readonly accent: boolean;
  /** String by string from the thickest on: `5f3`, `1` where it is open; of a strum from and to. */
  readonly places: string;
  /** The finger on each string that is plucked; of a strum none. */
  readonly plucked: readonly { readonly string: StringNumber; readonly finger: string }[];
  /** Of a strum the string that it begins on, and the one that it ends on. */
  readonly strum: readonly [StringNumber, StringNumber] | null;
}
const MOST_CHANGES = 4;
const MOST_TURNS = 6;
const MOST_RUNGS = 24;

/**
 * A sheet for each section of a scope, each once: what goes round, what is held, where it is hard, how the tempo climbs.
 * @example practiceSheet(makeStudy('s', 'Stair'), DEFAULT_PROFILE, { kind: 'form' })[0].rungs.length > 1 // true
 */
export function practiceSheet(study: Study, profile: HandProfile, scope: Scope): SheetSection[] {
  return writtenSections(study, profile, scope).flatMap(({ section, score, from, to }): SheetSection[] => {
    const { name, cycle, bpm, ladder } = section;
    const turn = cycleLength(cycle);
    const [begin, end] = [score.bars[from]?.at ?? 0, (score.bars[to - 1]?.at ?? 0) + (score.bars[to - 1]?.length ?? 0)];
    const within = score.events.filter((e) => e.at >= begin && e.at < end);
    const held = score.chords.filter((c) => c.known && c.name !== '' && c.at < end && c.until > begin);
    return [
      {
        name,
        cycle,
        bpm,
        instrument: score.instrument,
        turns: turnsOf({ events: within, chords: held, words: score.words, turn }),
        thumbs: thumbsOf(within, score.chords),
        shapes: [...new Map(held.map((c) => [c.shape.id, c.shape])).values()],
        changes: sectionChanges(section, score, profile)
          .filter((c) => c.moving > 0)
          .slice(0, MOST_CHANGES),
        ladder,
        rungs: rungsOf(ladder),
      },
    ];
  });
}
interface Played {
  readonly events: readonly ScoreEvent[];
  readonly chords: readonly ScoreChord[];
  readonly words: readonly Syllable[];
  readonly turn: number;
}
function turnsOf({ events, chords, words, turn }: Played): SheetTurn[] {
  const made = new Map<string, { turns: number[] } & Omit<SheetTurn, 'turns'>>();
  const all = new Map<number, ScoreEvent[]>();
  for (const e of events) all.set(e.turn, [...(all.get(e.turn) ?? []), e]);
  for (const [n, own] of all) {
    const begin = n * turn;
    const strokes = own
      .map((e): SheetStroke => ({
        at: e.inTurn,
        letters: lettersOf(e.motion),
        accent: hasMark(e.motion, '!'),
        places: placesOf(e),
        ...onSixLines(e),
      }))
      .filter((s) => s.letters !== '');
    const named = chords
      .filter((c) => c.at < begin + turn && c.until > begin)
      .map((c) => ({ at: Math.max(0, c.at - begin), name: c.name }));
    const said = words
      .filter((w) => w.at >= begin && w.at < begin + turn)
      .map((w) => ({ at: w.at - begin, text: syllableText(w) }));
    const key = JSON.stringify([strokes, named, said]);
    const there = made.get(key);
    if (there) there.turns.push(n + 1);
    else if (strokes.length > 0) made.set(key, { turns: [n + 1], strokes, chords: named, words: said });
  }
  return [...made.values()].slice(0, MOST_TURNS);
}
/** Of a strum its first string and its last; else each with its fret. */
function placesOf({ motion, notes }: ScoreEvent): string {
  const strum = motion.kind === 'stroke' && motion.dir !== null;
  if (strum && notes.length > 1) return `${notes[0]?.string ?? ''}–${notes.at(-1)?.string ?? ''}`;
  const sorted = [...notes].sort((a, b) => b.string - a.string);
  return sorted.map((n) => `${n.string}${n.fret === 0 ? '' : `f${n.fret}`}`).join(' ');
}
/** Where a stroke stands on six lines of the right hand alone. */
function onSixLines({ motion, notes }: ScoreEvent): Pick<SheetStroke, 'plucked' | 'strum'> {
  const [first, last] = [notes[0], notes.at(-1)];
  if (motion.kind === 'stroke' && motion.dir !== null && first && last)
    return { plucked: [], strum: [first.string, last.string] };
  return {
    plucked: notes.flatMap(({ string, right }) => (right ? [{ string, finger: right }] : [])),
    strum: null,
  };
}
function thumbsOf(events: readonly ScoreEvent[], chords: readonly ScoreChord[]): SheetSection['thumbs'] {
  const strings = new Map<string, Set<StringNumber>>();
  for (const e of events) {
    const name = chords[e.chord]?.name ?? '';
    if (name === '' || (e.motion.kind === 'stroke' && e.motion.dir !== null)) continue;
    for (const n of e.notes)
      if (n.right === 'p') strings.set(name, (strings.get(name) ?? new Set<StringNumber>()).add(n.string));
  }
  return [...strings].map(([chord, own]) => ({ chord, strings: [...own].sort((a, b) => b - a) }));
}
function rungsOf({ start, end, step }: Ladder): number[] {
  const n = Math.min(MOST_RUNGS - 1, Math.ceil(Math.abs(end - start) / step));
  const way = end < start ? -1 : 1;
  return Array.from({ length: n + 1 }, (_, i) => (i === n ? end : start + way * i * step));
}
/** Fingers and direction, and the marks behind; an accent is bold. */
function lettersOf(motion: Motion): string {
  const marks = motion.kind === 'ghost' ? '' : motion.marks.filter((m) => m !== '!').join('');
  return `${handLetters(motion) || '?'}${marks}`;
}
