import { computed, inject, Injectable, signal } from '@angular/core';
import { Keys } from '../../shell/keys';
import { Transport } from '../../sound/transport';
import { OpenStudy, type Preview } from '../../study';
import { Notice } from '../../ui/notice';

/** The reading of what is tried out is there by then; a later one takes over while it plays. */
const HEARD_AFTER_MS = 100;

/** What is shown: its script and steps; it begins on the first count and stops no strings unless it says so. */
export type Shown = Pick<Preview, 'script' | 'stepsPerCount'> & Partial<Preview>;

/** An answer of a solver shown on the wheel and heard before it is taken over. */
@Injectable({ providedIn: 'root' })
export class TryOut {
  private readonly open = inject(OpenStudy);
  private readonly keys = inject(Keys);
  private readonly transport = inject(Transport);
  private readonly notice = inject(Notice);
  private readonly key = signal<string | null>(null);
  /** Which answer is on the wheel now. */
  readonly shown = computed(() => (this.open.preview() ? this.key() : null));

  /** Shows and plays an answer; the one shown already goes back to what is written. */
  show(key: string, shown: Shown) {
    if (this.shown() === key) return this.leave();
    this.open.tryOut(withPlace(shown));
    this.key.set(key);
    if (!this.transport.running()) setTimeout(() => void this.keys.playOrStop(), HEARD_AFTER_MS);
  }
  take(shown: Shown, said: string) {
    const before = this.open.study();
    this.open.tryOut(withPlace(shown));
    this.open.keepPreview();
    if (this.open.study() !== before) this.notice.withStudyUndo(said, this.open.wayBack(), true);
  }
  leave() {
    this.open.tryOut(null);
  }
}
/** Frets of what stood there before belong to no other script. */
const withPlace = (shown: Shown) => ({ start: 0, stopped: [], ...shown });
