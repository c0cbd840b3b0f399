import { type AccentCycle, type CountNote, cycleLength } from '../cycle/index.js';
import { pedalsOf, type Score, type ScoreEvent } from '../score/index.js';
import { hasMark, markRow, marksOn, type Motion } from '../stroke/index.js';
import { type StringNumber, ticks } from '../time/index.js';
import type { NotatedBar, NoteValue, Sign, Voice } from './model.js';
import { signatureOf } from './signature.js';
import { timeOf } from './time-signature.js';
import { signsOf, type Stretch } from './note-values.js';

const COUNT_VALUE: Record<CountNote, NoteValue> = { half: 2, quarter: 4, eighth: 8 };

/** The notes of an event that belong to a voice: what the thumb plucks alone goes below, everything else above. */
export function notesOf(event: ScoreEvent, voice: Voice, oneVoice = false): ScoreEvent['notes'] {
  const { motion } = event;
  const strum = motion.kind === 'stroke' && motion.dir !== null;
  if (strum || oneVoice) return voice === 'fingers' ? event.notes : [];
  return event.notes.filter((n) => (n.right === 'p') === (voice === 'thumb'));
}
/** The thumb plucks and strums, and nobody else plays. */
function thumbStrums(events: readonly ScoreEvent[]): boolean {
  const strokes = events.flatMap(({ motion }) => (motion.kind === 'stroke' ? [motion] : []));
  return strokes.some((m) => m.dir !== null) && strokes.every((m) => m.fingers.join('') === 'p');
}

/**
 * Bars of a score as they are written, in two voices: the fingers' stems up, the thumb's down. A stroke lasts as long as
 * it is written; one that rings, and a pedal, goes on to the next of its voice. A rest stands only where neither hand's voice plays.
 * @param from the first bar, counted from 0
 * @param to behind the last
 * @param pedals strokes that ring on to the next of them; a file has none: read back, they would be marked to ring
 * @example notate(scoreOf(makeStudy('s', 'Stair').sections[0], makeStudy('s', 'Stair')), cycleById('solea')).length // 1
 */
export function notate(
  score: Score,
  cycle: AccentCycle,
  from = 0,
  to = score.bars.length,
  pedals: ReadonlySet<ScoreEvent> = pedalsOf(score.events),
): NotatedBar[] {
  const turn = cycleLength(cycle);
  const seams = seamsOf(cycle);
  const count = COUNT_VALUE[cycle.countNote];
  const signature = signatureOf(score.events.flatMap((e) => e.notes.flatMap((n) => (isDead(e.motion, n.string) ? [] : [n.midi]))));
  const times = score.bars.map((b) => timeOf(b.length, cycle));
  // Events are in order: the first that may sound into the first bar is looked for once.
  const begin = score.bars[from]?.at ?? 0;
  let first = score.events.findIndex((e) => e.at + e.duration > begin);
  if (first < 0) first = score.events.length;
  return score.bars.slice(from, to).map((bar, i): NotatedBar => {
    const end = bar.at + bar.length;
    while (first < score.events.length && ends(score.events[first]) <= bar.at) first++;
    const events: ScoreEvent[] = [];
    for (let n = first; n < score.events.length; n++) {
      const e = score.events[n];
      if (!e || e.at >= end) break;
      if (ends(e) > bar.at) events.push(e);
    }
    const inTurn = ticks(bar.at % turn);
    const groups = seams.map((s) => s - inTurn).filter((s) => s > 0 && s < bar.length);
    const oneVoice = thumbStrums(events);
    const own = { begin: bar.at, end, pedals };
    const fingers = voiceOf(events, 'fingers', oneVoice, own);
    const thumb = voiceOf(events, 'thumb', oneVoice, own);
    const above = fingers.some((s) => s.event !== null) || thumb.length === 0 ? signsOf(fingers, groups, 0, count) : [];
    const below = thumb.some((s) => s.event !== null) ? signsOf(thumb, groups, 64, count) : [];
    return {
      n: from + i,
      at: bar.at,
      length: bar.length,
      inTurn,
      seams: groups.map(ticks),
      count,
      signature,
      time: String(times[from + i]) === String(times[from + i - 1]) ? null : (times[from + i] ?? null),
      level: levelBefore(score, bar.at),
      opening: from + i === 0 ? score.instrument : null,
      events,
      chords: score.chords
        .filter((c) => c.name !== '' && c.at < end && c.until > bar.at)
        .map((c) => ({ at: ticks(Math.max(0, c.at - bar.at)), name: c.name, goesOn: c.at < bar.at })),
      oneVoice,
      voices: { fingers: above, thumb: below },
    };
  });
}
/** How loud it was before a place; a score begins with mf. */
function levelBefore({ events }: Score, at: number) {
  let [low, high] = [0, events.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((events[middle]?.at ?? 0) < at) low = middle + 1;
    else high = middle;
  }
  return events[low - 1]?.level ?? 'mf';
}
/**
 * Whether a string is struck while the left hand lies on it: a cross, not a pitch.
 * @example isDead({ kind: 'slap', marks: [] }, 3) // false
 */
export const isDead = (motion: Motion, string: StringNumber): boolean =>
  marksOn(motion, string).some((m) => markRow(m).staff === 'cross');
const ends = (e: ScoreEvent | undefined): number => (e ? e.at + e.duration : 0);
/** Where groups begin in a turn. */
function seamsOf(cycle: AccentCycle): number[] {
  let at = 0;
  return cycle.groups.map((g) => {
    const begin = at;
    at += g;
    return begin;
  });
}
/** A bar of one voice without gaps: what sounds, and the rests between. */
function voiceOf(
  events: readonly ScoreEvent[],
  voice: Voice,
  oneVoice: boolean,
  { begin, end, pedals }: { begin: number; end: number; pedals: ReadonlySet<ScoreEvent> },
): Stretch[] {
  const mine = events.flatMap((e, n) =>
    notesOf(e, voice, oneVoice).length || (voice === 'fingers' && silentStroke(e)) ? [{ e, n }] : [],
  );
  const stretches: Stretch[] = [];
  let at = begin;
  mine.forEach(({ e, n }, i) => {
    const next = mine[i + 1]?.e.at ?? end;
    const own = notesOf(e, voice, oneVoice);
    // A stroke goes on where all that its voice has of it rings.
    const marked = own.length ? own.every((x) => marksOn(e.motion, x.string).includes('~')) : hasMark(e.motion, '~');
    const following = mine[i + 1]?.e;
    const rings = marked || (pedals.has(e) && following !== undefined && pedals.has(following));
    const to = Math.min(end, next, rings ? end : ends(e));
    const from = Math.max(e.at, begin);
    if (to <= from) return;
    if (from > at) stretches.push({ from: at - begin, to: from - begin, event: null, tied: false });
    stretches.push({ from: from - begin, to: to - begin, event: n, tied: e.at < begin });
    at = to;
  });
  if (at < end) stretches.push({ from: at - begin, to: end - begin, event: null, tied: false });
  return stretches;
}
/** Taps and slaps stand among the fingers though they have no pitch; a ghost stroke is the silence that it is. */
const silentStroke = ({ motion }: ScoreEvent): boolean => motion.kind === 'golpe' || motion.kind === 'slap';

/** Whether a rest is to be seen: the other voice plays nothing meanwhile. */
export function restSeen(sign: Sign, other: readonly Sign[]): boolean {
  return !other.some((o) => o.event !== null && o.at < sign.at + sign.ticks && o.at + o.ticks > sign.at);
}
