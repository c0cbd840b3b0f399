import { type AccentCycle, barTicks, cycleLength } from '../cycle/index.js';
import type { Instrument } from '../instrument/index.js';
import type { Shape } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { ticks, type Ticks, TICKS_PER_COUNT } from '../time/index.js';
import { type Felt, feltAt } from './feel.js';
import { dronesUntil } from './hum.js';
import { type BeatSound, byPlace, type Plan } from './plan-model.js';

/** How a pair of hands claps: the accents alone, the whole cycle, or the cycle with a second pair against it. */
export const PALMAS = ['accents', 'cycle', 'against'] as const;
export type Palmas = (typeof PALMAS)[number];
/** What keeps the time for the player. */
export interface TimeKeeping {
  readonly palmas: Palmas;
  /** A foot on every beat. */
  readonly foot: boolean;
  /** The chord's root and fifth sound on under everything. */
  readonly drone: boolean;
  /** So many steps on every click; 0: the click is on the beats. */
  readonly stepsAClick: number;
  /** So many bars are heard, then so many are silent; null: all are heard. */
  readonly silent: { readonly heard: number; readonly silent: number } | null;
}
/** Bounds of what a player can ask for. */
export const MOST_BARS_SILENT = 16;
export const MOST_STEPS_A_CLICK = 16;
export const PLAIN_TIME: TimeKeeping = {
  palmas: 'accents',
  foot: false,
  drone: false,
  stepsAClick: 0,
  silent: null,
};
/** From this weight on an accent is clapped clear where the whole cycle is clapped. */
const CLEAR = 0.5;
/** How loud: a muffled clap, the other pair of hands, a step of the foot. */
const SOFT = { muffled: 0.5, other: 0.4, foot: 0.6 };
const LATER_CLICK = 0.6;

/** The places of the beats of one turn: every count, or every so many where it is felt so. */
const beatsOf = ({ cycle, feel }: Felt): Ticks[] => {
  const every = feel?.countsABeat ?? 1;
  return cycle.labels.flatMap((_, n) => (n % every === 0 ? [ticks(n * TICKS_PER_COUNT)] : []));
};

/** Clicks of one turn on the beats, or on so many steps each. */
function clicksOfTurn(felt: Felt, from: number, stepsAClick: number): BeatSound[] {
  const { cycle, stepsPerCount = 1 } = felt;
  const apart = (stepsAClick * TICKS_PER_COUNT) / stepsPerCount;
  const places = stepsAClick
    ? Array.from({ length: Math.ceil(cycleLength(cycle) / apart) }, (_, n) => ticks(Math.round(n * apart)))
    : beatsOf(felt);
  return places.map((at) => ({ kind: 'click', at: ticks(from + at), gain: at === 0 ? 1 : LATER_CLICK }));
}

/** Claps of one turn. Whole counts that bear no accent are muffled; the second pair of hands claps between the counts. */
function clapsOfTurn({ accents, labels }: AccentCycle, from: number, palmas: Palmas): BeatSound[] {
  if (palmas === 'accents') return accents.map((a) => ({ kind: 'clap', at: ticks(from + a.at), gain: a.weight }));
  const clear = accents.filter((a) => a.weight >= CLEAR);
  const counts = labels.map((_, n) => n * TICKS_PER_COUNT);
  const muffled = [...new Set([...counts, ...accents.map((a) => a.at as number)])].filter(
    (at) => !clear.some((a) => a.at === at),
  );
  // Where an accent lies between counts both pairs clap at once: it is heard as the clear one.
  const second =
    palmas === 'against'
      ? counts.map((at) => at + TICKS_PER_COUNT / 2).filter((at) => !clear.some((a) => a.at === at))
      : [];
  return [
    ...clear.map((a): BeatSound => ({ kind: 'clap', at: ticks(from + a.at), gain: a.weight })),
    ...muffled.map((at): BeatSound => ({ kind: 'muffled clap', at: ticks(from + at), gain: SOFT.muffled })),
    ...second.map((at): BeatSound => ({ kind: 'clap', at: ticks(from + at), gain: SOFT.other })),
  ];
}

/** What keeps the time through so many ticks of a section, where it sounds as its feel has it. */
export function beatsUntil(felt: Felt, length: Ticks, keeping: TimeKeeping = PLAIN_TIME): BeatSound[] {
  const turn = cycleLength(felt.cycle);
  const turns = Math.max(1, Math.ceil(length / turn));
  const feet = keeping.foot ? beatsOf(felt) : [];
  return Array.from({ length: turns }, (_, n): BeatSound[] => [
    ...clicksOfTurn(felt, n * turn, keeping.stepsAClick),
    ...clapsOfTurn(felt.cycle, n * turn, keeping.palmas),
    ...feet.map((at): BeatSound => ({ kind: 'foot', at: ticks(n * turn + at), gain: SOFT.foot })),
  ])
    .flat()
    .flatMap((s) => (s.at < length ? [{ ...s, at: feltAt(s.at, length, felt) }] : []));
}

/** One turn of claps and clicks before the music, two when the turn is shorter than four counts. */
export function countInPlan(cycle: AccentCycle): Plan {
  const turns = cycle.counts < 4 ? 2 : 1;
  const length = ticks(turns * cycleLength(cycle));
  return { sounds: byPlace(beatsUntil({ cycle }, length)), length, turns };
}

/** A bar of a cycle, for what is counted in bars; where they differ in length, its whole turn. */
const evenBar = (cycle: AccentCycle): number => {
  const [first = 0, ...others] = barTicks(cycle);
  return others.every((b) => b === first) ? first : cycleLength(cycle);
};
const isOfTime = (kind: string) => ['click', 'clap', 'muffled clap', 'foot', 'drone'].includes(kind);
/**
 * A section's plan with another way of keeping time: its strokes stay where they are.
 * @example inTime(countInPlan(cycleById('vals')), makeStudy('s', 'Stair').sections[0], makeStudy('s', 'Stair'), PLAIN_TIME).turns // 2
 */
export function inTime(
  plan: Plan,
  section: Felt & Pick<Section, 'chart'>,
  study: { readonly shapes: readonly Shape[]; readonly instrument: Instrument },
  keeping: TimeKeeping,
): Plan {
  const { silent } = keeping;
  const bar = evenBar(section.cycle);
  const drones = keeping.drone ? dronesUntil(section, study, plan.length) : [];
  const strokes = plan.sounds.filter((s) => !isOfTime(s.kind));
  const sounds = [...beatsUntil(section, plan.length, keeping), ...drones, ...strokes];
  return {
    ...plan,
    sounds: byPlace(sounds),
    ...(silent ? { silent: { heard: ticks(silent.heard * bar), silent: ticks(silent.silent * bar) } } : {}),
  };
}
