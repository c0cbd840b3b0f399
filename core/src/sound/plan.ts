import { cycleLength } from '../cycle/index.js';
import { isHarmonic, type Score, type ScoreEvent, type ScoreNote } from '../score/index.js';
import {
  directionOf,
  golpeFinger,
  type Level,
  type Mark,
  markRow,
  type MarkRow,
  marksOn,
  type Motion,
} from '../stroke/index.js';
import { type StringNumber, ticks, type Ticks } from '../time/index.js';
import { type Felt, feltAt } from './feel.js';
import { beatsUntil } from './keep-time.js';
import { byPlace, type Plan, type PlanSound, type Touch } from './plan-model.js';

/** Between neighbouring strings of one strum. */
const SPREAD_MS = 7;
/** How loud a level is, against `mf`. */
const LOUD: Record<Level, number> = { pp: 0.45, p: 0.6, mp: 0.8, mf: 1, f: 1.2, ff: 1.4 };

/** How loud a stroke without a mark is. */
const UNMARKED = 0.65;
const gainOf = (marks: readonly Mark[], level: Level): number =>
  Math.min(1, (firstOf(marks, (m) => m.gain) ?? UNMARKED) * LOUD[level]);
/** What the first of the marks says that says anything. */
function firstOf<T>(marks: readonly Mark[], of: (row: MarkRow) => T | null): T | null {
  for (const mark of marks) {
    const own = of(markRow(mark));
    if (own !== null) return own;
  }
  return null;
}
const ownMarks = (m: Motion): readonly Mark[] => (m.kind === 'ghost' ? [] : m.marks);

/**
 * Everything that sounds in a score, with the beats of its cycle, as its section is felt. A stroke rings until its string
 * is struck anew, a rest ends everything not marked to ring, staccato ends half-way, and where the left hand lets go, what
 * it stopped ends.
 */
export function planPlayback(score: Score, felt: Felt): Plan {
  const { length } = score;
  const turns = Math.max(1, Math.ceil(length / cycleLength(felt.cycle)));
  const within = (at: Ticks) => (at >= length && length > 0 ? ticks(at % length) : at);
  const strokes = soundsOf(score).map((s) => felted({ ...s, at: within(s.at) }, length, felt));
  return { sounds: byPlace([...beatsUntil(felt, length), ...strokes]), length, turns };
}
/** A stroke where its section's feel has it: swung with its pair, ahead of or behind the beats. */
export function felted(s: PlanSound, length: number, felt: Felt): PlanSound {
  const lean = felt.feel?.leanMs ?? 0;
  return { ...s, at: feltAt(s.at, length, felt), ...(lean ? { leanMs: lean } : {}) };
}
/** What the strokes of a score make sound, and what is stopped when they are over. */
export function soundsOf({ events, length }: Pick<Score, 'events' | 'length'>): PlanSound[] {
  const sounds: PlanSound[] = [];
  const ringing = new Map<StringNumber, boolean>();
  const starts = new Set(events.filter((e) => e.motion.kind !== 'ghost').map((e) => e.at as number));
  for (const e of events) {
    sounds.push(...struck(e, ringing));
    sounds.push(...ended(e, ringing, starts.has((e.at + e.duration) % Math.max(1, length))));
  }
  return sounds;
}

/** What begins to sound with a stroke. */
function struck({ at, motion, level, notes }: ScoreEvent, ringing: Map<StringNumber, boolean>): PlanSound[] {
  const gain = gainOf(ownMarks(motion), level);
  const plucks = notes.map((note, n): PlanSound => {
    const marks = marksOn(motion, note.string);
    ringing.set(
      note.string,
      marks.some((m) => markRow(m).rings),
    );
    return {
      kind: 'pluck',
      at,
      string: note.string,
      midi: note.midi,
      gain: gainOf(marks, level),
      delayMs: directionOf(motion) ? n * SPREAD_MS : 0,
      damping: firstOf(marks, (m) => m.damped) ?? 'none',
      touch: touchOf(motion, note, marks),
    };
  });
  const golpe: PlanSound[] = golpeFinger(motion) ? [{ kind: 'golpe', at, gain }] : [];
  if (motion.kind !== 'slap') return [...plucks, ...golpe];
  const strings = [...ringing.keys()];
  ringing.clear();
  return [
    { kind: 'stop', at, strings },
    { kind: 'slap', at, gain },
  ];
}

/** What is stopped when a stroke is over. @param followed another one begins there */
function ended(e: ScoreEvent, ringing: Map<StringNumber, boolean>, followed: boolean): PlanSound[] {
  const { at, duration, motion, notes } = e;
  if (motion.kind === 'ghost') return [];
  const endedBy = (how: MarkRow['ended']) =>
    notes.filter((n) => marksOn(motion, n.string).some((m) => markRow(m).ended === how));
  const short = endedBy('half-way').map((n) => n.string);
  const stops: PlanSound[] = [];
  if (short.length) stops.push({ kind: 'stop', at: ticks(at + Math.floor(duration / 2)), strings: short });
  // Open strings sound on when the left hand lets go, and harmonics.
  const letGo = endedBy('over').flatMap((n) => (n.fret > 0 && !isHarmonic(motion, n) ? [n.string] : []));
  if (letGo.length) stops.push({ kind: 'stop', at: ticks(at + duration), strings: letGo });
  const silent = short.length === notes.length && short.length > 0;
  if (silent || followed) return stops;
  const strings = [...ringing].filter(([, rings]) => !rings).map(([string]) => string);
  return strings.length ? [...stops, { kind: 'stop', at: ticks(at + duration), strings }] : stops;
}

function touchOf(m: Motion, { right }: ScoreNote, marks: readonly Mark[]): Touch {
  if (m.kind === 'ligado') return 'ligado';
  if (marks.some((m) => markRow(m).leans)) return 'rest';
  if (m.kind === 'stroke' && m.plectrum) return 'plectrum';
  if (right === 'p' || (m.kind === 'stroke' && m.fingers[0] === 'p')) return 'flesh';
  return directionOf(m) === 'd' ? 'flick' : 'nail';
}

/**
 * A stretch of a plan that goes round, with so long a lead-in before each pass: the clicks of what is counted before it.
 * @param from in the plan, `to` exclusive
 */
export function rangePlan({ sounds, length }: Plan, from: Ticks, to: Ticks, lead: Ticks): Plan {
  const own = sounds.flatMap((s) => (s.at >= from && s.at < to ? [{ ...s, at: ticks(s.at - from + lead) }] : []));
  const counted = sounds.flatMap((s) => {
    const before = (((from - s.at) % length) + length) % length || length;
    return s.kind === 'click' && before <= lead ? [{ ...s, at: ticks(lead - before) }] : [];
  });
  // What is hummed under it began before.
  const under = sounds.findLast((s) => s.kind === 'drone' && s.at <= from);
  const hum: PlanSound[] = under ? [{ ...under, at: ticks(lead) }] : [];
  // What still rings at the end is stopped before it begins anew.
  const strings = [...new Set(own.flatMap((s) => (s.kind === 'pluck' ? [s.string] : [])))];
  const stop: PlanSound[] = strings.length ? [{ kind: 'stop', at: ticks(0), strings }] : [];
  return { sounds: byPlace([...stop, ...counted, ...hum, ...own]), length: ticks(lead + to - from), turns: 1 };
}
