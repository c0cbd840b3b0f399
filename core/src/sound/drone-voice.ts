import type { Midi } from '../time/index.js';

/** Seconds until a tone is full, and until it is gone. */
const RISE = 0.05;
const FALL = 0.12;
/** How loud its partials are. */
const PARTIALS = [0.6, 0.25, 0.1];
const LOUD = 0.16;
const SILENCE = 1e-5;
interface Tone {
  readonly midi: Midi;
  /** Angle of one frame. */
  readonly turn: number;
  phase: number;
  level: number;
  ends: boolean;
}

/** A soft tone under everything that sounds on until it is told another; one that goes on is not struck anew. */
export class DroneVoice {
  private tones: Tone[] = [];
  constructor(private readonly rate: number) {}

  get silent(): boolean {
    return this.tones.length === 0;
  }
  /** What is hummed from now on. */
  hum(tones: readonly Midi[]) {
    for (const t of this.tones) t.ends = !tones.includes(t.midi);
    for (const midi of tones) {
      if (this.tones.some((t) => t.midi === midi)) continue;
      const turn = (2 * Math.PI * 440 * 2 ** ((midi - 69) / 12)) / this.rate;
      // A quarter turn in, so that the first sample already speaks.
      this.tones.push({ midi, turn, phase: Math.PI / 2, level: 0, ends: false });
    }
  }
  addTo(out: Float32Array, from: number, to: number, volume: number) {
    const [rise, fall] = [1 / (RISE * this.rate), 1 / (FALL * this.rate)];
    for (const tone of this.tones)
      for (let n = from; n < to; n++) {
        tone.level = tone.ends ? Math.max(0, tone.level - fall) : Math.min(1, tone.level + rise);
        const wave = PARTIALS.reduce((sum, loud, k) => sum + loud * Math.sin((k + 1) * tone.phase), 0);
        out[n] = (out[n] ?? 0) + LOUD * volume * tone.level * wave;
        tone.phase += tone.turn;
      }
    this.tones = this.tones.filter((t) => !t.ends || t.level > SILENCE);
  }
}
