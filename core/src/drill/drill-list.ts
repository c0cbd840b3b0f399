import { chartOf } from '../chart/index.js';
import { barBegin } from '../cycle/index.js';
import type { Section, Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import { kindOfPattern } from '../right-hand/index.js';
import type { LeftMove } from '../score/index.js';
import { type FlatPattern, flatten, type NamedCell, parseScript, printScript, writeOut } from '../script/index.js';
import { directionOf } from '../stroke/index.js';
import { CHOICES, type Way } from './choices.js';
import { askedDrill, roundKey } from './range-drills.js';
import { type SectionDrill, sectionDrills } from './section-drills.js';

/** What strikes what the piece strikes, and what is derived from it to make a hand. */
export type DrillKind = 'piece' | 'exercise';
export interface ListedDrill extends SectionDrill {
  readonly list: DrillKind;
}
/** So many of each are a lesson's; more are a catalogue. */
export const MOST_LISTED = 12;
/** A place that leaves a hand more than twice its time is no weak one. */
const WEAK_FROM = 0.5;

function wayOf({ matter }: SectionDrill): Way | null {
  switch (matter.kind) {
    case 'change':
      if (matter.way === 'in the line') return 'move';
      if (matter.way === 'alone') return 'change alone';
      if (matter.way === 'each group') return 'change in groups';
      if (matter.way === 'half') return 'change halfway';
      return 'shrinking';
    case 'round':
      return 'round';
    case 'pattern':
      break;
    default:
      return null;
  }
  const { variant, tight } = matter.drill;
  if (tight) return tight.share < WEAK_FROM ? null : 'weakest';
  switch (variant.kind) {
    case 'open strings':
      return 'hand alone';
    case 'layer':
      return 'layers';
    case 'muted':
      return 'muted';
    case 'rhythm':
      return 'rhythm';
    case 'gallop':
      return 'gallop';
    case 'crossing':
      return 'crossing';
    case 'accent through':
      return 'accents';
    case 'order':
      return 'orders';
    case 'rotation':
      return 'starts';
    case 'start finger':
      return 'order turned';
    case 'pair':
      return 'pairs';
    case 'left pairs':
    case 'string skips':
      return variant.kind;
    case 'plectrum':
      return 'plectrum';
    case 'burst':
      return variant.from === 0 ? 'burst' : 'joined';
    default:
      return null;
  }
}

/**
 * The drills that a teacher would give for a section: what strikes what the piece strikes, and exercises that are derived
 * from it, a dozen of each at most. Nothing twice, and nothing that is the section itself.
 * @param moves of its left hand, the hardest first
 */
export function drillList(
  section: Section,
  study: Study,
  profile: HandProfile,
  moves: readonly LeftMove[],
): ListedDrill[] {
  const { cells } = study;
  const { pattern } = parseScript(section.script, { stepsPerCount: section.stepsPerCount, cells });
  const flat = flatten(pattern);
  const kind = kindOfPattern(flat);
  if (kind === null) return [];
  const round = askedDrill(section, study, roundKey(lastBar(section, flat.length)), moves);
  const all = [...sectionDrills(section, profile, moves, cells), ...(round ? [round] : [])];
  const seen = new Set([soundOf(section, cells)]);
  return (['piece', 'exercise'] as const).flatMap((list) => {
    const own: ListedDrill[] = [];
    for (const [way, most] of CHOICES[kind][list]) {
      let n = 0;
      for (const drill of all) {
        if (n >= most || own.length >= MOST_LISTED) break;
        if (wayOf(drill) !== way || !begins(drill, flat)) continue;
        const made = { ...section, ...drill.make() };
        const sound = soundOf(made, cells);
        if (seen.has(sound) || (kind === 'plectrum' && !isFromDownToDown(drill, made))) continue;
        seen.add(sound);
        own.push({ ...drill, list });
        n++;
      }
    }
    return own;
  });
}
/** The last bar that a pattern reaches; -1 where it has but one. */
function lastBar({ cycle }: Section, length: number): number {
  let bars = 0;
  while (bars < MOST_BARS && barBegin(cycle, bars) < length) bars++;
  return bars > 1 ? bars - 1 : -1;
}
const MOST_BARS = 1_000;
/** Begun elsewhere it begins with another finger. */
function begins({ matter }: SectionDrill, { slots }: FlatPattern): boolean {
  if (matter.kind !== 'pattern' || matter.drill.variant.kind !== 'rotation') return true;
  const [first, other] = [slots[0]?.step, slots[matter.drill.variant.start]?.step];
  if (other?.kind !== 'stroke' || first?.kind !== 'stroke') return false;
  return other.fingers.join('') !== first.fingers.join('') || other.dir !== first.dir;
}
/** A stretch under the plectrum begins on a down stroke and lands on one. */
function isFromDownToDown({ matter }: SectionDrill, { script, stepsPerCount }: Section): boolean {
  const cut = matter.kind === 'change' || (matter.kind === 'pattern' && matter.drill.variant.kind === 'burst');
  const { events } = flatten(parseScript(script, { stepsPerCount }).pattern);
  const isDown = (e: FlatPattern['events'][number] | undefined) => !!e && directionOf(e.motion) === 'd';
  return !cut || (isDown(events[0]) && isDown(events.at(-1)));
}
/** What is played of a section: its strokes written out, and the chords in their order with their lengths. */
function soundOf(section: Section, cells: readonly NamedCell[]): string {
  const { script, stepsPerCount, start } = section;
  const { pattern } = parseScript(script, { stepsPerCount, cells });
  const { chords, length } = chartOf(section);
  // A chord that goes on over a bar line is one.
  const own = chords.filter((c, i) => c.name !== chords[i - 1]?.name);
  const spans = own.map((c, i) => `${c.name} ${(own[i + 1]?.at ?? length) - c.at}`);
  // Begun with another chord the chart is the same one.
  const turned = spans.map((_, i) => [...spans.slice(i), ...spans.slice(0, i)].join());
  return JSON.stringify([printScript(writeOut(pattern)), stepsPerCount, start, turned.sort()[0] ?? '']);
}
