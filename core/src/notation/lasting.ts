import { pedalsOf, type Score, type ScoreEvent } from '../score/index.js';
import { hasMark, markRow, MARKS, marksOn, type Motion } from '../stroke/index.js';
import type { StringNumber } from '../time/index.js';
import type { Voice } from './model.js';

/**
 * How long strokes are written: as they are struck; as a score has them, where basses and pedals last; or as a page has
 * them, where thumb and fingers share a beam besides.
 */
export type WrittenAs = 'struck' | 'score' | 'page';
export const VOICES: readonly Voice[] = ['fingers', 'thumb'];

/** The notes of an event that belong to a voice: what the thumb plucks alone goes below, everything else above. */
export function notesOf(event: ScoreEvent, voice: Voice, oneVoice = false): ScoreEvent['notes'] {
  const { motion } = event;
  const strum = motion.kind === 'stroke' && motion.dir !== null;
  if (strum || oneVoice) return voice === 'fingers' ? event.notes : [];
  return event.notes.filter((n) => (n.right === 'p') === (voice === 'thumb'));
}
/** Taps and slaps stand among the fingers though they have no pitch; a ghost stroke is the silence that it is. */
const silentStroke = ({ motion }: ScoreEvent): boolean => motion.kind === 'golpe' || motion.kind === 'slap';
/** Whether something of an event stands in a voice. */
export const standsIn = (event: ScoreEvent, voice: Voice, oneVoice: boolean): boolean =>
  notesOf(event, voice, oneVoice).length > 0 || (voice === 'fingers' && silentStroke(event));
/**
 * Whether a string is struck while the left hand lies on it: a cross, not a pitch.
 * @example isDead({ kind: 'slap', marks: [] }, 3) // false
 */
export const isDead = (motion: Motion, string: StringNumber): boolean =>
  marksOn(motion, string).some((m) => markRow(m).staff === 'cross');

/** Bars in which the thumb strums and plucks, and nobody else plays: one voice is enough. */
export function oneVoiceBars({ bars, events }: Score): boolean[] {
  const strums = bars.map(() => false);
  const others = bars.map(() => false);
  for (const { bar, motion } of events) {
    if (motion.kind !== 'stroke') continue;
    if (motion.dir !== null) strums[bar] = true;
    if (motion.fingers.join('') !== 'p') others[bar] = true;
  }
  return bars.map((_, n) => strums[n] === true && others[n] === false);
}
const ends = (e: ScoreEvent): number => e.at + e.duration;
/** Marks that end what they stand on. */
const ENDING = MARKS.filter((m) => markRow(m).ended !== null || markRow(m).damped !== null);

/**
 * Where the sign of each stroke ends, in each voice. What rings goes on to the next of its voice, over a bar line too; a
 * bass that the thumb plucks lasts until its next stroke, the change of the chord, a stroke on its own string or through
 * the strings, or a silence.
 */
export function writtenEnds(
  score: Score,
  oneVoice: readonly boolean[],
  as: WrittenAs,
): Readonly<Record<Voice, readonly number[]>> {
  const pedals = as === 'struck' ? new Set<ScoreEvent>() : pedalsOf(score.events);
  const made = (voice: Voice) => score.events.map((_, n) => endOf(n, voice, { score, oneVoice, as, pedals }));
  return { fingers: made('fingers'), thumb: made('thumb') };
}
interface Around {
  readonly score: Score;
  readonly oneVoice: readonly boolean[];
  readonly as: WrittenAs;
  readonly pedals: ReadonlySet<ScoreEvent>;
}
function endOf(n: number, voice: Voice, { score, oneVoice, as, pedals }: Around): number {
  const { events, bars, chords } = score;
  const e = events[n] as ScoreEvent;
  const struck = ends(e);
  const own = notesOf(e, voice, oneVoice[e.bar]);
  if (!standsIn(e, voice, oneVoice[e.bar] ?? false)) return struck;
  const marked = own.length ? own.every((x) => marksOn(e.motion, x.string).includes('~')) : hasMark(e.motion, '~');
  const bar = bars[e.bar];
  const barEnd = bar ? bar.at + bar.length : struck;
  const next = nextIn(events, n, voice, oneVoice);
  const rings = marked || (pedals.has(e) && next !== undefined && pedals.has(next));
  if (rings) {
    const over = as !== 'struck' && oneVoice[e.bar] === oneVoice[e.bar + 1] ? bars[e.bar + 1] : undefined;
    return Math.max(struck, Math.min(next?.at ?? Infinity, over ? over.at + over.length : barEnd));
  }
  if (as === 'struck' || voice !== 'thumb' || own.length === 0) return struck;
  if (own.some((x) => marksOn(e.motion, x.string).some((m) => ENDING.includes(m)))) return struck;
  const change = Math.min(barEnd, chords[e.chord]?.until ?? Infinity);
  let sounding = struck;
  for (let k = n + 1; k < events.length; k++) {
    const after = events[k] as ScoreEvent;
    // A silence is everyone's.
    if (after.at > sounding || after.at >= change) break;
    if (after === next || isStrum(after) || after.notes.some((x) => own.some((o) => o.string === x.string))) {
      sounding = after.at;
      break;
    }
    sounding = Math.max(sounding, ends(after));
  }
  return Math.max(struck, Math.min(sounding, change));
}
const isStrum = ({ motion }: ScoreEvent): boolean =>
  (motion.kind === 'stroke' && motion.dir !== null) || motion.kind === 'slap';
function nextIn(
  events: readonly ScoreEvent[],
  n: number,
  voice: Voice,
  oneVoice: readonly boolean[],
): ScoreEvent | undefined {
  for (let k = n + 1; k < events.length; k++) {
    const e = events[k];
    if (e && standsIn(e, voice, oneVoice[e.bar] ?? false)) return e;
  }
  return undefined;
}
