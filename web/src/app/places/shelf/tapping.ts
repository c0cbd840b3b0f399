import { computed, signal } from '@angular/core';
import {
  type Finger,
  FINGERS,
  type HandProfile,
  type Millis,
  type Tapped,
  TAPPED_PAIRS,
  tappedJoint,
  tappedReturn,
  TAPS_ALONE,
} from '@ruffle-wheel/core';

export type TapStep =
  | { readonly kind: 'warm' | 'done' }
  | { readonly kind: 'alone'; readonly finger: Finger }
  | { readonly kind: 'pair'; readonly from: Finger; readonly to: Finger };
/** What a right hand has come to, as far as it was tapped. */
export type TappedFigures = Pick<HandProfile, 'returnMs' | 'jointMs' | 'thumbJointMs'>;

const STEPS: readonly TapStep[] = [
  { kind: 'warm' },
  ...FINGERS.map((finger) => ({ kind: 'alone' as const, finger })),
  { kind: 'pair', from: 'm', to: 'i' },
  { kind: 'pair', from: 'a', to: 'm' },
  { kind: 'pair', from: 'p', to: 'i' },
  { kind: 'done' },
];

/** The measuring of one right hand by tapping, step by step; what is skipped stays as it was. */
export class Tapping {
  private readonly n = signal(0);
  private readonly taps = signal<readonly number[]>([]);
  private readonly joints = new Map<string, Millis>();
  private readonly found;

  readonly step = computed(() => STEPS[this.n()] ?? { kind: 'done' as const });
  readonly place = computed(() => ({ n: Math.min(this.n() + 1, STEPS.length - 1), of: STEPS.length - 1 }));
  readonly wanted = computed(() => (this.step().kind === 'pair' ? 2 * TAPPED_PAIRS : TAPS_ALONE));
  readonly tapped = computed(() => this.taps().length);
  /** What the last step came to; it is said until the next tap. */
  readonly said = signal<{ readonly step: TapStep; readonly tapped: Tapped } | null>(null);
  readonly figures;

  constructor(profile: HandProfile) {
    const { returnMs, jointMs, thumbJointMs } = profile;
    this.found = signal<TappedFigures>({ returnMs, jointMs, thumbJointMs });
    this.figures = this.found.asReadonly();
  }
  go(by: 1 | -1) {
    this.n.update((n) => Math.max(0, Math.min(STEPS.length - 1, n + by)));
    this.taps.set([]);
  }
  /** @param ms when it was, by any clock */
  tap(ms: number) {
    const step = this.step();
    if (step.kind === 'warm' || step.kind === 'done') return;
    this.said.set(null);
    this.taps.update((list) => [...list, ms]);
    if (this.taps().length < this.wanted()) return;
    const tapped = step.kind === 'alone' ? tappedReturn(this.taps()) : tappedJoint(this.taps());
    this.said.set({ step, tapped });
    this.taps.set([]);
    if (!('ms' in tapped)) return;
    this.take(step, tapped.ms);
    this.go(1);
  }
  private take(step: TapStep, ms: Millis) {
    if (step.kind === 'alone') this.found.update((f) => ({ ...f, returnMs: { ...f.returnMs, [step.finger]: ms } }));
    if (step.kind !== 'pair') return;
    if (step.from === 'p') return this.found.update((f) => ({ ...f, thumbJointMs: ms }));
    // One figure stands for all pairs of fingers: the slower of those tapped.
    this.joints.set(`${step.from}${step.to}`, ms);
    this.found.update((f) => ({ ...f, jointMs: Math.max(...this.joints.values()) as Millis }));
  }
}
