import { type Cell, CELLS } from '../catalogue/index.js';
import { heldInTurn, shapeAt } from '../chart/index.js';
import { cycleLength } from '../cycle/index.js';
import { ceilingRaises, type Raise } from '../drill/index.js';
import type { ScriptFault } from '../fault/index.js';
import type { Tuning } from '../instrument/index.js';
import { type Shape, stopOver, stoppedAt } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import {
  handLoad,
  type HandLoad,
  motionCheck,
  type Pendulum,
  type Plant,
  type PlantEvent,
  plantPlan,
  soundStroke,
} from '../right-hand/index.js';
import { layOnCycle, type Layout, type Rotation, rotations } from '../round/index.js';
import { type BarreHold, barreHolds, type PlacedChange, sectionChanges } from '../score/index.js';
import { type FlatPattern, flatten, parseScript } from '../script/index.js';
import { countInPlan, type Plan, planPlayback } from '../sound/index.js';
import { directionOf, hasMark } from '../stroke/index.js';
import { bpm, wrap } from '../time/index.js';

export interface ReadingRequest {
  readonly section: Section;
  readonly shapes: readonly Shape[];
  readonly tuning: Tuning;
  readonly capo: number;
  readonly profile: HandProfile;
  /** The player's own cells, beside the shipped ones. */
  readonly cells?: readonly Cell[];
}
/** All that the screens show about a section, computed in one go. */
export interface Reading {
  readonly faults: readonly ScriptFault[];
  readonly flat: FlatPattern;
  readonly layout: Layout;
  /** The best starts, and the written one. */
  readonly rotations: readonly Rotation[];
  /** No start is better than another over all turns. */
  readonly startsEqual: boolean;
  readonly plants: readonly Plant[];
  readonly pendulum: Pendulum;
  readonly load: HandLoad;
  /** What would let it go faster, best first. */
  readonly raises: readonly Raise[];
  /** Changes between shapes, the hardest first. */
  readonly changes: readonly PlacedChange[];
  /** Barres held through one shape or several, the one that asks most first. */
  readonly barres: readonly BarreHold[];
  readonly plan: Plan;
  readonly countIn: Plan;
}

/** Strokes laid out for the screens; the turns themselves are counted exactly. */
const SHOWN_STROKES = 4_000;
/** Changes handed on, the hardest first. */
const SHOWN_CHANGES = 64;
/** Starts handed on, the best first. */
const SHOWN_STARTS = 64;

export function readSection(request: ReadingRequest): Reading {
  const { section, shapes, tuning, capo, profile } = request;
  const { cycle, start } = section;
  const { pattern, faults } = parseScript(section.script, { stepsPerCount: section.stepsPerCount, cycle, start });
  const flat = flatten(pattern);
  const layout = layOnCycle(flat, cycle, { start, limit: SHOWN_STROKES });
  const plants = plantPlan(plantEvents(request, flat));
  const pendulum = motionCheck(pattern);
  const load = handLoad(flat, bpm(section.bpm), profile);
  const ranked = rotations(flat, cycle);
  const cells = [...CELLS, ...(request.cells ?? [])].filter((c) => c.family === cycle.family);
  const raises = ceilingRaises(pattern, bpm(section.bpm), profile, cells);
  const changes = sectionChanges(section, layout, shapes, profile, { tuning, capo });
  return {
    faults,
    flat,
    layout,
    rotations: ranked.filter((r, n) => n < SHOWN_STARTS || r.slot === 0),
    startsEqual: ranked.every((r) => r.overall === ranked[0]?.overall),
    plants,
    pendulum,
    load,
    // The best of each way: an exchange, another start, another school, another cell.
    raises: raises.filter((r, n) => raises.findIndex((o) => o.how === r.how) === n),
    changes: changes.slice(0, SHOWN_CHANGES),
    barres: barreHolds(section, shapes, profile),
    plan: planPlayback(section, layout, shapes, { tuning, capo }),
    countIn: countInPlan(cycle),
  };
}

/** The first pass under the shapes it meets, as planting sees it. */
function plantEvents({ section, shapes, tuning, capo }: ReadingRequest, flat: FlatPattern): PlantEvent[] {
  const turnLength = cycleLength(section.cycle);
  const stopped = stoppedAt(section.stopped ?? []);
  return flat.events.map((e) => {
    const at = e.at + section.start;
    const held = heldInTurn(section, shapes, Math.max(0, Math.floor(at / turnLength)));
    return {
      at: e.at,
      touches: soundStroke(e.motion, stopOver(shapeAt(held, wrap(at, turnLength)), stopped(e.at)), { tuning, capo }),
      strum: directionOf(e.motion) !== null,
      rings: hasMark(e.motion, '~'),
    };
  });
}
