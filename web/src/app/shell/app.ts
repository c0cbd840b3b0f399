import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  type ElementRef,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { filter, map } from 'rxjs';
import { Compute } from '../compute/compute';
import { Header } from './header/header';
import { Everywhere } from './everywhere';
import { PLACES } from './places';
import { Startup } from './startup';
import { Writes } from '../data';
import type { Aside } from '../data/aside';
import { Collection, OpenStudy } from '../study';
import { Troubles } from './troubles';
import { Icon } from '../ui/icons';
import { NewStudy } from '../parts/new-study/new-study';
import { Notice } from '../ui/notice';
import { saveFile } from '../ui/save-file';
import { shell as words } from '../words/shell';
import { MatButton } from '@angular/material/button';

/** Tables that have not answered after so long are said to be slow. */
const SLOW_MS = 2_500;

/** The shell: places at the left, the open study above, the place itself. */
@Component({
  selector: 'app-root',
  imports: [MatButton, RouterOutlet, RouterLink, RouterLinkActive, Header, Icon],
  templateUrl: './app.html',
  styleUrl: './app.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  protected readonly words = words;
  protected readonly startup = inject(Startup);
  protected readonly troubles = inject(Troubles);
  protected readonly compute = inject(Compute);
  protected readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  protected readonly everywhere = inject(Everywhere);
  private readonly router = inject(Router);
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
    afterNextRender(() => void notice.ready().catch(() => {}));
    // Every place begins at its top.
    effect(() => {
      if (this.url()) this.main().nativeElement.scrollTop = 0;
    });
    this.open.refusals.subscribe((why) => {
      void import('../words/said/refusals').then(({ sayRefusal }) => notice.say(sayRefusal(why), 12_000));
    });
    this.collection.leftInBin.subscribe((n) => notice.say(words.aside.leftInBin(n), 12_000));
    effect((onCleanup) => {
      if (!this.collection.opening()) return this.slow.set(false);
      const timer = setTimeout(() => this.slow.set(true), SLOW_MS);
      onCleanup(() => clearTimeout(timer));
    });
  }

  /** The tables take their time: who may hold them is said then. */
  private readonly slow = signal(false);
  protected readonly opening = computed(() => {
    if (this.startup.ready() || !this.collection.opening()) return null;
    const why = this.collection.held() ? words.startup.heldElsewhere : this.slow() ? words.startup.noAnswerYet : '';
    return { text: words.saved.opening, why };
  });
  private readonly writes = inject(Writes);
  protected readonly aside = computed(() => this.writes.aside());
  /** What is set aside, as a file; it can be let go then. */
  protected exportAside({ name, text }: Aside) {
    saveFile(new Blob([text], { type: 'application/json' }), name || words.aside.fileName, 'json');
  }
  protected letGo({ key }: Aside) {
    this.writes.letGo(key);
  }

  protected readonly newStudy = inject(NewStudy);
}
