import { TestBed } from '@angular/core/testing';
import {
  cycleById,
  DEFAULT_PROFILE,
  makeSection,
  type ReadingRequest,
  readSection,
  STANDARD_TUNING,
} from '@ruffle-wheel/core';
import { Compute } from './compute';
import { arrived, type SentReading } from './page-reading';
import { readForPage } from './read-for-page';
import { WorkerDied, WorkerLink } from './worker-link';

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
  /** How often it dies before it answers. */
  dies = 0;
  protected override read(r: ReadingRequest): Promise<SentReading> {
    this.asked.push(r.section.script);
    if (this.dies-- > 0) return Promise.reject(new WorkerDied());
    return new Promise<SentReading>((resolve, reject) => {
      this.letGo.push(() => resolve(readForPage(r)));
      this.fails.push(reject);
    });
  }
  readonly fails: ((why: Error) => void)[] = [];
}
describe('a reading for the page', () => {
  it('brings all that sounds and every grip, made once and only when they are asked for', () => {
    const asked = request('p:5 i:3 m:2');
    const r = arrived(structuredClone(readForPage(asked)));
    const whole = readSection(asked);
    expect(r.plan).toEqual(whole.plan);
    expect(r.plan).toBe(r.plan);
    expect(r.grips).toEqual(whole.score.grips);
    const broken = { plan: '{', grips: '[', line: '', lineTimes: '' };
    expect(arrived({ ...readForPage(asked), seldom: broken }).flat.events).toHaveLength(3);
  });
  it('hands over of the score only strokes that bring frets with them, each once, and when they come', () => {
    const r = arrived(readForPage(request('i:2f3 m:2 L:2f5 m:1')));
    expect(r.score).not.toHaveProperty('events');
    expect(r.line.map((e) => e.notes[0]?.fret)).toEqual([3, 5]);
    expect(r.lineTimes.slice(0, 3)).toEqual([
      [0, 0],
      [5040, 1],
      [10080, 0],
    ]);
    expect(r.pushed).toBeNull();
  });
});
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
  it('an answer that is rejected is said, and asked anew', async () => {
    const compute = TestBed.runInInjectionContext(() => new SlowCompute());
    compute.ask(request('e'));
    await settle();
    compute.fails[0]!(new Error('no room'));
    await settle();
    expect(compute.failure()).toMatchObject({ why: 'no room' });
    compute.again();
    await settle();
    compute.letGo[1]!();
    await settle();
    expect(compute.failure()).toBeNull();
    expect(compute.answered()?.request.section.script).toBe('e');
  });
  it('a worker that dies is started again; one that dies twice is said', async () => {
    const compute = TestBed.runInInjectionContext(() => new SlowCompute());
    compute.dies = 1;
    compute.ask(request('e'));
    await settle();
    compute.letGo[0]!();
    await settle();
    expect(compute.answered()?.request.section.script).toBe('e');
    compute.dies = 2;
    compute.ask(request('ed'));
    await settle();
    expect(compute.failure()?.why).toMatch(/no answer/);
    compute.ask(request('ed a'));
    await settle();
    compute.letGo.at(-1)!();
    await settle();
    expect(compute.failure()).toBeNull();
  });
});

describe('the link to a worker', () => {
  class DeadWorker extends EventTarget {
    static made = 0;
    ended = false;
    constructor() {
      super();
      DeadWorker.made++;
    }
    postMessage() {
      return undefined;
    }
    terminate() {
      this.ended = true;
    }
  }
  it('tells who waits when it dies or is silent, and starts another for the next question', async () => {
    const workers: DeadWorker[] = [];
    const link = new WorkerLink<{ ask(): number }>(() => {
      const worker = new DeadWorker();
      workers.push(worker);
      return worker as unknown as Worker;
    });
    const first = link.ask((r) => r.ask(), 10_000);
    workers[0]!.dispatchEvent(new Event('error'));
    await expect(first).rejects.toBeInstanceOf(WorkerDied);
    await expect(link.ask((r) => r.ask(), 10)).rejects.toBeInstanceOf(WorkerDied);
    expect(workers.map((w) => w.ended)).toEqual([true, true]);
  });
});
