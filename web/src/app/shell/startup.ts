import { effect, EnvironmentInjector, inject, Injectable, signal } from '@angular/core';
import { first } from 'rxjs';
import { Store, Writes } from '../data';
import { Engine } from '../sound/engine';
import { InTime } from '../parts/in-time';
import { Transport } from '../sound/transport';
import { Arrivals, Collection, Leaving, OpenStudy } from '../study';
import { STUDY_IN } from '../parts/arriving/link-bounds';
import { Troubles } from './troubles';
import { shell as words } from '../words/shell';

/** A read that fails is tried again so soon, before anything else is shown. */
const READ_AGAIN_MS = [150, 600];
/** Later the tables are asked again after so long. */
const ASK_AGAIN_MS = [2_000, 5_000, 10_000, 30_000];

/** What has time comes when the page rests. */
function whenIdle(act: () => void) {
  if ('requestIdleCallback' in globalThis) requestIdleCallback(act, { timeout: 10_000 });
  else setTimeout(act, 4_000);
}

/** Reads what is stored, opens the study of last time, and ties settings and plan to sound and page. */
@Injectable({ providedIn: 'root' })
export class Startup {
  private readonly store = inject(Store);
  private readonly writes = inject(Writes);
  private readonly collection = inject(Collection);
  private readonly arrivals = inject(Arrivals);
  private readonly open = inject(OpenStudy);
  private readonly leaving = inject(Leaving);
  private readonly transport = inject(Transport);
  private readonly time = inject(InTime);
  private readonly troubles = inject(Troubles);
  private readonly injector = inject(EnvironmentInjector);
  readonly ready = signal(false);

  constructor() {
    effect(() => {
      const s = this.collection.settings();
      for (const v of ['guitar', 'claps', 'click'] as const) this.transport.setVolume(v, s[v]);
      this.transport.loop = s.loop;
      document.documentElement.dataset['theme'] = s.theme;
    });
    effect(() => {
      const reading = this.open.reading();
      this.time.keeping();
      if (reading) this.transport.load(() => this.time.own(reading.plan), reading.countIn);
    });
    effect(() => {
      this.transport.setSpeed(this.time.speed());
    });
    effect(() => {
      const tempo = this.open.section()?.bpm;
      if (tempo) this.transport.setTempo(tempo);
    });
  }

  async begin() {
    // Before the way to the first place takes it out of the address.
    const { hash } = location;
    this.leaving.watch();
    this.collection.opening.set(true);
    const read = await this.load().then(
      () => true,
      () => false,
    );
    if (!read) await this.withoutTables();
    this.openLast();
    if (read) this.collection.opening.set(false);
    this.ready.set(true);
    if (globalThis.isSecureContext === false) this.troubles.say({ matter: 'insecure', text: words.startup.insecure });
    Engine.warm();
    if (hash.startsWith(STUDY_IN)) void this.takeLink(hash);
    whenIdle(() => void import('./aloud').then((m) => m.speakOf(this.injector)).catch(() => undefined));
    whenIdle(() => void import('./terms-behind').then((m) => m.tellTerms(this.injector)).catch(() => undefined));
    whenIdle(() => void import('./comes-in').then((m) => m.takeFiles(this.injector)).catch(() => undefined));
    whenIdle(() => void import('./installed').then((m) => m.keepWithoutNetwork(this.injector)).catch(() => undefined));
    // Asked for once there is something to keep.
    this.writes.done
      .pipe(first(({ operation }) => operation.kind !== 'settings'))
      .subscribe(() => void navigator.storage?.persist?.().catch(() => false));
  }
  /** A study that stands in the address; it leaves the address, so that a reload does not ask again. */
  private async takeLink(hash: string) {
    history.replaceState(history.state, '', location.pathname);
    const { Arriving } = await import('../parts/arriving/arriving');
    await this.injector.get(Arriving).link(hash);
  }
  /** A read that fails once is asked again at once. */
  private async load(tries = READ_AGAIN_MS.length): Promise<void> {
    try {
      await this.collection.load();
    } catch (error) {
      const wait = READ_AGAIN_MS[READ_AGAIN_MS.length - tries];
      if (wait === undefined) throw error;
      await new Promise((resolve) => setTimeout(resolve, wait));
      return this.load(tries - 1);
    }
    this.tables = true;
    await this.seed();
  }
  /** The tables have been read. */
  private tables = false;
  /**
   * What is stored could not be read: the demo data are shown from memory and nothing of them is written. What is made
   * now stays here and in exports; the tables are asked again until they answer.
   */
  private async withoutTables() {
    const own = this.collection.studies().length > 0;
    this.troubles.say({ matter: 'storage', text: own ? words.startup.partlyRead : words.startup.noStorage });
    if (!own) await this.arrivals.showDemo().catch(() => undefined);
    this.askAgain(0);
  }
  private askAgain(n: number) {
    const wait = ASK_AGAIN_MS[Math.min(n, ASK_AGAIN_MS.length - 1)];
    setTimeout(() => {
      this.collection
        .load()
        .then(() => this.tablesAnswer())
        .catch(() => this.askAgain(n + 1));
    }, wait);
  }
  private async tablesAnswer() {
    this.tables = true;
    this.troubles.end('storage');
    await this.seed();
    this.collection.opening.set(false);
    const open = this.open.study();
    if (!open || !this.collection.row(open.id)) this.openLast();
  }
  /** Demo data come into empty tables only; what failed to come is asked for again at the next start. */
  private async seed() {
    if (this.collection.settings().seeded) return;
    if (!(await this.store.isEmpty())) return this.collection.set({ seeded: true });
    const refused = await this.arrivals.seed();
    if (!refused) return this.troubles.end('demo');
    const again = async () => {
      await this.seed();
      if (!this.open.study()) this.openLast();
    };
    this.troubles.say({ matter: 'demo', text: refused.message, again: () => void again() });
  }

  /** Opens the study of last time, or the first there is. */
  openLast() {
    const { studyId, sectionId } = this.collection.settings();
    const rows = this.collection.studies();
    const row = rows.find((r) => r.id === studyId) ?? rows.find((r) => r.id.startsWith('lantern-stair')) ?? rows[0];
    if (row) this.open.open(row, sectionId, this.tables);
    else this.open.close();
  }
}
