import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Progress } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { TryOut } from '../try-out/try-out';
import { Asking } from './asking';

describe('a question that takes long', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  it('is over with its answer, though the worker’s last word of how far it has come arrives later', async () => {
    let told: Progress = () => undefined;
    let answered: (answer: string) => void = () => undefined;
    TestBed.configureTestingModule({
      providers: [
        { provide: TryOut, useValue: { leave: () => undefined } },
        { provide: Solve, useValue: { cancel: () => undefined } },
      ],
    });
    const ask = signal<string | null>('q');
    const asking = TestBed.runInInjectionContext(
      () =>
        new Asking<string, string>(ask, (_, progress) => {
          told = progress;
          return new Promise((resolve) => (answered = resolve));
        }),
    );
    TestBed.tick();
    await vi.advanceTimersByTimeAsync(500);
    expect(asking.progress()).toBe(0);
    told(0.4);
    expect(asking.progress()).toBe(0.4);
    answered('a');
    await vi.advanceTimersByTimeAsync(0);
    expect([asking.answer(), asking.progress()]).toEqual(['a', null]);
    told(1);
    expect(asking.progress()).toBeNull();
  });
});
