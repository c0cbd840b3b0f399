import { printChart } from '../chart/index.js';
import { cycleLength } from '../cycle/index.js';
import type { Section } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import type { LeftMove, PlacedChange } from '../score/index.js';
import { flatten, type NamedCell, parseScript, type Pattern, printScript, writeOut } from '../script/index.js';
import { bpm, TICKS_PER_COUNT } from '../time/index.js';
import { kindOfPattern } from '../right-hand/index.js';
import { drilledChart } from './drilled-chart.js';
import { drillsFor, weakestJoint } from './list.js';
import type { Drill, FigureWay, Variant } from './model.js';
import { keepsPlaces, vary } from './vary.js';

/** How the change between two shapes is drilled: alone, with every group, after half the pattern, after so many
 * strings of a strum, among so many notes of an arpeggio, or as the strokes that bring their frets with them. */
export type ChangeWay = 'alone' | 'in the line' | 'each group' | 'half' | 6 | 5 | 4 | `among ${6 | 5 | 4}`;
/** What a drill of a section is about. */
export type DrillMatter =
  | { readonly kind: 'pattern'; readonly drill: Drill }
  | { readonly kind: 'change'; readonly way: ChangeWay; readonly change: PlacedChange }
  /** Some bars alone, counted from 0. */
  | { readonly kind: 'range'; readonly from: number; readonly to: number }
  /** From a bar to the end, and round into the first. */
  | { readonly kind: 'round'; readonly from: number }
  | { readonly kind: 'join'; readonly into: string }
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
  const byGroup = alternating(section, change, cycle.groups);
  const drilled = (way: ChangeWay, make: SectionDrill['make']): SectionDrill => ({
    key: `change ${way} ${change.from.id} ${change.to.id}`,
    matter: { kind: 'change', way, change },
    make,
  });
  const strums = writeOut(pattern).items.some(
    (i) => i.kind === 'step' && i.step.kind === 'stroke' && i.step.dir !== null,
  );
  const alone = drilled('alone', () => ({
    // A block on the first count of every group; the rest of it is for the left hand.
    script: cycle.groups
      .map((g) =>
        ['pima:t', ...Array.from({ length: Math.max(0, Math.round(g / TICKS_PER_COUNT) - 1) }, () => '-')].join(' '),
      )
      .join(' '),
    stepsPerCount: 1,
    start: 0,
    chart: byGroup,
  }));
  const same: Variant = { kind: 'start finger', by: 0 };
  const within = drilled('each group', of(same, byGroup));
  const halves = halfway(section, change, flatten(pattern).length);
  const half: SectionDrill[] = halves === null ? [] : [drilled('half', () => ({ ...of(same, halves)(), start: 0 }))];
  const fewer = ([6, 5, 4] as const).map((n) => drilled(n, of({ kind: 'fewer strings', strings: n }, byGroup)));
  const flat = flatten(pattern);
  // An arpeggio goes through its strings one by one: half of it, then ever fewer notes with the change among them.
  const among: SectionDrill[] =
    halves === null || kindOfPattern(flat) !== 'arpeggio'
      ? []
      : FEWER_NOTES.filter((n) => n < flat.events.length).map((strokes) =>
          drilled(`among ${strokes}`, () => ({ ...of({ kind: 'around the middle', strokes }, halves)(), start: 0 })),
        );
  const sounds = flat.events.length > 0;
  return [alone, ...(sounds ? [within, ...half, ...among] : []), ...(strums ? fewer : [])];
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
/** Shapes that change with every half of the pattern; null where halves and turns don't fit into each other. */
function halfway(section: Section, change: PlacedChange, length: number): string | null {
  const half = length / 2;
  const turn = cycleLength(section.cycle);
  if (!Number.isInteger(half) || half === 0 || (turn % length !== 0 && length % (2 * turn) !== 0)) return null;
  const halves = Math.max(turn, length) / half;
  return alternating(
    section,
    change,
    Array.from({ length: halves }, () => half),
  );
}
