import { effect, type Signal } from '@angular/core';

/**
 * Keeps the screen lit while this is true, also after the page was hidden and shown again: both hands are on the guitar.
 * It lasts as long as the part that asks for it, in whose constructor it is called.
 */
export function awakeWhile(playing: Signal<boolean>) {
  effect((onCleanup) => {
    if (!playing()) return;
    let lock = ask();
    const shown = () => {
      if (document.visibilityState === 'visible') lock = ask();
    };
    document.addEventListener('visibilitychange', shown);
    onCleanup(() => {
      document.removeEventListener('visibilitychange', shown);
      void lock.then((l) => l?.release()).catch(() => undefined);
    });
  });
}
/** A courtesy: some browsers have none, and some refuse it where the battery is low. */
const ask = (): Promise<WakeLockSentinel | null> =>
  'wakeLock' in navigator ? navigator.wakeLock.request('screen').catch(() => null) : Promise.resolve(null);
