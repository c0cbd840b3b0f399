import { Mixer, type TimedSound, type Volume } from '@ruffle-wheel/core';

/** What the page sends to the mixer. */
type Message =
  | { readonly kind: 'sounds'; readonly sounds: readonly TimedSound[] }
  | { readonly kind: 'volume'; readonly volume: Volume; readonly level: number }
  | { readonly kind: 'take back'; readonly frame: number }
  | { readonly kind: 'silence' };

/**
 * Blocks between two questions for the next stretch, about twenty a second: they come on the audio clock, in a hidden tab
 * too. Each brings the loudest sample since the last.
 */
const ASK_EVERY = 16;

class MixerProcessor extends AudioWorkletProcessor {
  private readonly mixer = new Mixer(sampleRate);
  private blocks = 0;
  private peak = 0;

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<Message>) => {
      if (data.kind === 'sounds') this.mixer.schedule(data.sounds);
      else if (data.kind === 'volume') this.mixer.setVolume(data.volume, data.level);
      else if (data.kind === 'take back') this.mixer.takeBack(data.frame);
      else this.mixer.silence();
    };
  }

  process(_inputs: Float32Array[][], outputs: Float32Array[][]): boolean {
    const [left, ...others] = outputs[0] ?? [];
    if (!left) return true;
    left.fill(0);
    this.mixer.render(left, currentFrame);
    for (const other of others) other.set(left);
    for (const v of left) this.peak = Math.max(this.peak, Math.abs(v));
    if (++this.blocks % ASK_EVERY === 0) {
      this.port.postMessage(this.peak);
      this.peak = 0;
    }
    return true;
  }
}
registerProcessor('mixer', MixerProcessor);
