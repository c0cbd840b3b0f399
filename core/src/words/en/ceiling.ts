import { placeLabel } from '../../cycle/index.js';
import type { Section } from '../../piece/index.js';
import type { CeilingCause } from '../../right-hand/index.js';
import type { FlatPattern } from '../../script/index.js';
import { bpm as toBpm, HIGHEST_BPM, millisOf, ticks } from '../../time/index.js';
import { aboutSlot, type Finding, type FindingMatter } from './finding.js';
import { sayRaise } from './raise.js';

/** “ (8 notes a second)”: as fast as the pattern’s strokes follow one another where they are closest. */
function notesASecond({ events, length }: FlatPattern, tempo: number): string {
  const gaps = events.map((e, i) => (events[i + 1]?.at ?? length + (events[0]?.at ?? 0)) - e.at).filter((g) => g > 0);
  if (events.length < 2 || gaps.length === 0) return '';
  const rate = 1000 / millisOf(ticks(Math.min(...gaps)), toBpm(tempo));
  return ` (${rate.toFixed(1)} notes a second)`;
}
/** “from 2 & to 3”, “at the seam, from 4 & to 1”. */
function between(pair: { slot: number; next: number }, { slots }: FlatPattern, { cycle, start }: Section): string {
  const at = (slot: number) => placeLabel(cycle, (slots[slot]?.at ?? 0) + start);
  return `${pair.next <= pair.slot ? 'at the seam, ' : ''}from ${at(pair.slot)} to ${at(pair.next)}`;
}

/** Who sets the ceiling: a finger, a joint, or the plectrum. */
export const whoLimits = (cause: CeilingCause): string =>
  cause.kind === 'joint' ? `${cause.from} → ${cause.to}` : cause.kind === 'plectrum' ? 'the plectrum' : cause.finger;

/** What the hand can do at the most, who sets that, and what would raise it. */
export function ceiling({ load, section, raises, flat }: FindingMatter): Finding | null {
  if (load.ceiling === null || !load.cause) return null;
  const top = load.ceiling > HIGHEST_BPM ? `over ${HIGHEST_BPM}` : String(Math.floor(load.ceiling));
  const { cause } = load;
  const who = whoLimits(cause);
  const tight =
    cause.kind === 'plectrum'
      ? load.plectrum
      : cause.kind === 'joint'
        ? undefined
        : load.fingers.find((f) => f.finger === cause.finger);
  const has = tight
    ? `${who} has ${Math.floor(tight.leastMs)} ms between strokes and needs ${Math.ceil(tight.neededMs)}`
    : `the joint ${who} is the tightest place`;
  const joint = cause.kind === 'joint' ? load.joints.find((j) => j.from === cause.from && j.to === cause.to) : tight;
  const where = joint ? `, ${between(joint, flat, section)}` : '';
  const detail =
    cause.kind === 'golpe'
      ? ' (the golpe is tapped with a)'
      : cause.kind === 'finger' && cause.half
        ? ' (down and up: half a return)'
        : cause.kind === 'plectrum' && cause.onItsWay
          ? ' (an answer, or on to the string it rests on: half a return)'
          : '';
  const best = load.ceiling < HIGHEST_BPM ? raises[0] : undefined;
  // A tempo beyond the metronome’s is not told, nor how fast its notes would be.
  const notes = (tempo: number) => notesASecond(flat, Math.min(tempo, HIGHEST_BPM));
  const late = section.bpm > load.ceiling;
  const near = !late && section.bpm > load.ceiling * 0.9;
  return {
    id: 'ceiling',
    tone: late ? 'late' : near ? 'watch' : 'plain',
    ...aboutSlot(joint?.slot),
    title: late ? `No room at ${section.bpm}: ${who} is late` : `Ceiling ${top}${notes(load.ceiling)}: ${who}`,
    lines: [
      `At ${section.bpm}${notes(section.bpm)}, ${has}${where}${detail}.`,
      ...(late ? [`It fits up to ${top}${notes(load.ceiling)}.`] : []),
      ...(best ? [`${sayRaise(best)}: it would be ${Math.min(HIGHEST_BPM, Math.floor(best.ceiling))}.`] : []),
      ...(near
        ? [
            `Close to the limit: a few passes at a time, and let the ${cause.kind === 'plectrum' ? 'wrist' : 'finger'} go after each stroke.`,
          ]
        : []),
    ],
  };
}
