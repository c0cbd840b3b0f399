import { placeLabel } from '../../cycle/index.js';
import { roomOf } from '../../player/index.js';
import type { Reading } from '../../reading/index.js';
import type { FlatPattern } from '../../script/index.js';
import { bpm as toBpm, HIGHEST_BPM, millisOf, ticks } from '../../time/index.js';
import { finding, type FindingOf, type GraveMatter, placeOfSlot, type Tone } from '../model.js';

const TONE = { late: 'late', near: 'watch', 'in time': 'plain' } as const satisfies Record<string, Tone>;

/** Under half its time no joint is weak. */
const HALF = 0.5;

/** What the hand can do at the most, who sets that, and what would raise it; null where nothing does. */
export function ceiling(m: GraveMatter & Partial<Pick<Reading, 'raises'>>): FindingOf<'ceiling'> | null {
  const { load, section, raises = [], flat } = m;
  const { cause } = load;
  if (load.ceiling === null || !cause) return null;
  const joint = cause.kind === 'joint' ? load.joints.find((j) => j.from === cause.from && j.to === cause.to) : null;
  const own =
    cause.kind === 'plectrum'
      ? load.plectrum
      : cause.kind === 'joint'
        ? null
        : (load.fingers.find((f) => f.finger === cause.finger) ?? null);
  const pair = joint ?? own;
  /** Over the seam it is a stroke of the next pass. */
  const at = (slot: number, passes = 0) =>
    placeLabel(section.cycle, (flat.slots[slot]?.at ?? 0) + passes * flat.length + section.start);
  const room = roomOf(section.bpm / load.ceiling);
  return finding('ceiling', TONE[room], placeOfSlot(m, pair?.slot ?? null), {
    ceiling: load.ceiling,
    bpm: toBpm(section.bpm),
    room,
    cause,
    slack: joint !== null && joint !== undefined && joint.share < HALF,
    tight: own ? { thereMs: own.leastMs, neededMs: own.neededMs } : null,
    between: pair
      ? { from: at(pair.slot), to: at(pair.next, Number(pair.next <= pair.slot)), seam: pair.next <= pair.slot }
      : null,
    rate: rateOf(flat, section.bpm, load.ceiling),
    raise: load.ceiling < HIGHEST_BPM ? (raises[0] ?? null) : null,
    left: leftOf(m, load.ceiling),
  });
}
function leftOf({ left }: GraveMatter, right: number): FindingOf<'ceiling'>['figures']['left'] {
  const tight = left?.move.sequential;
  if (!left || !tight) return null;
  const { from, to, label } = left.move;
  const names = { from: from.name, to: to.name };
  return { ceiling: left.ceiling, ...names, label, finger: tight.finger, limits: left.ceiling < right };
}
/** Notes a second where strokes are closest; a tempo beyond the metronome's is not told. */
function rateOf({ events, length }: FlatPattern, now: number, top: number) {
  const gaps = events.map((e, i) => (events[i + 1]?.at ?? length + (events[0]?.at ?? 0)) - e.at).filter((g) => g > 0);
  if (events.length < 2 || gaps.length === 0) return null;
  const at = (tempo: number) => 1000 / millisOf(ticks(Math.min(...gaps)), toBpm(Math.min(tempo, HIGHEST_BPM)));
  return { now: at(now), top: at(top) };
}
