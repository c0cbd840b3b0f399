import type { FindingFigures } from '../../findings/index.js';
import type { CeilingCause } from '../../right-hand/index.js';
import { HIGHEST_BPM } from '../../time/index.js';
import { fingerName } from './left-hand/left-hand-findings.js';
import { sayRaise } from './raise.js';

/** Who sets the ceiling: a finger, a joint, or the plectrum. */
export const whoLimits = (cause: CeilingCause): string =>
  cause.kind === 'joint' ? `${cause.from} → ${cause.to}` : cause.kind === 'plectrum' ? 'the plectrum' : cause.finger;

/** A return that need not be whole, and what is tapped with a finger. */
const detailOf = (cause: CeilingCause): string => {
  if (cause.kind === 'golpe') return ' (the golpe is tapped with a)';
  if (cause.kind === 'finger' && cause.half) return ' (down and up: half a return)';
  if (cause.kind === 'plectrum' && cause.onItsWay)
    return ' (an answer, or on to the string it rests on: half a return)';
  return '';
};
const tempo = (ceiling: number): string =>
  ceiling > HIGHEST_BPM ? `over ${HIGHEST_BPM}` : String(Math.floor(ceiling));

export function sayCeiling(f: FindingFigures['ceiling']): { title: string; lines: string[] } {
  const who = whoLimits(f.cause);
  const notes = (rate: number | undefined) => (rate === undefined ? '' : ` (${rate.toFixed(1)} notes a second)`);
  const [now, top] = [notes(f.rate?.now), `${tempo(f.ceiling)}${notes(f.rate?.top)}`];
  const has = f.tight
    ? `${who} has ${Math.floor(f.tight.thereMs)} ms between strokes and needs ${Math.ceil(f.tight.neededMs)}`
    : `the joint ${who} is the tightest place`;
  const { between: b } = f;
  const where = b ? `, ${b.seam ? 'at the seam, ' : ''}from ${b.from} to ${b.to}` : '';
  const lines = f.slack
    ? [`At ${f.bpm}${now}, every finger has twice the time that it needs.`]
    : [`At ${f.bpm}${now}, ${has}${where}${detailOf(f.cause)}.`];
  if (f.room === 'late') lines.push(`It fits up to ${top}.`);
  if (f.left) lines.push(sayLeft(f.left));
  if (f.raise) lines.push(`${sayRaise(f.raise)}: it would be ${Math.min(HIGHEST_BPM, Math.floor(f.raise.ceiling))}.`);
  if (f.room === 'near')
    lines.push(
      `Close to the limit: a few passes at a time, and let the ${f.cause.kind === 'plectrum' ? 'wrist' : 'finger'} go after each stroke.`,
    );
  if (f.room === 'late') return { title: `No room at ${f.bpm}: ${who} is late`, lines };
  const title = f.left?.limits
    ? `Ceiling ${tempo(f.left.ceiling)}: the left hand; the right hand’s is ${tempo(f.ceiling)}`
    : `Ceiling ${top}: ${who}`;
  return { title, lines };
}
/** The left hand's own ceiling, and which of the two hands is the limit. */
function sayLeft(left: NonNullable<FindingFigures['ceiling']['left']>): string {
  const { ceiling, from, to, label, finger } = left;
  const limit = left.limits ? 'it is the limit' : 'the right hand is the limit';
  return `The left hand’s ceiling is ${tempo(ceiling)} (${fingerName(finger)}, ${from} → ${to} on ${label}): ${limit}.`;
}
