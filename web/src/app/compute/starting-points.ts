import { inject, Injectable, type Signal, signal } from '@angular/core';
import type { AccentCycle, HandProfile, StartingPoint } from '@ruffle-wheel/core';
import { Compute } from './compute';

/** Ways to begin, worked out once for each cycle and hand; none until they are there. */
@Injectable({ providedIn: 'root' })
export class StartingPoints {
  private readonly compute = inject(Compute);
  private readonly known = new WeakMap<AccentCycle, WeakMap<HandProfile, Signal<readonly StartingPoint[]>>>();

  of(cycle: AccentCycle, hand: HandProfile): readonly StartingPoint[] {
    const byHand = this.known.get(cycle) ?? new WeakMap<HandProfile, Signal<readonly StartingPoint[]>>();
    this.known.set(cycle, byHand);
    const there = byHand.get(hand);
    if (there) return there();
    const points = signal<readonly StartingPoint[]>([]);
    byHand.set(hand, points);
    void this.compute.startingPoints(cycle, hand).then(
      (found) => points.set(found),
      // Asked again when they are next wanted.
      () => byHand.delete(hand),
    );
    return points();
  }
}
