import { noiseSource } from './noise.js';

const LONGEST_PERIOD = 4_096;
/** Level under which a string counts as silent. */
const SILENCE = 1e-5;
/** Seconds until a stopped string has fallen to a thousandth. */
const STOPPED_WITHIN = 0.05;

/**
 * One string: a burst of filtered noise going round a delay line as long as the pitch's period, losing
 * its edges at every round. A fractional delay keeps high strings in tune.
 */
export class DampedString {
  private readonly line = new Float32Array(LONGEST_PERIOD);
  private length = 1;
  private read = 0;
  private fraction = 0;
  private loss = 0;
  private blend = 0.5;
  private previous = 0;
  private stopping = 1;
  private level = 0;

  constructor(
    private readonly rate: number,
    private readonly seed: number,
  ) {}

  get silent(): boolean {
    return this.level < SILENCE;
  }

  /** @param gain 0…1 @param ring seconds until the note has fallen to a thousandth @param bright 0…1 */
  strike(midi: number, gain: number, ring: number, bright: number) {
    const hz = 440 * 2 ** ((midi - 69) / 12);
    this.blend = 0.5 * bright + 0.25;
    // The smoothing below delays by 1 − blend; reading a fraction ahead takes the rest off a whole number.
    const period = this.rate / hz - (1 - this.blend);
    this.length = Math.min(LONGEST_PERIOD, Math.max(2, Math.ceil(period)));
    this.fraction = this.length - period;
    this.loss = 10 ** (-3 / (hz * ring));
    const noise = noiseSource(this.seed * 131 + Math.round(midi));
    let low = 0;
    let mean = 0;
    const softness = 0.35 + 0.5 * bright;
    for (let n = 0; n < this.length; n++) {
      low += softness * (noise() - low);
      this.line[n] = low;
      mean += low / this.length;
    }
    let peak = 1e-6;
    for (let n = 0; n < this.length; n++) peak = Math.max(peak, Math.abs((this.line[n] ?? 0) - mean));
    for (let n = 0; n < this.length; n++) this.line[n] = (((this.line[n] ?? 0) - mean) * gain) / peak;
    // The very first sample speaks, so that the stroke can be found to the sample.
    this.line[0] = gain;
    this.read = 0;
    this.previous = 0;
    this.stopping = 1;
    this.level = gain;
  }

  /** A finger comes back to the string: from here it loses more at every round. */
  stop() {
    this.stopping = 10 ** ((-3 * this.length) / (STOPPED_WITHIN * this.rate));
  }

  next(): number {
    const at = this.read;
    const after = at + 1 < this.length ? at + 1 : 0;
    const value = this.line[at] ?? 0;
    const between = value + this.fraction * ((this.line[after] ?? 0) - value);
    const filtered = this.blend * between + (1 - this.blend) * this.previous;
    this.previous = between;
    this.line[at] = filtered * this.loss * this.stopping;
    this.read = after;
    this.level = Math.max(this.level * 0.9995, Math.abs(value));
    return value;
  }
}
