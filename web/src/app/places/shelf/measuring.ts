import { computed, signal } from '@angular/core';
import {
  FINGER_PAIRS,
  type FingerPair,
  type HandProfile,
  type LeftHand,
  leftHandOf,
  millis,
  moveConstants,
  neckOf,
  reachFrom,
  reachLadder,
} from '@ruffle-wheel/core';

export type MeasureStep =
  | { readonly kind: 'reach'; readonly pair: FingerPair }
  | { readonly kind: 'barre' | 'near' | 'far' | 'thumb' | 'done' };
export type Reached = 'easily' | 'just' | 'not';
/** Landings that are timed together: one alone is too short for a stopwatch. */
export const LANDINGS = 10;
const LONGEST_BARRE_MS = 60_000;
const STEPS: readonly MeasureStep[] = [
  ...FINGER_PAIRS.map((pair) => ({ kind: 'reach' as const, pair })),
  { kind: 'barre' },
  { kind: 'near' },
  { kind: 'far' },
  { kind: 'thumb' },
  { kind: 'done' },
];
/** Where a pair begins on its ladder: well within what the hand is said to reach. */
const BEGIN_SHARE = 0.75;

/** The measuring of one left hand, step by step; what is skipped stays as it was. */
export class Measuring {
  private readonly n = signal(0);
  private readonly found;
  private readonly rungNumber = signal(0);
  private readonly up = signal(true);
  private readonly easyMm = signal<number | null>(null);
  private readonly reachedMm = signal<number | null>(null);
  private nearMs: number | null = null;
  private readonly neck;

  readonly step = computed(() => STEPS[this.n()] ?? { kind: 'done' as const });
  readonly place = computed(() => ({ n: Math.min(this.n() + 1, STEPS.length - 1), of: STEPS.length - 1 }));
  private readonly ladder = computed(() => {
    const step = this.step();
    return step.kind === 'reach' ? reachLadder(step.pair, this.neck) : [];
  });
  readonly rung = computed(() => this.ladder()[this.rungNumber()] ?? null);
  readonly left;

  constructor(profile: HandProfile) {
    this.neck = neckOf(profile);
    this.found = signal<LeftHand>(leftHandOf(profile));
    this.left = this.found.asReadonly();
    this.begin(0);
  }

  private begin(n: number) {
    this.n.set(Math.max(0, Math.min(STEPS.length - 1, n)));
    this.up.set(true);
    this.easyMm.set(null);
    this.reachedMm.set(null);
    const step = this.step();
    if (step.kind !== 'reach') return;
    const from = this.left().reach[step.pair].ease * BEGIN_SHARE;
    this.rungNumber.set(
      Math.max(
        0,
        this.ladder().findLastIndex((r) => r.mm <= from),
      ),
    );
  }
  next() {
    this.begin(this.n() + 1);
  }
  back() {
    this.begin(this.n() - 1);
  }

  /** Up the ladder while it reaches; down it when even the first rung does not. */
  answer(how: Reached) {
    const rung = this.rung();
    if (!rung) return;
    if (how !== 'not') this.reachedMm.update((mm) => Math.max(mm ?? 0, rung.mm));
    if (how === 'easily') this.easyMm.update((mm) => Math.max(mm ?? 0, rung.mm));
    const nothing = this.reachedMm() === null;
    if (this.up() && how === 'not' && nothing) this.up.set(false);
    else if (this.up() && how === 'just' && this.easyMm() === null) this.up.set(false);
    const over = this.up() ? how === 'not' : how === 'easily';
    const to = this.rungNumber() + (this.up() ? 1 : -1);
    if (over || to < 0 || to >= this.ladder().length) this.keepReach();
    else this.rungNumber.set(to);
  }
  private keepReach() {
    const step = this.step();
    const reach = reachFrom(this.easyMm(), this.reachedMm());
    if (step.kind === 'reach' && reach)
      this.found.update((left) => ({ ...left, reach: { ...left.reach, [step.pair]: reach } }));
    this.next();
  }

  /** What the stopwatch of a step has shown. */
  timed(ms: number) {
    const { kind } = this.step();
    if (kind === 'barre')
      this.found.update((left) => ({
        ...left,
        barre: millis(Math.round(Math.min(LONGEST_BARRE_MS, Math.max(500, ms)))),
      }));
    if (kind === 'near') this.nearMs = ms / LANDINGS;
    if (kind === 'far' && this.nearMs !== null) {
      const move = moveConstants(this.nearMs, ms / LANDINGS, this.neck);
      this.found.update((left) => ({ ...left, move }));
    }
    this.next();
  }
  thumb(over: boolean) {
    this.found.update((left) => ({ ...left, thumbOver: over }));
    this.next();
  }
}
