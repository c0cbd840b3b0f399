import { computed, inject, Injectable, Injector, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { ActOf } from '../keys/acts';
import { Keys } from '../keys/keys';
import { NewStudy } from '../parts/new-study/new-study';
import { SectionPlaying } from '../parts/section-playing';
import { Transport } from '../sound/transport';
import { Collection, Exports, OpenStudy } from '../study';
import { Dialogs } from '../ui/dialogs';
import { Notice } from '../ui/notice';
import { saveFile } from '../ui/save-file';
import { WaysBack } from '../ui/ways-back';
import { PLACES } from './places';

/** What undo and redo say; fetched when it is first said. */
const undoneWords = () => import('../words/said/undone');
const UNDONE_MS = 3_000;

type ToPlace = Extract<ActOf<'everywhere'>, `to ${string}`>;

/** What can be done in every place, by its key or in the header. */
@Injectable({ providedIn: 'root' })
export class Everywhere {
  private readonly router = inject(Router);
  private readonly keys = inject(Keys);
  private readonly transport = inject(Transport);
  private readonly playing = inject(SectionPlaying);
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly exports = inject(Exports);
  private readonly ways = inject(WaysBack);
  private readonly notice = inject(Notice);
  private readonly newStudy = inject(NewStudy);
  private readonly dialogs = inject(Dialogs);
  private readonly injector = inject(Injector);

  constructor() {
    this.keys.letterKeys(() => this.collection.settings().letterKeys ?? true);
    this.keys.forEverywhere({
      play: (e) => !this.keys.onControl(e) && void this.playOrStop(),
      tap: (e) => !this.keys.onControl(e) && void (e.repeat || this.tap()),
      slower: () => this.step(-1),
      faster: () => this.step(1),
      loop: () => this.collection.set({ loop: !this.collection.settings().loop }),
      'count-in': () => this.collection.set({ countIn: !this.collection.settings().countIn }),
      ...this.toPlaces(),
      'new study': () => void this.newStudy.ask(),
      undo: (e) => !ownUndo(e) && void this.undo(),
      redo: (e) => !ownUndo(e) && void this.redo(),
      export: () => void this.exportOpen(),
      print: () => void this.print(),
      keys: () => void this.showKeys(),
    });
  }
  /** Each place by its key. */
  private toPlaces() {
    const go = (path: string) => () => void this.keys.until(this.router.navigateByUrl(`/${path}`));
    return Object.fromEntries(PLACES.map(({ path }) => [`to ${path}`, go(path)])) as Record<ToPlace, () => void>;
  }

  readonly canUndo = computed(() => this.open.canUndo() || this.ways.latest() !== null);
  /** Takes back whatever was done last, a step of the open study or a deletion, and says what it was. */
  undo() {
    const way = this.ways.latest();
    if (way && way.at > this.open.changedAt()) {
      const what = this.ways.back() ?? '';
      void undoneWords().then(({ undone }) => this.notice.say(undone.takenBack(what)));
    } else this.say(() => this.open.undo(), true);
  }
  redo() {
    this.say(() => this.open.redo(), false);
  }
  /** Does it, and says what of the study has become another by it. */
  private say(act: () => void, back: boolean) {
    const before = this.open.study();
    act();
    const now = this.open.study();
    void undoneWords().then(({ undone, sayChanges }) => {
      const what = before && now && before !== now ? sayChanges(before, now) : '';
      if (what) this.notice.say(back ? undone.takenBack(what) : undone.doneAgain(what), UNDONE_MS);
      else if (before === now) this.notice.say(back ? undone.nothingBack : undone.nothingAgain, UNDONE_MS);
    });
  }
  async playOrStop() {
    const { plays } = this.keys;
    if (plays) return plays();
    await this.playing.playOrStop();
  }
  step(way: 1 | -1) {
    const section = this.open.section();
    if (section) this.open.setTempo(section.bpm + way * section.ladder.step);
  }
  tap() {
    const tempo = this.transport.tap();
    if (tempo !== null) this.open.setTempo(tempo);
  }
  async exportOpen() {
    const study = this.open.study();
    if (study) saveFile(await this.exports.study(study), study.name);
  }

  /** The stand page of what is open. */
  async print() {
    const { PrintOpen } = await import('../parts/print/print-open');
    await this.injector.get(PrintOpen).print();
  }

  private readonly listed = signal(false);
  /** The list of all keys; the same key puts it away. */
  async showKeys() {
    if (this.listed()) return;
    this.listed.set(true);
    // Back to a control that was reached by keys; after the pointer the keys are the place’s.
    const restoreFocus = document.activeElement?.matches(':focus-visible') ?? false;
    try {
      // It opens at its top, with the focus on the list itself.
      const shown = await this.dialogs.open(() => import('./header/key-list').then((m) => m.KeyList), {
        width: '900px',
        maxWidth: '96vw',
        maxHeight: '94vh',
        autoFocus: 'h2',
        restoreFocus,
      });
      shown.afterClosed().subscribe(() => this.listed.set(false));
    } catch (e) {
      this.listed.set(false);
      throw e;
    }
  }
}
/** Plain fields keep their own undo; the script's undo is the study's. */
const ownUndo = (e: KeyboardEvent): boolean =>
  e.target instanceof HTMLElement && e.target.closest('input, textarea') !== null;
