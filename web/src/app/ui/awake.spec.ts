import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { awakeWhile } from './awake';

const playing = signal(false);
@Component({ template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class Playing {
  constructor() {
    awakeWhile(playing);
  }
}

describe('the screen', () => {
  const release = vi.fn(() => Promise.resolve());
  const request = vi.fn<(type: string) => Promise<{ release: () => Promise<void> }>>(() =>
    Promise.resolve({ release }),
  );
  beforeEach(() => {
    playing.set(false);
    vi.clearAllMocks();
    Object.defineProperty(navigator, 'wakeLock', { value: { request }, configurable: true });
  });
  afterEach(() => Reflect.deleteProperty(navigator, 'wakeLock'));

  it('stays lit while one plays, asked for anew when the page is seen again, and no longer', async () => {
    const f = TestBed.createComponent(Playing);
    await f.whenStable();
    expect(request).not.toHaveBeenCalled();
    playing.set(true);
    await f.whenStable();
    expect(request).toHaveBeenCalledExactlyOnceWith('screen');
    document.dispatchEvent(new Event('visibilitychange'));
    expect(request).toHaveBeenCalledTimes(2);
    playing.set(false);
    await f.whenStable();
    expect(release).toHaveBeenCalled();
    document.dispatchEvent(new Event('visibilitychange'));
    expect(request).toHaveBeenCalledTimes(2);
  });
  it('goes dark as it would where the browser refuses or has no such thing', async () => {
    request.mockRejectedValueOnce(new Error('low battery'));
    const f = TestBed.createComponent(Playing);
    playing.set(true);
    await f.whenStable();
    Reflect.deleteProperty(navigator, 'wakeLock');
    playing.set(false);
    await f.whenStable();
    playing.set(true);
    await f.whenStable();
    expect(release).not.toHaveBeenCalled();
  });
});
