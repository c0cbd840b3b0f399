import {
  createEnvironmentInjector,
  effect,
  type EnvironmentInjector,
  runInInjectionContext,
  signal,
} from '@angular/core';
import { provideServiceWorker, SwUpdate } from '@angular/service-worker';
import { Transport } from '../sound/transport';
import { shell as words } from '../words/shell';
import { Troubles } from './troubles';

const WORKER = 'ngsw-worker.js';
/** How often a page that stays open asks for a new version. */
const ASK_MS = 3_600_000;

/**
 * Keeps the whole program in the browser, so that nothing needs the network after the first load, and offers a new
 * version when it has come: never while something sounds.
 */
export async function keepWithoutNetwork(injector: EnvironmentInjector): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  try {
    await navigator.serviceWorker.register(WORKER);
  } catch {
    // Not allowed here: the program works with the network.
    return;
  }
  const own = createEnvironmentInjector([provideServiceWorker(WORKER)], injector);
  const [updates, transport, troubles] = [own.get(SwUpdate), own.get(Transport), own.get(Troubles)];
  if (!updates.isEnabled) return;
  const found = signal(false);
  updates.versionUpdates.subscribe((e) => e.type === 'VERSION_READY' && found.set(true));
  updates.unrecoverable.subscribe(() => found.set(true));
  setInterval(() => void updates.checkForUpdate().catch(() => false), ASK_MS);
  runInInjectionContext(own, () =>
    effect(() => {
      if (!found() || transport.running()) return troubles.end('version');
      troubles.say({
        matter: 'version',
        text: words.startup.newVersion,
        reload: true,
        again: () => location.reload(),
      });
    }),
  );
}
