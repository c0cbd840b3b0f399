import { type Bpm, frameOf, ticks } from '../time/index.js';
import { Mixer, type Volume } from './mixer.js';
import type { Plan } from './plan-model.js';
import { type Anchor, soundsBetween } from './schedule.js';

export interface RenderOptions {
  readonly bpm: Bpm;
  /** Frames a second. */
  readonly rate: number;
  /** How many times the plan is played. */
  readonly loops?: number;
  readonly volumes?: Partial<Record<Volume, number>>;
  /** So long it rings on after its end. */
  readonly tailSeconds?: number;
  /** Told from time to time how far it has come, 0…1. */
  readonly progress?: (share: number) => void;
}
/** Between two words of progress. */
const TOLD_FRAMES = 1 << 19;

/** Renders a plan to samples without a sound card: the same code that plays, in blocks of the same size. */
export function renderPlan(
  plan: Plan,
  { bpm, rate, loops = 1, volumes = {}, tailSeconds = 0, progress }: RenderOptions,
): Float32Array {
  const mixer = new Mixer(rate);
  for (const [v, level] of Object.entries(volumes)) mixer.setVolume(v as Volume, level);
  const end = ticks(plan.length * loops);
  const anchor: Anchor = { at: ticks(0), frame: 0, bpm, rate };
  mixer.schedule(soundsBetween(plan, anchor, ticks(0), end));
  // What is hummed ends with the music; strings and knocks ring out.
  mixer.schedule([{ frame: frameOf(end, bpm, rate), sound: { kind: 'drone', at: end, tones: [] } }]);
  const out = new Float32Array(frameOf(end, bpm, rate) + Math.round(tailSeconds * rate));
  const block = 128;
  for (let from = 0; from < out.length; from += block) {
    mixer.render(out.subarray(from, Math.min(out.length, from + block)), from);
    if (from % TOLD_FRAMES === 0) progress?.(from / out.length);
  }
  return out;
}
