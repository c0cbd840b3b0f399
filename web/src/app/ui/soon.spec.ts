import { ChangeDetectionStrategy, Component, ErrorHandler, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { soon } from '../testing/soon';
import { Soon, Turns } from './soon';

@Component({
  imports: [Soon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h1>Place</h1>
    @if (shown()) {
      <p *appSoon>First {{ word() }}</p>
      <p *appSoon>Second</p>
    }`,
})
class Place {
  readonly shown = signal(true);
  readonly word = signal('part');
}
const aTask = () => new Promise((resolve) => setTimeout(resolve));

describe('parts of a place that are drawn in their turn', () => {
  const faults = { handleError: vi.fn() };
  beforeEach(() => {
    faults.handleError.mockClear();
    TestBed.configureTestingModule({ providers: [{ provide: ErrorHandler, useValue: faults }] });
  });
  const place = () => {
    const f = TestBed.createComponent(Place);
    f.detectChanges();
    const parts = () => [...(f.nativeElement as HTMLElement).querySelectorAll('p')].map((p) => p.textContent);
    return { f, parts };
  };

  it('come one a task, in their order, after the place itself', async () => {
    const { f, parts } = place();
    expect((f.nativeElement as HTMLElement).querySelector('h1')).not.toBeNull();
    expect(parts()).toEqual([]);
    await aTask();
    expect(parts()).toEqual(['First part']);
    await aTask();
    expect(parts()).toEqual(['First part', 'Second']);
  });
  it('change with the place they belong to, and are waited for by who waits until all is drawn', async () => {
    const { f, parts } = place();
    await f.whenStable();
    f.componentInstance.word.set('changed');
    await f.whenStable();
    expect(parts()).toEqual(['First changed', 'Second']);
  });
  it('do not come any more when the place has gone', async () => {
    const { f, parts } = place();
    f.componentInstance.shown.set(false);
    f.detectChanges();
    await f.whenStable();
    expect(parts()).toEqual([]);
    expect(faults.handleError).not.toHaveBeenCalled();
  });
  it('leave the others their turn when one can’t be drawn', async () => {
    const drawn: string[] = [];
    const turns = TestBed.inject(Turns);
    turns.add(() => {
      throw new Error('no picture');
    });
    turns.add(() => drawn.push('other'));
    await soon(() => expect(drawn).toEqual(['other']));
    expect(faults.handleError).toHaveBeenCalledTimes(1);
  });
  it('are there when what comes next has come', async () => {
    const coming = TestBed.inject(Turns).coming();
    const { parts } = place();
    await coming;
    expect(parts()).toEqual(['First part', 'Second']);
  });
});
