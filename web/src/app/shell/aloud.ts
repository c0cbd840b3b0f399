import { LiveAnnouncer } from '@angular/cdk/a11y';
import { effect, type EnvironmentInjector, runInInjectionContext } from '@angular/core';
import { NavigationEnd, Router } from '@angular/router';
import { filter } from 'rxjs';
import { Transport } from '../sound/transport';
import { OpenStudy } from '../study';
import { shell as words } from '../words/shell';
import { PLACES } from './places';

/** A tempo is said once it stands still. */
const STILL_MS = 400;

/** Says once, for those who don't see the page: the place, the tempo, play and stop. Saving is never said. */
export function speakOf(injector: EnvironmentInjector): void {
  const [aloud, router, transport, open] = [
    injector.get(LiveAnnouncer),
    injector.get(Router),
    injector.get(Transport),
    injector.get(OpenStudy),
  ];
  const say = (text: string) => void aloud.announce(text, 'polite');
  router.events.pipe(filter((e) => e instanceof NavigationEnd)).subscribe(({ urlAfterRedirects: url }) => {
    const place = PLACES.find((p) => url.startsWith(`/${p.path}`));
    if (place) say(place.name);
  });
  runInInjectionContext(injector, () => {
    let played: boolean | null = null;
    effect(() => {
      const playing = transport.running();
      if (played !== null && played !== playing) say(playing ? words.aloud.playing : words.aloud.stopped);
      played = playing;
    });
    let before: { readonly section: string; readonly bpm: number } | null = null;
    effect((onCleanup) => {
      const section = open.section();
      const now = section && { section: section.id, bpm: section.bpm };
      // Another section has another tempo: that is no news.
      if (!now || before?.section !== now.section) {
        before = now;
        return;
      }
      if (before.bpm === now.bpm) return;
      const still = setTimeout(() => {
        before = now;
        say(words.aloud.tempo(now.bpm));
      }, STILL_MS);
      onCleanup(() => clearTimeout(still));
    });
  });
}
