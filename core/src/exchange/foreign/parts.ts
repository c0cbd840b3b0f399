import type { AccentCycle } from '../../cycle/index.js';
import { cleanName } from '../../name/index.js';
import { formName } from '../../piece/index.js';
import { cycleFor } from './cycles.js';
import type { ForeignBar } from './model.js';

/** Bars that become one section. */
export interface ForeignPart {
  readonly name: string;
  readonly cycle: AccentCycle;
  readonly bars: readonly ForeignBar[];
}
export interface ForeignParts {
  /** Each once, in the order in which it comes first. */
  readonly parts: readonly ForeignPart[];
  /** '' = every part once, in order. */
  readonly form: string;
}
/** A part of a section has no more notes, so that its script stays short enough. */
const MOST_NOTES_OF_A_PART = 900;
const BARS_TOGETHER = 4;

/**
 * Bars cut into sections where a name stands, where repeats and endings begin or end, and where the time changes to
 * what is no turn; bars that come again as they were are the section that is there already.
 */
export function partsOf(bars: readonly ForeignBar[], known: readonly AccentCycle[]): ForeignParts {
  const placed: { bars: ForeignBar[]; cycle: AccentCycle }[] = [];
  let before: AccentCycle | null = null;
  for (const own of cutAtSigns(bars))
    for (const piece of cutAtTimes(own, before, known)) {
      before = piece.cycle;
      placed.push(piece);
    }
  const parts: ForeignPart[] = [];
  const said: string[] = [];
  const line = placed.map(({ bars: own, cycle }) => {
    const called = cleanName(own[0]?.name ?? '');
    const content = contentOf(own, cycle);
    const there = said.indexOf(`${called}${content}`);
    if (there >= 0) return { part: there, bars: own };
    said.push(`${called}${content}`);
    parts.push({ name: nameFor(called, parts), cycle, bars: own });
    return { part: parts.length - 1, bars: own };
  });
  return { parts, form: formOf(line, parts) };
}
const contentOf = (bars: readonly ForeignBar[], { id }: AccentCycle): string =>
  JSON.stringify([id, bars.map((b) => [b.length, b.notes, b.chords, b.levels, b.lyrics, b.key, b.tempo])]);
function cutAtSigns(bars: readonly ForeignBar[]): ForeignBar[][] {
  const pieces: ForeignBar[][] = [];
  let notes = 0;
  bars.forEach((bar, n) => {
    const before = bars[n - 1];
    const sign =
      bar.name !== '' || bar.opens || bar.endingBegins !== null || before?.endingEnds || before?.closes != null;
    notes += bar.notes.length;
    // A turn of several bars is not cut through.
    const full = notes > MOST_NOTES_OF_A_PART && (pieces.at(-1)?.length ?? 0) % BARS_TOGETHER === 0;
    if (n === 0 || sign || full) {
      pieces.push([]);
      notes = bar.notes.length;
    }
    pieces.at(-1)?.push(full && !sign && n > 0 ? goingOn(bar, bars.slice(0, n)) : bar);
  });
  return pieces;
}
/** A bar from which a section begins that the music does not: what was held, and how loud it was, goes on. */
export function goingOn(bar: ForeignBar, before: readonly ForeignBar[]): ForeignBar {
  const chord = before.findLast((b) => b.chords.length > 0)?.chords.at(-1);
  const level = before.findLast((b) => b.levels.length > 0)?.levels.at(-1);
  const wants = <T extends { at: number }>(own: readonly T[], held: T | undefined): readonly T[] =>
    held && !own.some((x) => x.at === 0) ? [{ ...held, at: 0 }, ...own] : own;
  return { ...bar, chords: wants(bar.chords, chord), levels: wants(bar.levels, level) };
}
/** Whole where one cycle fits; else cut where the time changes. */
function cutAtTimes(
  bars: ForeignBar[],
  before: AccentCycle | null,
  known: readonly AccentCycle[],
): { bars: ForeignBar[]; cycle: AccentCycle }[] {
  const whole = cycleFor(bars, before, known);
  if (whole) return [{ bars, cycle: whole }];
  const runs: ForeignBar[][] = [];
  for (const bar of bars) {
    const last = runs.at(-1)?.at(-1);
    if (last && last.beats === bar.beats && last.beatType === bar.beatType) runs.at(-1)?.push(bar);
    else runs.push([bar]);
  }
  return runs.flatMap((own) => {
    const cycle = cycleFor(own, null, known);
    return cycle ? [{ bars: own, cycle }] : [];
  });
}
/** The name that the file gives it, else the next letter; each once. */
function nameFor(called: string, others: readonly ForeignPart[]): string {
  const taken = new Set(others.map((p) => p.name));
  if (called !== '' && !taken.has(called)) return called;
  for (let n = 0; ; n++) {
    const name = called === '' ? letters(n) : `${called} ${n + 2}`;
    if (!taken.has(name)) return name;
  }
}
/** A … Z, AA, AB … */
export const letters = (n: number): string =>
  (n >= 26 ? letters(Math.floor(n / 26) - 1) : '') + String.fromCharCode(65 + (n % 26));

interface Placed {
  readonly part: number;
  readonly bars: readonly ForeignBar[];
}
/** The order of the parts as a form, with their repeats and endings. */
function formOf(line: readonly Placed[], parts: readonly ForeignPart[]): string {
  const out: string[] = [];
  let run: string[] = [];
  let endings: { readonly passes: readonly number[]; readonly names: string[] }[] = [];
  const flush = () => {
    // What comes several times running is a repeat.
    for (let n = 0; n < run.length;) {
      const name = run[n] ?? '';
      const next = run.findIndex((r, i) => i > n && r !== name);
      const times = (next < 0 ? run.length : next) - n;
      out.push(times > 1 ? `{${name}}x${times}` : name);
      n += times;
    }
    run = [];
  };
  const close = (times: number) => {
    const own = endings.map((e) => `[${e.passes.join(',')} ${e.names.join(' ')}]`);
    out.push(`{${[...run, ...own].join(' ')}}x${times}`);
    [run, endings] = [[], []];
  };
  const closeEndings = () => {
    if (endings.length) close(Math.max(2, ...endings.flatMap((e) => e.passes)));
  };
  let inEnding = false;
  for (const { part, bars } of line) {
    const [first, last] = [bars[0], bars.at(-1)];
    const name = formName(parts[part]?.name ?? '');
    if (!inEnding && first?.endingBegins == null) closeEndings();
    if (first?.opens) flush();
    if (first?.endingBegins) {
      const next = Math.max(0, ...endings.flatMap((e) => e.passes)) + 1;
      endings.push({ passes: first.endingBegins.length ? first.endingBegins : [next], names: [name] });
      inEnding = true;
    } else if (inEnding) endings.at(-1)?.names.push(name);
    else run.push(name);
    if (inEnding && (last?.endingEnds || last?.closes != null)) inEnding = false;
    else if (!inEnding && last?.closes != null) close(last.closes);
  }
  closeEndings();
  flush();
  const plain = parts.map((p) => formName(p.name)).join(' ');
  return out.join(' ') === plain ? '' : out.join(' ');
}
