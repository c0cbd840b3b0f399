import { cycleLength } from '../cycle/index.js';
import type { Harmony, Section } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import type { PlacedChange } from '../score/index.js';
import { flatten, parseScript, printScript, writeOut } from '../script/index.js';
import { bpm, ticks, TICKS_PER_COUNT } from '../time/index.js';
import { drillsFor, weakestJoint } from './list.js';
import type { Drill, Variant } from './model.js';
import { keepsPlaces, vary } from './vary.js';

/** How the change between two shapes is drilled: alone, with every group, after half the pattern, or after so many strings. */
export type ChangeWay = 'alone' | 'each group' | 'half' | 6 | 5 | 4;
/** What a drill of a section is about. */
export type DrillMatter =
  | { readonly kind: 'pattern'; readonly drill: Drill }
  | { readonly kind: 'change'; readonly way: ChangeWay; readonly change: PlacedChange };
/** A drill of a section, both hands considered. Its key names it for good, in any language. */
export interface SectionDrill {
  readonly key: string;
  readonly matter: DrillMatter;
  /** What is played in place of what is written. */
  readonly make: () => DrilledSection;
}
export type DrilledSection = Pick<Section, 'script' | 'stepsPerCount' | 'start' | 'harmony'> & {
  readonly stopped: NonNullable<Section['stopped']>;
  /** The same cycle in other groups, where the drill's changes ask for them. */
  readonly cycle?: Section['cycle'];
};
/** Hardest changes that become drills. */
const DRILLED_CHANGES = 3;

/** Every drill of a section: where it is tightest, its hardest changes, then what its pattern gives. */
export function sectionDrills(
  section: Section,
  profile: HandProfile,
  changes: readonly PlacedChange[],
): SectionDrill[] {
  const { pattern } = parseScript(section.script, section);
  const of =
    (variant: Variant, harmony: Harmony = section.harmony) =>
    (): DrilledSection => {
      const made = vary(pattern, variant);
      return {
        script: printScript(made),
        stepsPerCount: made.stepsPerCount,
        start: section.start,
        harmony: variant.kind === 'open strings' ? { per: 'turn', shapes: [] } : harmony,
        stopped: keepsPlaces(variant) ? (section.stopped ?? []) : [],
      };
    };
  const joint = weakestJoint(pattern, bpm(section.bpm), profile);
  const ofPattern = (drill: Drill): SectionDrill => ({
    key: drill.key,
    matter: { kind: 'pattern', drill },
    make: of(drill.variant),
  });
  return [
    ...(joint ? [ofPattern(joint)] : []),
    ...changes.slice(0, DRILLED_CHANGES).flatMap((c) => changeDrills(section, c, of)),
    ...drillsFor(pattern).map(ofPattern),
  ];
}

/** A change alone, then under the pattern with each group, then through ever fewer strings. */
function changeDrills(
  section: Section,
  change: PlacedChange,
  of: (variant: Variant, harmony: Harmony) => () => DrilledSection,
): SectionDrill[] {
  const harmony: Harmony = { per: 'group', shapes: [change.from.id, change.to.id] };
  const drilled = (way: ChangeWay, make: SectionDrill['make']): SectionDrill => ({
    key: `change ${way} ${change.from.id} ${change.to.id}`,
    matter: { kind: 'change', way, change },
    make,
  });
  const { pattern } = parseScript(section.script, section);
  const strums = writeOut(pattern).items.some(
    (i) => i.kind === 'step' && i.step.kind === 'stroke' && i.step.dir !== null,
  );
  const alone = drilled('alone', () => ({
    // A block on the first count of every group; the rest of it is for the left hand.
    script: section.cycle.groups
      .map((g) =>
        ['pima:t', ...Array.from({ length: Math.max(0, Math.round(g / TICKS_PER_COUNT) - 1) }, () => '-')].join(' '),
      )
      .join(' '),
    stepsPerCount: 1,
    start: 0,
    harmony,
    stopped: [],
  }));
  const within = drilled('each group', of({ kind: 'start finger', by: 0 }, harmony));
  const halved = halfway(section, flatten(pattern).length);
  const half: SectionDrill[] = halved
    ? [
        drilled('half', () => ({
          ...of({ kind: 'start finger', by: 0 }, { ...harmony, per: halved.per })(),
          start: 0,
          ...(halved.cycle ? { cycle: halved.cycle } : {}),
        })),
      ]
    : [];
  const fewer = ([6, 5, 4] as const).map((n) => drilled(n, of({ kind: 'fewer strings', strings: n }, harmony)));
  const sounds = flatten(pattern).events.length > 0;
  return [alone, ...(sounds ? [within, ...half] : []), ...(strums ? fewer : [])];
}

/** Shapes that change with every half of the pattern: by turns, or by groups of that length. Null where halves don't fit the turn. */
function halfway({ cycle }: Section, length: number): { per: Harmony['per']; cycle?: Section['cycle'] } | null {
  const half = length / 2;
  const turn = cycleLength(cycle);
  if (!Number.isInteger(half) || half === 0) return null;
  if (half === turn) return { per: 'turn' };
  // An even number of halves, so that every turn begins with the same shape.
  if (turn % (2 * half) !== 0) return null;
  return { per: 'group', cycle: { ...cycle, groups: Array.from({ length: turn / half }, () => ticks(half)) } };
}
