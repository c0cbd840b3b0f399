import { computed, inject } from '@angular/core';
import {
  type Approach,
  BASS_HABITS,
  type BassHabit,
  type BassLength,
  BEAT_KINDS,
  type BeatKind,
  type CompCell,
  COMP_FIGURES,
  figuresFor,
  type StringNumber,
  STRINGS,
  type UsualFigure,
} from '@ruffle-wheel/core';
import { OpenStudy, TypedTexts } from '../../study';

/** What is asked of an accompaniment beside the section's chart. */
export interface CompWishes {
  readonly cells: readonly CompCell[];
  readonly order: string;
  /** Counts. */
  readonly beat: number;
  /** The figure begins with its second bar. */
  readonly turned: boolean;
  readonly habit: BassHabit;
  readonly by: Approach['by'];
  readonly from: Approach['from'];
  readonly length: BassLength;
  readonly muted: boolean;
  readonly pushes: 'none' | 'every' | 'either';
  /** As typed: names with strings, `Dm 432, E7 321`. */
  readonly strings: string;
  /** Shapes of the study stay as they are. */
  readonly keep: boolean;
}
export const LENGTHS: readonly BassLength[] = ['held', 'short', 'ringing'];
export const PUSHES: readonly CompWishes['pushes'][] = ['none', 'every', 'either'];
export const STEPS: readonly Approach['by'][] = ['any', 'scale', 'chromatic'];
export const SIDES: readonly Approach['from'][] = ['any', 'below', 'above'];
export const HABITS = BASS_HABITS;
const LETTERS = ['A', 'B', 'C', 'D'];
export const MOST_BEATS = 8;

const among = <T>(list: readonly T[], value: unknown, otherwise: T): T =>
  list.find((item) => item === value) ?? otherwise;

/** The wishes for an accompaniment: kept for each section as typed texts are. */
export class CompForm {
  private readonly open = inject(OpenStudy);
  private readonly kept = inject(TypedTexts).of('comping');
  /** Figures with a name whose bars are as long as the cycle's. */
  readonly figures = computed((): readonly UsualFigure[] => {
    const cycle = this.open.written()?.cycle;
    return cycle ? figuresFor(cycle) : [];
  });
  private readonly usual = computed((): CompWishes => {
    const [figure = COMP_FIGURES[0]] = this.figures();
    return {
      cells: figure?.cells ?? [],
      order: figure?.order ?? '',
      beat: figure?.beat ?? 1,
      turned: false,
      habit: 'root fifth',
      by: 'any',
      from: 'any',
      length: 'held',
      muted: false,
      pushes: 'none',
      strings: '',
      keep: true,
    };
  });
  readonly wishes = computed((): CompWishes => read(this.kept(), this.usual()));

  set(change: Partial<CompWishes>) {
    this.kept.set(JSON.stringify({ ...this.wishes(), ...change }));
  }
  take(figure: UsualFigure) {
    this.set({ cells: figure.cells, order: figure.order, beat: figure.beat });
  }
  /** The figure with a name that the wishes are. */
  readonly figure = computed(() => {
    const { cells, order, beat } = this.wishes();
    const same = (f: UsualFigure) =>
      f.order === order && f.beat === beat && JSON.stringify(f.cells) === JSON.stringify(cells);
    return this.figures().find(same)?.id ?? '';
  });
  setBeat(letter: string, n: number, kind: BeatKind) {
    this.change(letter, (beats) => beats.map((b, i) => (i === n ? kind : b)));
  }
  addBeat(letter: string) {
    this.change(letter, (beats) => (beats.length < MOST_BEATS ? [...beats, beats.at(-1) ?? 'together'] : beats));
  }
  dropBeat(letter: string) {
    this.change(letter, (beats) => beats.slice(0, -1));
  }
  /** The next letter that is free, null when all are used. */
  readonly nextLetter = computed(() => LETTERS.find((l) => !this.wishes().cells.some((c) => c.letter === l)) ?? null);
  addCell(letter: string) {
    this.set({ cells: [...this.wishes().cells, { letter, beats: ['together'] }] });
  }
  private change(letter: string, change: (beats: readonly BeatKind[]) => readonly BeatKind[]) {
    const cells = this.wishes().cells.map((c) => (c.letter === letter ? { ...c, beats: change(c.beats) } : c));
    this.set({ cells: cells.filter((c) => c.beats.length > 0) });
  }
  /** Strings by the chord's name, and what could not be read of them. */
  readonly strings = computed(() => readStrings(this.wishes().strings));
}

/** What was kept, where it still says something. */
function read(text: string, usual: CompWishes): CompWishes {
  if (text === '') return usual;
  try {
    const kept = JSON.parse(text) as Partial<Record<keyof CompWishes, unknown>>;
    const cells = Array.isArray(kept.cells) ? (kept.cells as unknown[]).flatMap(cellOf) : usual.cells;
    return {
      cells,
      order: typeof kept.order === 'string' ? kept.order : usual.order,
      beat: among([1, 2, 3, 4], kept.beat, usual.beat),
      turned: kept.turned === true,
      habit: among(HABITS, kept.habit, usual.habit),
      by: among(STEPS, kept.by, usual.by),
      from: among(SIDES, kept.from, usual.from),
      length: among(LENGTHS, kept.length, usual.length),
      muted: kept.muted === true,
      pushes: among(PUSHES, kept.pushes, usual.pushes),
      strings: typeof kept.strings === 'string' ? kept.strings : '',
      keep: kept.keep !== false,
    };
  } catch {
    return usual;
  }
}
function cellOf(value: unknown): CompCell[] {
  const { letter, beats } = (value ?? {}) as { letter?: unknown; beats?: unknown };
  if (typeof letter !== 'string' || letter.length !== 1 || !Array.isArray(beats)) return [];
  const own = (beats as unknown[]).flatMap((b) => BEAT_KINDS.find((k) => k === b) ?? []).slice(0, MOST_BEATS);
  return own.length ? [{ letter, beats: own }] : [];
}
/** `Dm 432, "E7 open" 321`: names with the strings of the fingers, thickest first. */
function readStrings(text: string): { strings: Record<string, readonly StringNumber[]>; unread: string } {
  const strings: Record<string, readonly StringNumber[]> = {};
  for (const part of text.split(',').filter((p) => p.trim() !== '')) {
    const [, name = '', digits = ''] = /^\s*(.+?)\s+([1-6]{1,4})\s*$/.exec(part) ?? [];
    const list = [...new Set([...digits].flatMap((d) => STRINGS.find((s) => String(s) === d) ?? []))];
    if (name === '' || list.length !== digits.length) return { strings, unread: part.trim() };
    strings[name.replace(/^"|"$/g, '')] = list.sort((a, b) => b - a);
  }
  return { strings, unread: '' };
}
