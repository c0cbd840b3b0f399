import { barBegin } from '../../cycle/index.js';
import { type Apart, takenApart } from '../../drill/index.js';
import type { Study } from '../../piece/index.js';
import type { HandProfile } from '../../player/index.js';
import { workedScore } from '../../reading/index.js';
import {
  countInPlan,
  piecePlan,
  type Plan,
  planPlayback,
  rangePlan,
  renderPlan,
  type Volume,
} from '../../sound/index.js';
import { clampBpm, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import type { Scope } from '../written/scope.js';

/** Frames a second of a track. */
export const TRACK_RATE = 44_100;
/** A track is no longer than this, in seconds. */
export const LONGEST_TRACK = 900;
export interface TrackWishes {
  /** Counts a minute; of a whole form the tempo of its first section, the others keep to it. */
  readonly bpm: number;
  /** So often a section or a range goes round. */
  readonly times: number;
  readonly countIn: boolean;
  readonly volumes: Readonly<Record<Volume, number>>;
  /** One hand or layer alone; null for all. Of a whole form all is heard. */
  readonly part: Apart | null;
}
/** What is to be recorded, one plan after the other. */
export interface Track {
  readonly plans: readonly { readonly plan: Plan; readonly loops: number }[];
  readonly bpm: ReturnType<typeof clampBpm>;
  readonly seconds: number;
}
/**
 * A practice track: the count-in, then the section, the range or the form.
 * @returns null where the scope has nothing, or not the part that is wished
 */
export function practiceTrack(study: Study, profile: HandProfile, scope: Scope, wishes: TrackWishes): Track | null {
  const bpm = clampBpm(wishes.bpm);
  const first = scope.kind === 'form' ? firstOf(study) : study.sections.find((s) => s.id === scope.section);
  if (!first) return null;
  const lead = wishes.countIn ? [{ plan: countInPlan(first.cycle), loops: 1 }] : [];
  const music = scope.kind === 'form' ? piecePlan(study) : sectionPlan(study, profile, scope, wishes.part);
  if (!music || music.length === 0) return null;
  const times = scope.kind === 'form' ? 1 : Math.max(1, Math.round(wishes.times));
  const plans = [...lead, { plan: music, loops: times }];
  const length = plans.reduce((sum, p) => sum + p.plan.length * p.loops, 0);
  return { plans, bpm, seconds: (length * 60) / (bpm * TICKS_PER_COUNT) };
}
const firstOf = (study: Study) => {
  const plan = piecePlan(study);
  return study.sections.find((s) => s.id === plan?.parts[0]?.section);
};
function sectionPlan(
  study: Study,
  profile: HandProfile,
  scope: Exclude<Scope, { kind: 'form' }>,
  part: Apart | null,
): Plan | null {
  const whole = study.sections.find((s) => s.id === scope.section);
  const made = whole && part ? takenApart(whole, study, profile, part) : null;
  if (!whole || (part && !made)) return null;
  const section = { ...whole, ...made };
  const { shapes, instrument, cells } = study;
  const { score } = workedScore({ section, shapes, ...instrument, profile, called: cells });
  const plan = planPlayback(score, section);
  if (scope.kind === 'section') return plan;
  const [from, to] = [barBegin(section.cycle, scope.bars[0]), barBegin(section.cycle, scope.bars[1] + 1)];
  return rangePlan(plan, from, ticks(Math.min(to, plan.length)), ticks(0));
}

const HEADER = 44;
const TAIL_SECONDS = 2;
/**
 * A track as a WAV file: one channel, 16 bits.
 * @returns null where it would be longer than `LONGEST_TRACK`
 */
export function wavBytes(
  track: Track,
  volumes: TrackWishes['volumes'],
  progress: (share: number) => void = () => undefined,
): Uint8Array | null {
  if (track.seconds > LONGEST_TRACK) return null;
  const all = track.plans.reduce((sum, p) => sum + p.plan.length * p.loops, 0);
  let done = 0;
  const parts = track.plans.map(({ plan, loops }, n) => {
    const own = (plan.length * loops) / all;
    const from = done;
    done += own;
    // The last stroke rings out.
    const tailSeconds = n === track.plans.length - 1 ? TAIL_SECONDS : 0;
    const told = (share: number) => progress(from + share * own);
    return renderPlan(plan, { bpm: track.bpm, rate: TRACK_RATE, loops, volumes, tailSeconds, progress: told });
  });
  const frames = parts.reduce((sum, p) => sum + p.length, 0);
  const bytes = new Uint8Array(HEADER + frames * 2);
  const view = new DataView(bytes.buffer);
  const text = (at: number, letters: string) => [...letters].forEach((l, n) => view.setUint8(at + n, l.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, TRACK_RATE, true);
  view.setUint32(28, TRACK_RATE * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, frames * 2, true);
  let at = HEADER;
  for (const part of parts)
    for (const sample of part) {
      view.setInt16(at, Math.round(Math.min(1, Math.max(-1, sample)) * 32_767), true);
      at += 2;
    }
  return bytes;
}
