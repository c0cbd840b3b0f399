import { TestBed } from '@angular/core/testing';
import { MatSnackBar } from '@angular/material/snack-bar';
import type { LogEntry } from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import { all, aWorld, choose, element, press, show, texts, type World } from '../../testing/world';
import { LogbookPlace } from './logbook-place';
import { TempoChart } from './tempo-chart';
import { soon } from '../../testing/soon';

const entry = (id: string, study: string, day: string, bpm: number, clean = true): LogEntry => ({
  id,
  studyId: study,
  studyName: study.toUpperCase(),
  sectionName: 'A',
  startedAt: `${day}T18:00:00.000Z`,
  minutes: 7.5,
  passes: [
    { bpm, clean },
    { bpm: bpm + 5, clean: false },
  ],
  pain: false,
});
let world: World;
const undo = new Subject<void>();
beforeEach(async () => {
  // The canvas of the chart is drawn in the browser only; what it shows is asked of its label.
  TestBed.overrideComponent(TempoChart, {
    set: { template: '<span class="chart">{{ label() }}</span>', imports: [], providers: [] },
  });
  // The window through which lines are seen has no height where nothing is laid out.
  vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(600);
  world = await aWorld(undefined, [{ provide: MatSnackBar, useValue: { open: () => ({ onAction: () => undo }) } }]);
  world.collection.logRead.set(true);
  world.collection.saveLog(entry('1', 'stairs', '2026-03-01', 100));
  world.collection.saveLog(entry('2', 'rope', '2026-03-02', 80, false));
  world.collection.saveLog(entry('3', 'stairs', '2026-03-05', 110));
});

afterEach(() => vi.restoreAllMocks());

describe('logbook', () => {
  it('draws the lines in sight alone, however long the log', async () => {
    const many = Array.from({ length: 5_000 }, (_, n) => entry(`n${n}`, 'stairs', '2026-02-01', 90));
    world.collection.log.set(many);
    const f = await show(LogbookPlace);
    await soon(() => expect(all(f, 'cdk-virtual-scroll-viewport .line').length).toBeGreaterThan(10));
    expect(all(f, 'cdk-virtual-scroll-viewport .line').length).toBeLessThan(60);
    expect(element(f).textContent).toMatch(/5000 sessions · 37500 minutes/);
  });
  it('lists sessions, newest first, with tempo reached and marks', async () => {
    const f = await show(LogbookPlace);
    expect(texts(f, 'cdk-virtual-scroll-viewport .line').map((t) => t.slice(0, 64))).toEqual([
      expect.stringMatching(/^Thu, 5 Mar 2026 STAIRS · A 7.5 min ?110 1 of 2 \(50 %\)/) as string,
      expect.stringMatching(/^Mon, 2 Mar 2026 ROPE · A 7.5 min ?none clean 0 of 2/) as string,
      expect.stringMatching(/^Sun, 1 Mar 2026 STAIRS · A 7.5 min ?100/) as string,
    ]);
    expect(element(f).textContent).toMatch(/3 sessions · 23 minutes/);
  });
  it('the demo’s sessions never stand among one’s own, and are to be had apart', async () => {
    for (const n of [1, 2]) world.collection.saveLog(entry(`demo-0${n}-stairs`, 'stairs', '2026-03-06', 150));
    const f = await show(LogbookPlace);
    expect(element(f).textContent).toMatch(/3 sessions · 23 minutes/);
    expect(element(f).textContent).not.toMatch(/invented/);
    await choose(f, 'Study', 'The demo’s sessions');
    expect(element(f).textContent).toMatch(/2 sessions · 15 minutes.*invented/s);
    await choose(f, 'Study', 'STAIRS');
    expect(element(f).textContent).toMatch(/2 sessions · 15 minutes/);
    expect(element(f).textContent).not.toMatch(/invented/);
  });
  it('where no tempo was reached yet there is no chart without points', async () => {
    for (const id of ['1', '3']) world.collection.deleteLog(entry(id, 'x', '2026-03-01', 90));
    const f = await show(LogbookPlace);
    expect(all(f, '.chart')).toEqual([]);
    expect(all(f, 'cdk-virtual-scroll-viewport .line')).toHaveLength(1);
  });
  it('while there are no others the demo’s are shown, and called so', async () => {
    for (const id of ['1', '2', '3']) world.collection.deleteLog(entry(id, 'x', '2026-03-01', 90));
    world.collection.saveLog(entry('demo-01-stairs', 'stairs', '2026-03-06', 150));
    const f = await show(LogbookPlace);
    expect(element(f).textContent).toMatch(/1 session .*invented/s);
  });
  it('shows one study alone', async () => {
    const f = await show(LogbookPlace);
    await choose(f, 'Study', 'ROPE');
    expect(all(f, 'cdk-virtual-scroll-viewport .line')).toHaveLength(1);
  });
  it('deletes a line with undo', async () => {
    const f = await show(LogbookPlace);
    await press(f, 'Delete line: ROPE');
    await soon(() => expect(world.collection.log()).toHaveLength(2));
    undo.next();
    await soon(() => expect(world.collection.log()).toHaveLength(3));
  });
  it('the chart says each line’s first and last tempo; sessions without a clean pass are no point', async () => {
    const f = await show(LogbookPlace);
    expect(texts(f, '.chart span, span.chart')[0]).toBe('Tempo reached, counts a minute: STAIRS · A from 100 to 110');
  });
  it('a long break is said with the lines', async () => {
    world.collection.saveLog(entry('late', 'stairs', '2026-04-20', 120));
    const f = await show(LogbookPlace);
    expect(texts(f, '.chart span, span.chart')[0]).toMatch(/nothing played for \d+ days after \d+ Mar/);
  });
  it('an empty one says how a line comes into it', async () => {
    for (const id of ['1', '2', '3']) world.collection.deleteLog(entry(id, 'x', '2026-03-01', 90));
    const f = await show(LogbookPlace);
    expect(element(f).textContent).toMatch(/Nothing practised yet/);
  });
  it('says what the time of the last weeks went to, by kind of work', async () => {
    const now = new Date().toISOString();
    const line = (id: string, minutes: number, more: Partial<LogEntry>) =>
      world.collection.saveLog({ ...entry(id, 's', '', 100), startedAt: now, minutes, ...more });
    line('k1', 12, {});
    line('k2', 5, { drill: 'open strings' });
    line('k3', 2, { drill: 'burst 0 4' });
    const f = await show(LogbookPlace);
    await soon(() => expect(texts(f, '.kinds li')).toEqual(['Together12 min', 'Right hand alone5 min', 'Burst2 min']));
  });
  it('says what is lost, due and holding, and shows the days of practice', async () => {
    const ago = (n: number) => new Date(Date.now() - n * 86_400_000).toISOString();
    const held = (id: string, n: number, clean: boolean, more: Partial<LogEntry> = {}): LogEntry => ({
      ...entry(id, 's', '', 100),
      sectionId: 's-a',
      startedAt: ago(n),
      passes: Array.from({ length: 4 }, () => ({ bpm: 100, clean })),
      ...more,
    });
    world.collection.saveLog(held('4', 3, true));
    const f = await show(LogbookPlace);
    const heads = () => texts(f, 'app-holds-panel h2');
    await soon(() => expect(heads()[1]).toBe('Due: 1'));
    world.collection.saveLog(held('5', 0, true, { cold: true }));
    await f.whenStable();
    expect(heads()[1]).toBe('Holds: 1');
    expect(texts(f, 'app-holds-panel li').join()).toMatch(/asked for in 3 days/);
    world.collection.saveLog(held('5', 0, false, { cold: true, pain: true }));
    await f.whenStable();
    expect(heads()[1]).toBe('Lost: 1');
    expect(heads()[0]).toBe('2 days in 12 weeks');
    expect(all(f, '.days .pain')).toHaveLength(1);
  });
});
