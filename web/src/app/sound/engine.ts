import type { TimedSound, Volume } from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import worklet from '../../worklets/built/mixer.worklet.js' with { loader: 'file' };

/** The audio context and the mixer that plays and keeps the clock. Loaded on the first play: browsers ask for a gesture. */
export class Engine {
  /** The mixer asks for the next stretch, on the audio clock. */
  readonly tick = new Subject<void>();
  /** Loudest sample of the last moments, 0…1. */
  readonly peak = new Subject<number>();

  private constructor(
    private readonly context: AudioContext,
    private readonly node: AudioWorkletNode,
  ) {
    node.port.onmessage = ({ data }: MessageEvent<number>) => {
      this.tick.next();
      this.peak.next(data);
    };
  }

  /** Fetches the mixer beforehand, in a quiet moment, so that the first play begins at once. */
  static warm() {
    const load = () => void fetch(worklet).catch(() => undefined);
    if ('requestIdleCallback' in globalThis) requestIdleCallback(load, { timeout: 8_000 });
    else setTimeout(load, 3_000);
  }

  static async start(): Promise<Engine> {
    const context = new AudioContext({ latencyHint: 'interactive' });
    await context.audioWorklet.addModule(worklet);
    const node = new AudioWorkletNode(context, 'mixer', { numberOfInputs: 0, outputChannelCount: [2] });
    node.connect(context.destination);
    return new Engine(context, node);
  }

  get rate(): number {
    return this.context.sampleRate;
  }
  /** The next frame that the mixer will be asked for. */
  get frame(): number {
    return Math.round(this.context.currentTime * this.context.sampleRate);
  }
  /** The frame that leaves the loudspeaker now. */
  get heardFrame(): number {
    const latency = this.context.outputLatency || this.context.baseLatency || 0;
    return this.frame - Math.round(latency * this.context.sampleRate);
  }
  async resume() {
    if (this.context.state !== 'running') await this.context.resume();
  }
  play(sounds: readonly TimedSound[]) {
    if (sounds.length) this.node.port.postMessage({ kind: 'sounds', sounds });
  }
  setVolume(volume: Volume, level: number) {
    this.node.port.postMessage({ kind: 'volume', volume, level });
  }
  /** Forgets strokes from a frame on: what comes in their place is played next. */
  takeBack(frame: number) {
    this.node.port.postMessage({ kind: 'take back', frame });
  }
  silence() {
    this.node.port.postMessage({ kind: 'silence' });
  }
}
