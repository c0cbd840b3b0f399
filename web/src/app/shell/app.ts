import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { filter, map } from 'rxjs';
import { Compute } from '../compute/compute';
import { Header } from './header/header';
import { KeyList } from './header/key-list';
import { Keys } from './keys';
import { PLACES } from './places';
import { Startup } from './startup';
import { Collection, OpenStudy } from '../study';
import { Troubles } from './troubles';
import { Icon } from '../ui/icons';
import { NewStudy } from '../parts/new-study/new-study';
import { Notice } from '../ui/notice';
import { words } from '../words/en';
import { MatButton } from '@angular/material/button';

/** The shell: places at the left, the open study above, the place itself. */
@Component({
  selector: 'app-root',
  imports: [MatButton, RouterOutlet, RouterLink, RouterLinkActive, Header, KeyList, Icon],
  templateUrl: './app.html',
  styleUrl: './app.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'pressed($event)', '(document:click)': 'clicked($event)' },
})
export class App {
  protected readonly words = words;
  protected readonly startup = inject(Startup);
  protected readonly troubles = inject(Troubles);
  protected readonly compute = inject(Compute);
  protected readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly keys = inject(Keys);
  private readonly router = inject(Router);
  protected readonly keyList = signal(false);
  private readonly url = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map((e) => e.urlAfterRedirects),
    ),
    { initialValue: '' },
  );
  protected readonly conflicts = computed(() =>
    this.collection
      .conflicts()
      .map((conflict) => ({ conflict, deleted: !this.collection.studies().some((r) => r.id === conflict.id) })),
  );
  /** Nothing is open and the place has nothing to show. */
  protected readonly bare = computed(
    () =>
      this.startup.ready() &&
      !this.open.study() &&
      !PLACES.some((p) => p.withoutStudy && this.url().startsWith(`/${p.path}`)),
  );
  protected readonly places = PLACES;
  private readonly main = viewChild.required<ElementRef<HTMLElement>>('main');

  constructor() {
    const notice = inject(Notice);
    // Every place begins at its top.
    effect(() => {
      if (this.url()) this.main().nativeElement.scrollTop = 0;
    });
    this.open.refusals.subscribe((why) => notice.say(why, 12_000));
    effect(() => {
      const why = this.open.refusedWhy();
      if (why) untracked(() => notice.say(`${words.saved.refused}: ${why}`, 12_000));
    });
  }

  protected readonly newStudy = inject(NewStudy);
  /** What was chosen with the pointer leaves the keys to the place: Space plays, and does not open the choice again. */
  protected clicked(e: MouseEvent) {
    const option = e.target instanceof HTMLElement ? e.target.closest('mat-option') : null;
    if (!option || e.detail === 0) return;
    setTimeout(() => {
      const now = document.activeElement;
      if (now instanceof HTMLElement && now.matches('mat-select')) now.blur();
    });
  }
  protected pressed(e: KeyboardEvent) {
    if (e.defaultPrevented) return;
    if (e.key === '?' && !Keys.typing(e)) this.keyList.update((shown) => !shown);
    else if (e.key === 'Escape' && this.keyList()) this.keyList.set(false);
    else if (!this.keys.press(e)) return;
    e.preventDefault();
  }
}
