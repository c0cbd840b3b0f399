import { CELLS } from '../catalogue/index.js';
import { type ChartFault, chartOf } from '../chart/index.js';
import { type ChordReading, readChord } from '../chord/index.js';
import { ceilingRaises, type Raise } from '../drill/index.js';
import { quoted, type Range, textFault } from '../fault/index.js';
import {
  handLoad,
  type HandLoad,
  kindOfPattern,
  motionCheck,
  type Pendulum,
  type Plant,
  type PlantEvent,
  plantPlan,
} from '../right-hand/index.js';
import type { Kind } from '../passage/index.js';
import { layOnCycle, type Layout, type Rotation, rotations } from '../round/index.js';
import {
  type BarreHold,
  barreHolds,
  type ChordSound,
  chordSounds,
  type HeldOver,
  heldOver,
  leftLoad,
  type LeftLoad,
  type LeftMove,
  leftMoves,
  pedalsOf,
  type PlacedChange,
  type Score,
  sectionChanges,
} from '../score/index.js';
import type { FlatPattern, ScriptFault } from '../script/index.js';
import { countInPlan, type Plan, planPlayback } from '../sound/index.js';
import { directionOf, hasMarkAnywhere } from '../stroke/index.js';
import { bpm } from '../time/index.js';
import { betterStart, type BetterStart } from './better-start.js';
import { HIGHEST_FRET, type Shape, writtenFrets } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import type { ReadingRequest } from './reading-request.js';
import { writeWorkedOut } from './work-out.js';
import { workedScore } from './worked-score.js';

/** What a section is, and what stands against it: all that findings of what is wrong are made of. */
export interface SectionFacts {
  readonly faults: readonly ScriptFault[];
  readonly chartFaults: readonly ChartFault[];
  /** The pattern as it is written, with fingers that were worked out in their places. */
  readonly flat: FlatPattern;
  /** The one timeline: everything that is played, with both hands. */
  readonly score: Score;
  /** Chords whose strokes or shapes do not bear their names out. */
  readonly chordSounds: readonly ChordSound[];
  /** Strokes that are held over the change of a chord. */
  readonly heldOver: readonly HeldOver[];
  /** The kind of playing that most of it stands in; null where nothing is struck. */
  readonly kind: Kind | null;
  readonly load: HandLoad;
  /** Changes between shapes, the hardest first. */
  readonly changes: readonly PlacedChange[];
  /** Every move of the left hand, frets in strokes too, the hardest first. */
  readonly moves: readonly LeftMove[];
  /** What the left hand can do at the most; null where nothing of it moves. */
  readonly left: LeftLoad | null;
  /** Barres held through one shape or several, the one that asks most first. */
  readonly barres: readonly BarreHold[];
}
/** All that the screens show about a section, computed in one go. */
export interface Reading extends SectionFacts {
  /** Chord symbols and frets of the chart for which the study has no shape yet. */
  readonly wanting: readonly string[];
  /** Slots whose fingers are not all written. */
  readonly workedOut: readonly number[];
  /** The script with these fingers written into it. */
  readonly workedScript: string;
  readonly layout: Layout;
  /** The best starts, and the written one. */
  readonly rotations: readonly Rotation[];
  /** A start to be proposed; null where the written one is as good, or belongs to the music. */
  readonly betterStart: BetterStart | null;
  /** What can be set beforehand; empty where nobody plants. */
  readonly plants: readonly Plant[];
  readonly pendulum: Pendulum;
  /** What would let it go faster, best first. */
  readonly raises: readonly Raise[];
  readonly plan: Plan;
  readonly countIn: Plan;
}

/** Fingers are set on their strings beforehand in these; a scale, a strum and a plectrum go from stroke to stroke. */
const PLANTED: ReadonlySet<Kind> = new Set<Kind>([
  'arpeggio',
  'tremolo',
  'block chords',
  'comping',
  'melody over basses',
  'thumb line',
]);
/** Strokes laid out for the screens; the turns themselves are counted exactly. */
const SHOWN_STROKES = 4_000;
/** Changes handed on, the hardest first. */
const SHOWN_CHANGES = 64;
/** Starts handed on, the best first. */
const SHOWN_STARTS = 64;

/** Reads what findings of what is wrong are made of, and nothing else. */
export const readFacts = (request: ReadingRequest): SectionFacts => factsOf(request, workedScore(request));

function factsOf(
  { section, shapes, profile }: ReadingRequest,
  { faults, flat, score }: ReturnType<typeof workedScore>,
): SectionFacts {
  const moves = leftMoves(section, score, profile);
  return {
    faults,
    chartFaults: readNames(section, shapes).chartFaults,
    flat,
    score,
    chordSounds: chordSounds(score),
    heldOver: heldOver(score).slice(0, SHOWN_CHANGES),
    kind: kindOfPattern(flat),
    load: handLoad(flat, bpm(section.bpm), profile),
    changes: sectionChanges(section, score, profile).slice(0, SHOWN_CHANGES),
    moves: moves.slice(0, SHOWN_CHANGES),
    left: leftLoad(moves, section.bpm),
    barres: barreHolds(score, bpm(section.bpm), profile),
  };
}
export function readSection(request: ReadingRequest): Reading {
  const { section, shapes, profile } = request;
  const { cycle, start } = section;
  const read = workedScore(request);
  const { written, faults, worked, flat, score } = read;
  const { pattern, workedOut } = worked;
  const facts = factsOf(request, read);
  const ranked = rotations(flat, cycle);
  const cells = [...CELLS, ...(request.cells ?? [])].filter((c) => c.family === cycle.family);
  const raises = ceilingRaises(pattern, bpm(section.bpm), profile, cells);
  return {
    ...facts,
    wanting: readNames(section, shapes).wanting,
    workedOut: [...workedOut],
    workedScript: faults.length ? section.script : writeWorkedOut(section.script, written, worked),
    layout: layOnCycle(flat, cycle, { start, limit: SHOWN_STROKES }),
    rotations: ranked.filter((r, n) => n < SHOWN_STARTS || r.slot === 0),
    betterStart: betterStart(flat, cycle, start, ranked),
    plants: facts.kind && PLANTED.has(facts.kind) ? plantPlan(plantEvents(score, flat)) : [],
    pendulum: motionCheck(pattern),
    // The best of each way: an exchange, another start, another school, another cell.
    raises: raises.filter((r, n) => raises.findIndex((o) => o.how === r.how) === n),
    plan: planPlayback(score, section),
    countIn: countInPlan(cycle),
  };
}

/** A symbol of the chart that is none; what was run together has its remedy. */
function unreadSymbol(name: string, range: Range, { refusal, near }: Extract<ChordReading, { ok: false }>): ChartFault {
  const figures = [quoted(name), ...near];
  if (refusal.code === 'several chords') return textFault(range, 'several chords', figures, near[0]);
  return textFault(range, refusal.code === 'two readings' ? 'two readings' : 'no such chord', figures);
}

/**
 * What is wrong with the chart, and which of its symbols still want a shape.
 * @example readNames(makeStudy('s', 'Stair').sections[0], []).wanting // []
 */
export function readNames(
  section: Pick<Section, 'chart' | 'cycle'>,
  shapes: readonly Shape[],
): Pick<Reading, 'chartFaults' | 'wanting'> {
  const { chords, faults } = chartOf(section);
  const known = new Set(shapes.map((s) => s.name));
  const wanting = new Set<string>();
  const unknown = new Map<string, ChartFault>();
  for (const { name, range } of chords) {
    if (name === '' || known.has(name) || wanting.has(name) || unknown.has(name)) continue;
    const frets = writtenFrets(name);
    const reading = readChord(name);
    if (frets === 'misread') unknown.set(name, textFault(range, 'frets misread', [quoted(name), HIGHEST_FRET]));
    else if (frets || reading.ok) wanting.add(name);
    else unknown.set(name, unreadSymbol(name, range, reading));
  }
  const all = [...faults, ...unknown.values()].sort((a, b) => a.from - b.from);
  return { chartFaults: all, wanting: [...wanting] };
}

/** The first pass as planting sees it. */
function plantEvents(score: Score, flat: FlatPattern): PlantEvent[] {
  const bySlot: Score['events'][number][] = [];
  for (const e of score.events) {
    const there = bySlot[e.slot];
    if (!there || e.pass < there.pass) bySlot[e.slot] = e;
  }
  const pedals = pedalsOf(score.events);
  return flat.events.map(({ at, slot, motion }): PlantEvent => {
    const first = bySlot[slot];
    return {
      at,
      touches: first?.notes.map((n) => ({ finger: n.right, string: n.string })) ?? [],
      strum: directionOf(motion) !== null || motion.kind === 'ligado',
      rings: hasMarkAnywhere(motion, '~') || (first !== undefined && pedals.has(first)),
    };
  });
}
