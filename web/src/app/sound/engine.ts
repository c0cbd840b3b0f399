import type { TimedSound, Volume } from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import worklet from '../../worklets/built/mixer.worklet.js' with { loader: 'file' };

/** Between two ticks of the scheduling clock. */
const UPDATE_SECONDS = 0.025;

/** The audio context with its clock and the mixer that plays. Loaded on the first play: browsers ask for a gesture. */
export class Engine {
  /** Ticks of the scheduling clock: time to hand the next stretch to the mixer. */
  readonly tick = new Subject<void>();
  /** Loudest sample of the last moments, 0…1. */
  readonly peak = new Subject<number>();

  private constructor(
    private readonly context: AudioContext,
    private readonly node: AudioWorkletNode,
  ) {
    node.port.onmessage = ({ data }: MessageEvent<number>) => this.peak.next(data);
  }

  /** Fetches the clock beforehand, in a quiet moment, so that the first play begins at once. */
  static warm() {
    const load = () => void import('tone/build/esm/core/context/Context');
    if ('requestIdleCallback' in globalThis) requestIdleCallback(load, { timeout: 8_000 });
    else setTimeout(load, 3_000);
  }

  static async start(): Promise<Engine> {
    const native = new AudioContext({ latencyHint: 'interactive' });
    const [tone] = await Promise.all([
      import('tone/build/esm/core/context/Context'),
      native.audioWorklet.addModule(worklet),
    ]);
    const node = new AudioWorkletNode(native, 'mixer', { numberOfInputs: 0, outputChannelCount: [2] });
    node.connect(native.destination);
    const engine = new Engine(native, node);
    const clock = new tone.Context({ context: native, clockSource: 'worker', updateInterval: UPDATE_SECONDS });
    clock.on('tick', () => engine.tick.next());
    return engine;
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
  silence() {
    this.node.port.postMessage({ kind: 'silence' });
  }
}
