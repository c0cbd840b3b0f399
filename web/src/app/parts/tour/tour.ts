import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { filter, map } from 'rxjs';
import { Transport } from '../../sound/transport';
import { OpenStudy } from '../../study';

/** What is to be seen of the player's doing. */
interface Seen {
  readonly playing: boolean;
  readonly study: string;
  readonly bpm: number;
  readonly script: string;
  readonly place: string;
}
/**
 * What is done in each step, and when it is done.
 * @param began as it was when the step began
 * @param before as it was when the step before began
 */
const STEPS = {
  play: (now: Seen) => now.playing,
  faster: (now: Seen, began: Seen) => now.bpm > began.bpm,
  finger: (now: Seen, began: Seen) => now.script !== began.script,
  undo: (now: Seen, _: Seen, before: Seen) => now.script === before.script,
  neck: (now: Seen) => now.place === '/neck',
  weave: (now: Seen) => now.place === '/weave',
  practise: (now: Seen) => now.place === '/practise',
  own: (now: Seen, began: Seen) => now.study !== began.study,
} as const satisfies Record<string, (now: Seen, began: Seen, before: Seen) => boolean>;
export type TourStep = keyof typeof STEPS;
export const TOUR = Object.keys(STEPS) as readonly TourStep[];

/** Round the places in two minutes: each step is done by doing it, in the study that is open. */
@Injectable({ providedIn: 'root' })
export class Tour {
  private readonly transport = inject(Transport);
  private readonly open = inject(OpenStudy);
  private readonly router = inject(Router);
  private readonly place = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map((e) => e.urlAfterRedirects),
    ),
    { initialValue: this.router.url },
  );
  private readonly seen = computed((): Seen => ({
    playing: this.transport.running(),
    study: this.open.study()?.id ?? '',
    bpm: this.open.section()?.bpm ?? 0,
    script: this.open.section()?.script ?? '',
    place: this.place(),
  }));
  private readonly at = signal<{ readonly n: number; readonly began: Seen; readonly before: Seen } | null>(null);
  /** Where the tour is; null while there is none. */
  readonly step = computed(() => {
    const at = this.at();
    const id = at && TOUR[at.n];
    return at && id ? { id, n: at.n + 1, of: TOUR.length } : null;
  });
  /** It went to its end; until it is begun again. */
  readonly ended = signal(false);

  constructor() {
    effect(() => {
      const [at, now] = [this.at(), this.seen()];
      const id = at && TOUR[at.n];
      if (at && id && STEPS[id](now, at.began, at.before)) untracked(() => this.next());
    });
  }
  /** From the beginning, on the Wheel. */
  async begin() {
    this.ended.set(false);
    await this.router.navigateByUrl('/wheel');
    const began = this.seen();
    this.at.set({ n: 0, began, before: began });
  }
  /** The step is done, or left out. */
  next() {
    const at = this.at();
    if (!at) return;
    const [n, began] = [at.n + 1, this.seen()];
    this.at.set(n < TOUR.length ? { n, began, before: at.began } : null);
    this.ended.set(n >= TOUR.length);
  }
  end() {
    this.at.set(null);
    this.ended.set(true);
  }
}
