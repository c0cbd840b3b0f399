import { noiseSource } from './noise.js';

export type Beat = 'golpe' | 'slap' | 'clap' | 'muffled clap' | 'click' | 'foot';

/** Seconds until each has fallen to a thousandth, its body's pitch, and how much of it is noise. */
const VOICE: Record<
  Beat,
  { readonly ring: number; readonly hz: number; readonly noise: number; readonly edge: number }
> = {
  golpe: { ring: 0.09, hz: 190, noise: 0.35, edge: 0.25 },
  slap: { ring: 0.14, hz: 95, noise: 0.7, edge: 0.12 },
  clap: { ring: 0.12, hz: 1_100, noise: 0.9, edge: 0.6 },
  'muffled clap': { ring: 0.09, hz: 420, noise: 0.8, edge: 0.2 },
  foot: { ring: 0.16, hz: 75, noise: 0.3, edge: 0.1 },
  click: { ring: 0.03, hz: 1_900, noise: 0.05, edge: 1 },
};

/** A short knock: a damped tone with noise in it. */
export class BeatVoice {
  private level = 0;
  private fall = 0;
  private phase = 0;
  private turn = 0;
  private low = 0;
  private readonly noise: () => number;
  private readonly voice: (typeof VOICE)[Beat];

  constructor(
    private readonly rate: number,
    beat: Beat,
  ) {
    this.voice = VOICE[beat];
    this.noise = noiseSource(beat.length * 7_919);
  }

  get silent(): boolean {
    return this.level < 1e-5;
  }

  strike(gain: number) {
    this.level = gain;
    this.fall = 10 ** (-3 / (this.voice.ring * this.rate));
    this.turn = (2 * Math.PI * this.voice.hz) / this.rate;
    // A quarter turn in, so that the first sample already speaks.
    this.phase = Math.PI / 2;
    this.low = 0;
  }

  next(): number {
    const { noise, edge } = this.voice;
    this.low += edge * (this.noise() - this.low);
    const value = this.level * ((1 - noise) * Math.sin(this.phase) + noise * this.low);
    this.phase += this.turn;
    this.level *= this.fall;
    return value;
  }
}
