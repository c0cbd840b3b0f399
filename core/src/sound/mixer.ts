import { type StringNumber, STRINGS } from '../time/index.js';
import { type Beat, BeatVoice } from './beat-voice.js';
import { DampedString } from './damped-string.js';
import { DroneVoice } from './drone-voice.js';
import type { Damping, PlanSound, Touch } from './plan-model.js';

/** One of a plan's sounds at its audio frame. */
export interface TimedSound {
  readonly frame: number;
  /** The frame of the stroke that it belongs to: strings of a strum come a little after it. Default: its own. */
  readonly stroke?: number;
  readonly sound: PlanSound;
}
export type Volume = 'guitar' | 'claps' | 'click';
const BEATS: readonly Beat[] = ['golpe', 'slap', 'clap', 'muffled clap', 'click', 'foot'];
/** Which volume a knock goes by; the guitar's own by the guitar's. */
const VOLUME_OF: Partial<Record<Beat, Volume>> = {
  clap: 'claps',
  'muffled clap': 'claps',
  foot: 'claps',
  click: 'click',
};
const RING: Record<Damping, { readonly seconds: number; readonly bright: number }> = {
  none: { seconds: 3.2, bright: 1 },
  palm: { seconds: 0.35, bright: 0.4 },
  'left hand': { seconds: 0.06, bright: 0.25 },
};
/** A leaning finger speaks fuller and rounder, a flick brightest, the thumb's flesh softest. */
const TOUCH: Record<Touch, { readonly bright: number; readonly gain: number }> = {
  flesh: { bright: 0.55, gain: 0.95 },
  nail: { bright: 0.8, gain: 0.9 },
  flick: { bright: 1, gain: 0.9 },
  rest: { bright: 0.65, gain: 1.1 },
  // The string is sounding already; the left hand gives it a new length.
  ligado: { bright: 0.35, gain: 0.6 },
  plectrum: { bright: 1, gain: 1 },
};

/** Six strings, six knocks, a hum and three volumes; every sound begins on exactly its frame. */
export class Mixer {
  private readonly strings = new Map<StringNumber, DampedString>();
  private readonly beats = new Map<Beat, BeatVoice>();
  private readonly drone: DroneVoice;
  private readonly volumes: Record<Volume, number> = { guitar: 0.8, claps: 0.5, click: 0.4 };
  private queue: TimedSound[] = [];

  constructor(private readonly rate: number) {
    for (const s of STRINGS) this.strings.set(s, new DampedString(rate, s));
    this.drone = new DroneVoice(rate);
    for (const b of BEATS) this.beats.set(b, new BeatVoice(rate, b));
  }

  /** @param level 0…1 */
  setVolume(volume: Volume, level: number) {
    this.volumes[volume] = level;
  }

  schedule(sounds: readonly TimedSound[]) {
    this.queue.push(...sounds);
    this.queue.sort((a, b) => a.frame - b.frame);
  }

  /** Forgets strokes from a frame on, of which none has begun: the music goes on in another way there. */
  takeBack(frame: number) {
    this.queue = this.queue.filter((s) => (s.stroke ?? s.frame) < frame);
  }
  /** Forgets what is still to come and quiets what sounds. */
  silence() {
    this.queue = [];
    for (const s of this.strings.values()) s.stop();
    this.drone.hum([]);
  }

  /** Adds the next stretch, whose first sample is audio frame `from`, to `out`. Late sounds begin at once. */
  render(out: Float32Array, from: number) {
    let done = 0;
    while (done < out.length) {
      let taken = 0;
      while (taken < this.queue.length && (this.queue[taken]?.frame ?? Infinity) <= from + done) {
        this.start((this.queue[taken] as TimedSound).sound);
        taken++;
      }
      if (taken) this.queue.splice(0, taken);
      const until = Math.min(out.length, Math.max(done + 1, (this.queue[0]?.frame ?? Infinity) - from));
      this.voices(out, done, until);
      done = until;
    }
    // All strings at once would leave full scale: bent round softly instead of cut.
    for (let n = 0; n < out.length; n++) out[n] = Math.tanh(out[n] ?? 0);
  }

  private start(sound: PlanSound) {
    if (sound.kind === 'stop') for (const s of sound.strings) this.strings.get(s)?.stop();
    else if (sound.kind === 'drone') this.drone.hum(sound.tones);
    else if (sound.kind === 'pluck') {
      const { seconds, bright } = RING[sound.damping];
      const touch = TOUCH[sound.touch];
      const string = this.strings.get(sound.string);
      string?.strike(sound.midi, Math.min(1, sound.gain * touch.gain), seconds, bright * touch.bright);
    } else this.beats.get(sound.kind)?.strike(sound.gain);
  }

  private voices(out: Float32Array, from: number, to: number) {
    for (const s of this.strings.values()) {
      if (s.silent) continue;
      const level = this.volumes.guitar * 0.4;
      for (let n = from; n < to; n++) out[n] = (out[n] ?? 0) + level * s.next();
    }
    if (!this.drone.silent) this.drone.addTo(out, from, to, this.volumes.guitar);
    for (const [beat, voice] of this.beats) {
      if (voice.silent) continue;
      const level = this.volumes[VOLUME_OF[beat] ?? 'guitar'];
      for (let n = from; n < to; n++) out[n] = (out[n] ?? 0) + 0.5 * level * voice.next();
    }
  }

  get sampleRate(): number {
    return this.rate;
  }
}
