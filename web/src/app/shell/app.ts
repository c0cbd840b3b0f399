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
import { Alerts } from './alerts';
import { NothingOpen } from './nothing-open';
import { Welcome } from './welcome';
import { Tour } from '../parts/tour/tour';
import { Compute } from '../compute/compute';
import { Header } from './header/header';
import { Everywhere } from './everywhere';
import { PLACES } from './places';
import { Startup } from './startup';
import { Writes } from '../data';
import { Collection, OpenStudy } from '../study';
import { Troubles } from './troubles';
import { Icon } from '../ui/icons';
import { Notice } from '../ui/notice';
import { shell as words } from '../words/shell';

/** Tables that have not answered after so long are said to be slow. */
const SLOW_MS = 2_500;

/** The shell: places at the left, the open study above, the place itself. */
@Component({
  selector: 'app-root',
  imports: [Alerts, Header, Icon, NothingOpen, RouterLink, RouterLinkActive, RouterOutlet, Welcome],
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
  private readonly writes = inject(Writes);
  /** Whether anything has to be said over every place. */
  protected readonly alerts = computed(
    () =>
      this.troubles.list().length > 0 ||
      this.compute.failure() !== null ||
      this.collection.conflicts().length > 0 ||
      this.writes.aside().length > 0 ||
      this.open.saved() === 'gone',
  );
  /** Nothing is open and the place has nothing to show. */
  protected readonly bare = computed(
    () =>
      this.startup.ready() &&
      !this.open.study() &&
      !PLACES.some((p) => p.withoutStudy && this.url().startsWith(`/${p.path}`)),
  );
  protected readonly places = PLACES;
  private readonly tour = inject(Tour);
  /** On the first screen, and while the tour goes. */
  protected readonly welcoming = computed(
    () =>
      this.tour.step() !== null ||
      (this.startup.ready() && this.open.study() !== null && !(this.collection.settings().welcomed ?? false)),
  );
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
    effect(() => {
      if (this.tour.ended()) void import('../words/welcome').then(({ welcome }) => notice.say(welcome.tour.ended));
    });
    this.collection.leftInBin.subscribe((n) => notice.say(words.aside.leftInBin(n), 12_000));
    effect((onCleanup) => {
      if (!this.collection.opening()) return this.slow.set(false);
      const timer = setTimeout(() => this.slow.set(true), SLOW_MS);
      onCleanup(() => clearTimeout(timer));
    });
  }

  /** Past places and header, to the place itself. */
  protected skip(e: Event) {
    e.preventDefault();
    this.main().nativeElement.focus();
  }

  /** The tables take their time: who may hold them is said then. */
  private readonly slow = signal(false);
  protected readonly opening = computed(() => {
    if (this.startup.ready() || !this.collection.opening()) return null;
    const why = this.collection.held() ? words.startup.heldElsewhere : this.slow() ? words.startup.noAnswerYet : '';
    return { text: words.saved.opening, why };
  });
}
