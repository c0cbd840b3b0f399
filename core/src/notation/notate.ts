import { type AccentCycle, type CountNote, cycleLength } from '../cycle/index.js';
import type { Score, ScoreEvent } from '../score/index.js';
import type { Syllable } from '../syllables/index.js';
import { ticks, TICKS_PER_COUNT } from '../time/index.js';
import { isDead, oneVoiceBars, standsIn, writtenEnds, type WrittenAs } from './lasting.js';
import type { NotatedBar, NoteValue, Sign, Voice } from './model.js';
import { signatureOf, signatureOfKey } from './signature.js';
import { timeOf } from './time-signature.js';
import { signsOf, type Stretch } from './note-values.js';

const COUNT_VALUE: Record<CountNote, NoteValue> = { half: 2, quarter: 4, eighth: 8 };

/**
 * Bars of a score as they are written, in two voices: the fingers' stems up, the thumb's down. A stroke lasts as long as
 * it is written; one that rings goes on to the next of its voice, a bass and a pedal last (`writtenEnds`). A rest stands
 * only where neither hand's voice plays.
 * @param from the first bar, counted from 0
 * @param to behind the last
 * @param as how long strokes are written, and whether the hands share their beams
 * @example notate(scoreOf(makeStudy('s', 'Stair').sections[0], makeStudy('s', 'Stair')), cycleById('solea')).length // 1
 */
export function notate(
  score: Score,
  cycle: AccentCycle,
  from = 0,
  to = score.bars.length,
  as: WrittenAs = 'page',
): NotatedBar[] {
  const turn = cycleLength(cycle);
  const seams = seamsOf(cycle);
  const count = COUNT_VALUE[cycle.countNote];
  const signature = score.key
    ? signatureOfKey(score.key)
    : signatureOf(score.events.flatMap((e) => e.notes.flatMap((n) => (isDead(e.motion, n.string) ? [] : [n.midi]))));
  const times = score.bars.map((b) => timeOf(b.length, cycle));
  const oneVoices = oneVoiceBars(score);
  const until = writtenEnds(score, oneVoices, as);
  const endOf = (n: number) => Math.max(until.fingers[n] ?? 0, until.thumb[n] ?? 0);
  // Events are in order: the first that may sound into the first bar is looked for once.
  const begin = score.bars[from]?.at ?? 0;
  let first = score.events.findIndex((_, n) => endOf(n) > begin);
  if (first < 0) first = score.events.length;
  return score.bars.slice(from, to).map((bar, i): NotatedBar => {
    const end = bar.at + bar.length;
    while (first < score.events.length && endOf(first) <= bar.at) first++;
    const events: ScoreEvent[] = [];
    const indexes: number[] = [];
    for (let n = first; n < score.events.length; n++) {
      const e = score.events[n];
      if (!e || e.at >= end) break;
      if (endOf(n) <= bar.at) continue;
      events.push(e);
      indexes.push(n);
    }
    const inTurn = ticks(bar.at % turn);
    const groups = seams.map((s) => s - inTurn).filter((s) => s > 0 && s < bar.length);
    const oneVoice = oneVoices[from + i] ?? false;
    const own = { begin: bar.at, end, oneVoice };
    const endsIn = (voice: Voice) => indexes.map((n) => until[voice][n] ?? 0);
    const voices = {
      fingers: voiceOf(events, 'fingers', own, endsIn('fingers')),
      thumb: voiceOf(events, 'thumb', own, endsIn('thumb')),
    };
    const { fingers, thumb } = as === 'page' ? sharedBeams(voices) : voices;
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
        .map((c) => ({
          at: ticks(Math.max(0, c.at - bar.at)),
          name: c.name,
          goesOn: c.at < bar.at,
          frets: c.known ? c.shape.frets : null,
        })),
      words: wordsIn(score, bar.at, end),
      oneVoice,
      voices: { fingers: above, thumb: below },
    };
  });
}
/** Words that stand in a bar, from its beginning; there are few of them. */
const wordsIn = ({ words }: Score, from: number, to: number): Syllable[] =>
  words.filter((w) => w.at >= from && w.at < to).map((w) => ({ ...w, at: ticks(w.at - from) }));
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
  { begin, end, oneVoice }: { readonly begin: number; readonly end: number; readonly oneVoice: boolean },
  ends: readonly number[],
): Stretch[] {
  const mine = events.flatMap((e, n) => (standsIn(e, voice, oneVoice) && (ends[n] ?? 0) > begin ? [{ e, n }] : []));
  const stretches: Stretch[] = [];
  let at = begin;
  mine.forEach(({ e, n }, i) => {
    const to = Math.min(end, mine[i + 1]?.e.at ?? end, ends[n] ?? 0);
    const from = Math.max(e.at, begin);
    if (to <= from) return;
    if (from > at) stretches.push({ from: at - begin, to: from - begin, event: null, tied: false });
    const goesOver = to === end && (ends[n] ?? 0) > end;
    stretches.push({ from: from - begin, to: to - begin, event: n, tied: e.at < begin, ...(goesOver && { goesOver }) });
    at = to;
  });
  if (at < end) stretches.push({ from: at - begin, to: end - begin, event: null, tied: false });
  return stretches;
}
interface BothVoices {
  readonly fingers: Stretch[];
  readonly thumb: Stretch[];
}
/**
 * Where thumb and fingers strike in turn within a count, the fingers' beam goes through the thumb's notes too; such a note
 * keeps a stem of its own only where it lasts longer.
 */
function sharedBeams({ fingers, thumb }: BothVoices): BothVoices {
  const countOf = (at: number) => Math.floor(at / TICKS_PER_COUNT);
  const begins = (s: Stretch) => s.event !== null && !s.tied;
  const counts = new Set(fingers.filter(begins).map((s) => countOf(s.from)));
  const basses = thumb.filter((s) => begins(s) && counts.has(countOf(s.from)));
  if (basses.length === 0) return { fingers, thumb };
  const alone = new Set<number>();
  const shared = fingers.flatMap((rest): Stretch[] => {
    const own = rest.event === null ? basses.filter((b) => b.from >= rest.from && b.from < rest.to) : [];
    const parts: Stretch[] = [];
    let at = rest.from;
    own.forEach((bass, i) => {
      const to = Math.min(rest.to, own[i + 1]?.from ?? rest.to, (countOf(bass.from) + 1) * TICKS_PER_COUNT, bass.to);
      if (bass.from > at) parts.push({ ...rest, from: at, to: bass.from });
      parts.push({ from: bass.from, to, event: bass.event, tied: false, shared: true });
      if (to >= bass.to && !bass.goesOver) alone.add(bass.from);
      at = to;
    });
    return at < rest.to ? [...parts, { ...rest, from: at }] : parts;
  });
  return {
    fingers: shared,
    thumb: thumb.map((s) =>
      begins(s) && alone.has(s.from) ? { from: s.from, to: s.to, event: null, tied: false } : s,
    ),
  };
}

/** Whether a rest is to be seen: the other voice plays nothing meanwhile. */
export function restSeen(sign: Sign, other: readonly Sign[]): boolean {
  return !other.some((o) => o.event !== null && o.at < sign.at + sign.ticks && o.at + o.ticks > sign.at);
}
