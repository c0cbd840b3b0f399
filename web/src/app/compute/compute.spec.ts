import { TestBed } from '@angular/core/testing';
import {
  cycleById,
  DEFAULT_PROFILE,
  makeSection,
  type Reading,
  readSection,
  type ReadingRequest,
  STANDARD_TUNING,
} from '@ruffle-wheel/core';
import { Compute } from './compute';
import type { Computer } from './protocol';

const request = (script: string): ReadingRequest => ({
  section: { ...makeSection('s', 'S', cycleById('buleria')!), script },
  shapes: [],
  tuning: STANDARD_TUNING,
  capo: 0,
  profile: DEFAULT_PROFILE,
});
/** A worker whose answers wait until they are let go. */
class SlowCompute extends Compute {
  readonly asked: string[] = [];
  readonly letGo: (() => void)[] = [];
  protected override start(): Computer {
    return {
      readSection: (r) => {
        this.asked.push(r.section.script);
        return new Promise<Reading>((resolve) => this.letGo.push(() => resolve(readSection(r)))) as unknown as Reading;
      },
    };
  }
}
const settle = () => new Promise((r) => setTimeout(r));

describe('the door to the solvers', () => {
  it('answers the newest request and skips those overtaken while it worked', async () => {
    const compute = TestBed.runInInjectionContext(() => new SlowCompute());
    for (const script of ['e', 'ed', 'ed a', 'ed ad']) compute.ask(request(script));
    await settle();
    expect(compute.asked).toEqual(['e']);
    compute.letGo[0]!();
    await settle();
    expect(compute.answered()).toBeNull();
    expect(compute.asked).toEqual(['e', 'ed ad']);
    compute.letGo[1]!();
    await settle();
    expect(compute.answered()?.request.section.script).toBe('ed ad');
    expect(compute.answered()?.reading.flat.events).toHaveLength(2);
  });
});
