import { readChord } from '../chord/index.js';
import { barBegin, barOf, barTicks } from '../cycle/index.js';
import type { Fact } from '../fault/index.js';
import { openPitch } from '../instrument/index.js';
import { soundingSymbol } from '../left-hand/index.js';
import { bestSums } from '../search/index.js';
import { type Borrowed, type Score, scoreOf } from '../score/index.js';
import { flatten, mapLeaves, parseScript, type Pattern, writeOut } from '../script/index.js';
import {
  fingerLine,
  type LineAnswer,
  type LineRefusal,
  lineSchool,
  type NoteFacts,
  noteFacts,
  proposed,
} from '../solve/finger-line/index.js';
import {
  type FretAnswer,
  fretFacts,
  type FretFacts,
  type FretRefusal,
  fretSchool,
  keptFingers,
} from '../solve/fret-line/index.js';
import type { VoicingRefusal } from '../solve/voicings/index.js';
import { type Finger, type LeftFinger, numberedStrings, type Step } from '../stroke/index.js';
import { type StringNumber, STRINGS } from '../time/index.js';
import { type LeftRun, leftRuns, type RightRun, rightRuns } from './hand-runs.js';
import type { ReadingRequest } from './reading-request.js';
import { frettings, withFingers, writeWorkedOut } from './work-out.js';

/** How both hands are to go over a section. */
export interface HandsWish {
  /** One of `FRET_SCHOOLS`. */
  readonly left: string;
  /** One of `MELODY_SCHOOLS`. */
  readonly right: string;
  /** Fingers that are written count as not written. */
  readonly anew: boolean;
  /** Ways wanted. */
  readonly k: number;
}
/** One stroke under a way: what both hands do, and what is to be known of it. */
export interface HandNote {
  readonly at: number;
  readonly notes: readonly {
    readonly string: StringNumber;
    readonly fret: number;
    readonly right: Finger | null;
    readonly left: LeftFinger | null;
  }[];
  readonly left: FretFacts | null;
  readonly right: NoteFacts | null;
  /** A finger that is kept for a later stroke, and when that comes. */
  readonly kept: { readonly finger: LeftFinger; readonly at: number } | null;
  /** Fingers that have left the held shape for it, with the chord's tones that are gone meanwhile. */
  readonly borrowed: readonly (Borrowed & { readonly gone: readonly string[] })[];
}
export interface HandWay {
  /** With every finger written. */
  readonly script: string;
  readonly total: number;
  readonly left: number;
  readonly right: number;
  readonly notes: readonly HandNote[];
}
export interface SectionHands {
  /** The best ways, the first one first; where nothing is to be found, the one that is written. */
  readonly ways: readonly HandWay[];
  /** Strokes with a finger to be found. */
  readonly open: number;
  readonly infeasible: readonly Fact<LineRefusal | FretRefusal | VoicingRefusal>[];
}

/**
 * Both hands over a whole section: its k best fingerings round what is written, each stroke with what it asks. The first
 * way under the schools of writing is what the page shows while one writes.
 */
export function sectionHands(request: ReadingRequest, wish: HandsWish): SectionHands {
  const { section, shapes, tuning, capo, profile, called = [] } = request;
  const instrument = { tuning, capo };
  const { stepsPerCount, cycle, start } = section;
  const written = parseScript(section.script, { stepsPerCount, cycle, start, cells: called }).pattern;
  const pattern = wish.anew ? withoutFingers(written) : written;
  const played = { section, instrument, shapes, profile };
  const { events } = flatten(pattern);
  const infeasible: SectionHands['infeasible'][number][] = [];
  const [right, left] = [rightRuns(events, played), leftRuns(events, played)];
  const rights = right.map((run) => {
    const found = fingerLine({ ...run.request, ...barsFrom(run, request), school: lineSchool(wish.right), k: wish.k });
    if (found.infeasible) infeasible.push(...found.infeasible);
    return found.infeasible ? [] : proposed(found.answers);
  });
  const lefts = left.map((run) => {
    const found = frettings({ ...run.request, school: fretSchool(wish.left), k: wish.k });
    if (found.infeasible) infeasible.push(...found.infeasible);
    return found.infeasible ? [] : found.answers;
  });
  const lists: readonly (readonly (LineAnswer | FretAnswer)[])[] = [...rights, ...lefts];
  const found = lists.filter((list) => list.length > 0);
  const ways = bestSums(
    found.map((list) => list.map((a) => a.total)),
    wish.k,
  ).map(({ chosen }): HandWay => {
    let n = 0;
    const own = lists.map((list) => (list.length > 0 ? (list[chosen[n++] ?? 0] ?? null) : null));
    const fingers = own.slice(0, rights.length) as (LineAnswer | null)[];
    const frets = own.slice(rights.length) as (FretAnswer | null)[];
    const worked = withFingers(pattern, played, {
      right: right.map((run, i) => [run, fingers[i]?.steps ?? null] as const),
      left: left.map((run, i) => [run, frets[i]?.steps ?? null] as const),
    });
    const sum = (list: readonly ({ readonly total: number } | null)[]) => list.reduce((s, a) => s + (a?.total ?? 0), 0);
    const score = scoreOf(
      section,
      { instrument, shapes },
      { flat: flatten(worked.pattern), workedOut: worked.workedOut },
    );
    return {
      script: writeWorkedOut(section.script, pattern, worked),
      total: sum(own),
      left: sum(frets),
      right: sum(fingers),
      notes: notesOf(score, factsOf(right, fingers, left, frets, wish)),
    };
  });
  const open = withFingers(pattern, played, { right: [], left: [] }).workedOut.size;
  return { ways, open, infeasible };
}

/** Plucked strokes and frets as if no finger were written. */
function withoutFingers(pattern: Pattern): Pattern {
  const free = (step: Step): Step => {
    if (step.kind === 'ligado') return step.stop ? { ...step, stop: { fret: step.stop.fret } } : step;
    if (step.kind !== 'stroke') return step;
    const stops = step.stops?.map((s) => (s ? { fret: s.fret } : null));
    const own = stops ? { ...step, stops } : step;
    const strings = numberedStrings(step);
    if (step.dir !== null || step.plectrum || step.golpe || !strings || step.marks.includes('*')) return own;
    return { ...own, fingers: [], open: strings.length };
  };
  return mapLeaves(writeOut(pattern), free);
}
/** Lengths of the bars from where a run begins, for an order that begins afresh in each. */
function barsFrom({ events }: RightRun, { section }: ReadingRequest) {
  const { cycle, start } = section;
  const at = (events[0]?.at ?? 0) + start;
  const bar = barOf(cycle, at);
  return at === barBegin(cycle, bar) ? { bars: barTicks(cycle) } : {};
}

interface SlotFacts {
  left: FretFacts | null;
  right: NoteFacts | null;
  kept: HandNote['kept'];
}
function factsOf(
  right: readonly RightRun[],
  fingers: readonly (LineAnswer | null)[],
  left: readonly LeftRun[],
  frets: readonly (FretAnswer | null)[],
  wish: HandsWish,
): Map<number, SlotFacts> {
  const facts = new Map<number, SlotFacts>();
  const of = (at: number): SlotFacts => {
    const own = facts.get(at) ?? { left: null, right: null, kept: null };
    facts.set(at, own);
    return own;
  };
  right.forEach((run, n) => {
    const answer = fingers[n];
    if (!answer) return;
    const own = noteFacts({ ...run.request, school: lineSchool(wish.right) }, answer);
    run.events.forEach((e, i) => (of(e.at).right = own[i] ?? null));
  });
  left.forEach((run, n) => {
    const answer = frets[n];
    if (!answer) return;
    const request = { ...run.request, school: fretSchool(wish.left) };
    const [own, kept] = [fretFacts(request, answer.steps), keptFingers(request, answer.steps)];
    run.events.forEach((e, i) => {
      const k = kept[i];
      const here = of(e.at);
      here.left = own[i] ?? null;
      here.kept = k ? { finger: k.finger, at: run.events[k.event]?.at ?? 0 } : null;
    });
  });
  return facts;
}
/** The strokes of the first pass. */
function notesOf(score: Score, facts: ReadonlyMap<number, SlotFacts>): HandNote[] {
  const begins = new Set<string>();
  return score.events.flatMap((e): HandNote[] => {
    if (e.pass !== 0 || e.notes.length === 0) return [];
    const own = facts.get(e.at);
    const grip = score.grips.find((g) => g.at === e.at);
    const fresh = grip?.borrowed.filter((b) => !begins.has(keyOf(b))) ?? [];
    for (const b of grip?.borrowed ?? []) begins.add(keyOf(b));
    return [
      {
        at: e.at,
        notes: e.notes.map(({ string, fret, right, left }) => ({ string, fret, right, left })),
        left: own?.left ?? null,
        right: own?.right ?? null,
        kept: own?.kept ?? null,
        borrowed: fresh.map((b) => ({ ...b, gone: tonesGone(score, grip?.chord ?? 0, b) })),
      },
    ];
  });
}
const keyOf = ({ finger, to, free }: Borrowed): string => `${finger} ${to.string} ${to.fret} ${free}`;
/** Tones of the chord that no string has while a finger is away. */
function tonesGone({ chords, instrument }: Score, chord: number, { from, to }: Borrowed): string[] {
  const own = chords[chord];
  const read = own && readChord(soundingSymbol(own.shape.chord ?? own.name, own.shape, instrument));
  if (!own || !read?.ok) return [];
  const pitch = (string: StringNumber, fret: number) =>
    (openPitch(instrument.tuning, string, instrument.capo) + fret) % 12;
  const held = (away: boolean) =>
    new Set(
      STRINGS.flatMap((s, i) => {
        const fret = own.shape.frets[i] ?? null;
        if (fret === null) return [];
        return [pitch(s, !away ? fret : s === to.string ? to.fret : from.includes(s) ? 0 : fret)];
      }),
    );
  const [before, now] = [held(false), held(true)];
  return read.chord.tones.filter((t) => before.has(t.pitchClass) && !now.has(t.pitchClass)).map((t) => t.interval);
}
