import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { addSection, cycleById, type Plan, type ReadingRequest, setScript } from '@ruffle-wheel/core';
import { type AnsweredReading, Compute } from '../compute/compute';
import { arrived } from '../compute/page-reading';
import { readForPage } from '../compute/read-for-page';
import { aWorld, type World } from '../testing/world';
import { SectionPlaying } from './section-playing';
import { TryOut } from './try-out/try-out';

/** Answers when the test lets it. */
class SlowCompute {
  readonly answered = signal<AnsweredReading | null>(null);
  readonly failure = signal<{ request: ReadingRequest; why: string } | null>(null);
  private asked: ReadingRequest | null = null;
  ask(request: ReadingRequest) {
    this.asked = request;
  }
  answer() {
    TestBed.tick();
    const request = this.asked!;
    this.answered.set({ request, reading: arrived(readForPage(request)) });
    TestBed.tick();
  }
  fail() {
    TestBed.tick();
    this.failure.set({ request: this.asked!, why: 'gone' });
    TestBed.tick();
  }
}

describe('playing the open section', () => {
  let world: World;
  let compute: SlowCompute;
  let loaded: Plan[];
  beforeEach(async () => {
    compute = new SlowCompute();
    world = await aWorld(undefined, [{ provide: Compute, useValue: compute }]);
    loaded = [];
    vi.spyOn(world.transport, 'load').mockImplementation((...plan: unknown[]) => {
      loaded.push((plan[0] as () => Plan)());
      return undefined;
    });
    world.open.apply(addSection('b', 'B', cycleById('vals')!));
    world.open.apply(setScript('b', 'p i m'));
    world.open.chooseSection('s-a');
    compute.answer();
  });
  const playing = () => TestBed.inject(SectionPlaying);
  const turns = () => Promise.resolve().then(() => undefined);

  it('never plays the section before: after another was chosen it waits for that one’s reading', async () => {
    await playing().playOrStop();
    const first = loaded.at(-1);
    await playing().playOrStop();
    world.open.chooseSection('b');
    const before = world.transport.played.length;
    const started = playing().playOrStop();
    await turns();
    expect(world.transport.played).toHaveLength(before);
    compute.answer();
    await started;
    expect(world.transport.played).toHaveLength(before + 1);
    expect(loaded.at(-1)).not.toEqual(first);
    expect(loaded.at(-1)?.length).toBe(world.open.reading()?.plan.length);
  });
  it('pressed again before it could begin, nothing begins', async () => {
    world.open.chooseSection('b');
    const started = playing().playOrStop();
    await playing().playOrStop();
    compute.answer();
    await started;
    expect(world.transport.played).toEqual([]);
  });
  it('what gets no reading is not played', async () => {
    world.open.chooseSection('b');
    const started = playing().playOrStop();
    compute.fail();
    await started;
    expect(world.transport.played).toEqual([]);
  });
  it('what is tried out is heard once it has been read, however long that takes', async () => {
    TestBed.inject(TryOut).show('x', { script: 'p p p', stepsPerCount: 1 });
    await turns();
    expect(world.transport.played).toEqual([]);
    compute.answer();
    await vi.waitFor(() => expect(world.transport.played).toHaveLength(1));
    expect(loaded.at(-1)?.sounds.filter((s) => s.kind === 'pluck').length).toBeGreaterThan(2);
  });
});
