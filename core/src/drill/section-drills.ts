import { printChart } from '../chart/index.js';
import { cycleLength } from '../cycle/index.js';
import type { Section } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import type { LeftMove, PlacedChange } from '../score/index.js';
import { type FlatPattern, flatten, type NamedCell, parseScript, type Pattern, printScript } from '../script/index.js';
import { bpm, lcm, TICKS_PER_COUNT } from '../time/index.js';
import { kindOfPattern } from '../right-hand/index.js';
import { fingersOf, type Step } from '../stroke/index.js';
import { drilledChart } from './drilled-chart.js';
import { drillsFor, weakestJoint } from './list.js';
import type { Drill, FigureWay, Variant } from './model.js';
import { isEven, patternOf } from './steps.js';
import { keepsPlaces, vary } from './vary.js';

/**
 * How the change between two shapes is drilled: alone, with every group, after half the pattern, after ever fewer strokes,
 * or as the strokes that bring their frets with them.
 */
export type ChangeWay = 'alone' | 'in the line' | 'each group' | 'half' | `among ${6 | 5 | 4}`;
/** What a drill of a section is about. */
export type DrillMatter =
  | { readonly kind: 'pattern'; readonly drill: Drill }
  | { readonly kind: 'change'; readonly way: ChangeWay; readonly change: PlacedChange }
  /** Some bars alone, counted from 0. */
  | { readonly kind: 'range'; readonly from: number; readonly to: number }
  /** From a bar to the end, and round into the first. */
  | { readonly kind: 'round'; readonly from: number }
  | { readonly kind: 'join'; readonly into: string }
  /** The chart as block chords, for the left hand alone. */
  | { readonly kind: 'block chords' }
  | { readonly kind: 'figure'; readonly way: FigureWay };
/** A drill of a section, both hands considered. Its key names it for good, in any language. */
export interface SectionDrill {
  readonly key: string;
  readonly matter: DrillMatter;
  /** What is played in place of what is written. */
  readonly make: () => DrilledSection;
}
export type DrilledSection = Pick<Section, 'script' | 'stepsPerCount' | 'start' | 'chart'> &
  /** Where the words under the counts are not the section's own. */
  Partial<Pick<Section, 'words'>>;
const FEWER_NOTES = [6, 5, 4] as const;
/** Hardest moves that become drills. */
export const DRILLED_CHANGES = 3;

/**
 * Every drill of a section: where it is tightest, its hardest moves, then what its pattern gives.
 * @param moves of its left hand, the hardest first
 * @param cells those that the script can call by name
 */
export function sectionDrills(
  section: Section,
  profile: HandProfile,
  moves: readonly LeftMove[],
  cells: readonly NamedCell[] = [],
): SectionDrill[] {
  const { pattern, of } = variantsOf(section, cells);
  const joint = weakestJoint(pattern, bpm(section.bpm), profile);
  const ofPattern = (drill: Drill): SectionDrill => ({
    key: drill.key,
    matter: { kind: 'pattern', drill },
    make: of(drill.variant),
  });
  return [
    ...(joint ? [ofPattern(joint)] : []),
    ...moves.slice(0, DRILLED_CHANGES).flatMap((m) => drillsOfMove(section, m, cells)),
    ...drillsFor(pattern).map(ofPattern),
  ];
}

/** The drills of one change alone, as `sectionDrills` has them. */
export function drillsOfChange(
  section: Section,
  change: PlacedChange,
  cells: readonly NamedCell[] = [],
): SectionDrill[] {
  const { pattern, of } = variantsOf(section, cells);
  return changeDrills(section, pattern, change, of);
}

/** The drills of one move of the left hand: of a change between chords, or the strokes themselves, those alone that it lies between. */
export function drillsOfMove(section: Section, move: LeftMove, cells: readonly NamedCell[] = []): SectionDrill[] {
  const { line } = move;
  if (!line) return drillsOfChange(section, move, cells);
  const { pattern, of } = variantsOf(section, cells);
  const n = flatten(pattern).slots.length;
  const variant: Variant = { kind: 'burst', from: line.from, strokes: ((line.to - line.from + n) % n) + 1 };
  return [
    {
      key: `move ${move.from.id} ${move.to.id}`,
      matter: { kind: 'change', way: 'in the line', change: move },
      make: of(variant, onOneChord(section, line.chords)),
    },
  ];
}
/** The chart of a move on one chord; of one from chord to chord what is due under its strokes. */
function onOneChord({ cycle }: Section, [from, to]: readonly [string, string]): string | undefined {
  if (from !== to) return undefined;
  return from === '' ? '' : printChart([{ name: from, ticks: cycleLength(cycle) }], cycle);
}

/** A section's pattern and how drills are made of it. */
function variantsOf(section: Section, cells: readonly NamedCell[]) {
  const { pattern } = parseScript(section.script, { stepsPerCount: section.stepsPerCount, cells });
  const of = (variant: Variant, chart?: string) => (): DrilledSection => {
    const made = vary(pattern, variant);
    return {
      script: printScript(withoutCalls(made)),
      stepsPerCount: made.stepsPerCount,
      start: section.start,
      chart: chart ?? drilledChart(section, pattern, made, variant),
      ...(section.words && !keepsPlaces(variant) ? { words: '' } : {}),
    };
  };
  return { pattern, of };
}

/** A drill stands for itself: cells that are called are written out in it. */
function withoutCalls(pattern: Pattern): Pattern {
  const plain = (items: Pattern['items']): Pattern['items'] =>
    items.map((item) => {
      if (item.kind !== 'group' && item.kind !== 'repeat') return item;
      const own = { ...item, items: plain(item.items) };
      if (own.kind === 'repeat') return own;
      return { kind: 'group', items: own.items, steps: own.steps, range: own.range };
    });
  return { ...pattern, items: plain(pattern.items) };
}

/** A change alone, then under the pattern with each group, then through ever fewer strings. */
function changeDrills(
  section: Section,
  pattern: Pattern,
  change: PlacedChange,
  of: (variant: Variant, chart: string) => () => DrilledSection,
): SectionDrill[] {
  const { cycle } = section;
  const flat = flatten(pattern);
  const kind = kindOfPattern(flat);
  const byGroup = alternating(section, change, cycle.groups);
  const drilled = (way: ChangeWay, make: SectionDrill['make']): SectionDrill => ({
    key: `change ${way} ${change.from.id} ${change.to.id}`,
    matter: { kind: 'change', way, change },
    make,
  });
  const alone = drilled('alone', () => ({
    // A block on the first count of every group; the rest of it is for the left hand.
    script: cycle.groups
      .map((g) =>
        [blockOf(flat), ...Array.from({ length: Math.max(0, Math.round(g / TICKS_PER_COUNT) - 1) }, () => '-')].join(
          ' ',
        ),
      )
      .join(' '),
    stepsPerCount: 1,
    start: 0,
    chart: byGroup,
  }));
  const same: Variant = { kind: 'start finger', by: 0 };
  const within = drilled('each group', of(same, byGroup));
  const halves = halfway(section, change, flat);
  const cut = halves === null ? halfOf(flat) : null;
  const half: SectionDrill[] =
    halves !== null
      ? [drilled('half', () => ({ ...of(same, halves)(), start: 0 }))]
      : cut
        ? [
            drilled('half', () => ({
              script: printScript(patternOf(pattern, cut)),
              stepsPerCount: pattern.stepsPerCount,
              start: 0,
              chart: inTurn(section, change, flat.length / 2),
            })),
          ]
        : [];
  // The bar shrinks: ever fewer strokes a chord, and no rest between them.
  const even = isEven(flat);
  // A hand that swings begins every chord on a down stroke, and a rasgueado is no bar that could be cut.
  const fits = (n: number) => kind !== 'rasgueado' && (kind !== 'strum' || n % 2 === 0);
  const among = FEWER_NOTES.filter((n) => even && n < flat.events.length && fits(n)).map((strokes) => {
    const until = flat.events[strokes]?.at ?? flat.length;
    return drilled(`among ${strokes}`, () => ({
      ...of({ kind: 'first strokes', strokes }, inTurn(section, change, until))(),
      start: 0,
    }));
  });
  const sounds = flat.events.length > 0;
  return [alone, ...(sounds ? [within, ...half, ...among] : [])];
}

/** How a pattern strikes a chord whole: its own first strum, else thumb and fingers together. */
function blockOf({ events }: FlatPattern): string {
  const downs = events.filter((e) => e.motion.kind === 'stroke' && e.motion.dir === 'd');
  // The index carries a chord, where it is among them.
  const strum = downs.find((e) => fingersOf(e.motion).join('') === 'i') ?? downs[0];
  if (strum?.motion.kind !== 'stroke') return 'pima:t';
  const { fingers, plectrum } = strum.motion;
  return plectrum ? 'Pd' : `${fingers.join('')}d`;
}
/** Two shapes in turn, each for one of the lengths, until they and the bars come round. */
function alternating({ cycle }: Section, { from, to }: PlacedChange, lengths: readonly number[]): string {
  const times = lengths.length % 2 === 0 ? 1 : 2;
  const all = Array.from({ length: times }, () => lengths).flat();
  return printChart(
    all.map((ticks, i) => ({ name: i % 2 === 0 ? from.name : to.name, ticks })),
    cycle,
  );
}
/** Two shapes in turn, each for so long, until they come round with the cycle; the first alone where that is too long. */
function inTurn({ cycle }: Section, { from, to }: PlacedChange, each: number): string {
  const turn = cycleLength(cycle);
  const spans = lcm(2 * each, turn) / each;
  const names = [from.name, to.name];
  return printChart(
    Array.from({ length: spans > MOST_SPANS ? 2 : spans }, (_, i) => ({ name: names[i % 2] ?? '', ticks: each })),
    cycle,
  );
}
const MOST_SPANS = 64;
/** The first half of a pattern whose second only goes on: what sounds there would be no other chord. */
function halfOf({ slots, events, length }: FlatPattern): Step[] | null {
  const half = length / 2;
  if (!isEven({ slots }) || !isWhole(half) || events.length === 0 || events.some((e) => e.at >= half)) return null;
  return slots.filter((s) => s.at < half).map((s) => s.step);
}
/** Nothing changes within a count, nor between steps. */
const isWhole = (ticks: number): boolean => ticks > 0 && ticks % TICKS_PER_COUNT === 0;
/** Shapes that change with every half of the pattern; null where halves and turns don't fit into each other. */
function halfway(section: Section, change: PlacedChange, { events, length }: FlatPattern): string | null {
  const half = length / 2;
  // Nothing is struck there: the change would not be heard.
  if (!events.some((e) => e.at >= half)) return null;
  const turn = cycleLength(section.cycle);
  if (!isWhole(half) || (turn % length !== 0 && length % (2 * turn) !== 0)) return null;
  const halves = Math.max(turn, length) / half;
  return alternating(
    section,
    change,
    Array.from({ length: halves }, () => half),
  );
}
