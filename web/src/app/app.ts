import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Header } from './header/header';
import { KeyList } from './header/key-list';
import { Keys } from './keys';
import { Startup } from './startup';
import { OpenStudy } from './study';
import { Icon, type IconName } from './ui/icons';
import { words } from './words/en';

/** The shell: places at the left, the open study above, the place itself. */
@Component({
  selector: 'app-root',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, Header, KeyList, Icon],
  templateUrl: './app.html',
  styleUrl: './app.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'pressed($event)' },
})
export class App {
  protected readonly words = words;
  protected readonly startup = inject(Startup);
  protected readonly open = inject(OpenStudy);
  private readonly keys = inject(Keys);
  protected readonly keyList = signal(false);
  protected readonly conflict = computed(() => this.open.saved() === 'conflict');
  protected readonly places: readonly { path: string; icon: IconName; name: string; key: string }[] = [
    { path: '/wheel', icon: 'wheel', name: words.places.wheel, key: '1' },
    { path: '/neck', icon: 'neck', name: words.places.neck, key: '2' },
    { path: '/practise', icon: 'practise', name: words.places.practise, key: '4' },
    { path: '/logbook', icon: 'logbook', name: words.places.logbook, key: '6' },
    { path: '/shelf', icon: 'shelf', name: words.places.shelf, key: '7' },
  ];

  protected pressed(e: KeyboardEvent) {
    if (e.defaultPrevented) return;
    if (e.key === '?' && !Keys.typing(e)) this.keyList.update((shown) => !shown);
    else if (e.key === 'Escape' && this.keyList()) this.keyList.set(false);
    else if (!this.keys.press(e)) return;
    e.preventDefault();
  }
}
