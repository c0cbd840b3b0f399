import type { Study } from '../piece/index.js';
import { pieceScore } from '../score/index.js';
import { type Bpm, bpm, ticks, type Ticks } from '../time/index.js';
import { beatsUntil, PLAIN_TIME, type TimeKeeping } from './keep-time.js';
import { dronesUntil } from './hum.js';
import { felted, soundsOf } from './plan.js';
import { byPlace, type Plan, type PlanSound } from './plan-model.js';

/** A section in its place in a plan. */
export interface PlannedPart {
  readonly section: string;
  /** In the plan's ticks. */
  readonly at: Ticks;
  readonly until: Ticks;
  /** The section's own ticks in one of the plan's. */
  readonly stretch: number;
}
/** A whole piece to be played at one tempo: every section is as long in it as it lasts at its own. */
export interface PiecePlan extends Plan {
  readonly tempo: Bpm;
  readonly parts: readonly PlannedPart[];
}

/**
 * The whole piece as its form has it, with repeats and endings, each section at its own tempo, claps and clicks by its own
 * cycle.
 * @param first the part to begin with, counted from 0
 * @param keeping what keeps the time; a form never falls silent
 * @returns null where the form has no part
 * @example piecePlan(makeStudy('s', 'Stair')).parts.length // 1
 */
export function piecePlan(study: Study, first = 0, keeping: TimeKeeping = PLAIN_TIME): PiecePlan | null {
  const score = pieceScore(study);
  const parts = score.form.parts.slice(first);
  const sections = new Map(study.sections.map((s) => [s.id, s]));
  const [begin] = parts;
  const tempo = bpm(sections.get(begin?.section ?? '')?.bpm ?? 0);
  if (!begin || tempo <= 0) return null;
  const all = soundsOf(score);
  const sounds: PlanSound[] = [];
  const planned: PlannedPart[] = [];
  let at = 0;
  for (const { section: id, at: from, length } of parts) {
    const section = sections.get(id);
    if (!section) continue;
    const stretch = section.bpm / tempo;
    // Each place is reckoned from the part's beginning, so that no rounding adds up.
    const placed = (own: number): Ticks => ticks(Math.round(at + own / stretch));
    const last = from + length === score.length;
    for (const s of all)
      // What ends with the last part ends in it.
      if (s.at >= from && (s.at < from + length || last)) {
        const own = felted({ ...s, at: ticks(s.at - from) }, length, section);
        sounds.push({ ...own, at: placed(own.at) });
      }
    // What was hummed ends where a section has no chords.
    const found = keeping.drone ? dronesUntil(section, study, length) : [];
    const drones: PlanSound[] =
      keeping.drone && found.length === 0 ? [{ kind: 'drone', at: ticks(0), tones: [] }] : found;
    for (const s of [...beatsUntil(section, length, keeping), ...drones]) sounds.push({ ...s, at: placed(s.at) });
    const until = placed(length);
    planned.push({ section: id, at: ticks(at), until, stretch });
    at = until;
  }
  return { sounds: byPlace(sounds), length: ticks(at), turns: planned.length, tempo, parts: planned };
}

/**
 * Where in its section a place of the plan is.
 * @example partAt(piecePlan(makeStudy('s', 'Stair')), 0).at // 0
 */
export function partAt(
  { parts }: Pick<PiecePlan, 'parts'>,
  place: number,
): { readonly part: number; readonly section: string; readonly at: number } | null {
  const part = parts.findLastIndex((p) => p.at <= place);
  const own = parts[part];
  return own ? { part, section: own.section, at: (place - own.at) * own.stretch } : null;
}
