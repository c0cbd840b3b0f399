import { computed, inject, Injectable, signal } from '@angular/core';
import { Transport } from '../../sound/transport';
import { type Command, scriptWithStops, type StoppedNote, type Trial } from '@ruffle-wheel/core';
import { OpenStudy } from '../../study';
import { Notice } from '../../ui/notice';
import { SectionPlaying } from '../section-playing';

/** What is shown: its script and steps; it begins on the first count unless it says otherwise. */
export type Shown = Pick<Trial, 'script' | 'stepsPerCount'> &
  Partial<Trial> & {
    /** Frets of its notes that do not stand in its strokes yet. */
    readonly stopped?: readonly StoppedNote[];
  };

/** An answer of a solver shown on the wheel and heard before it is taken over. */
@Injectable({ providedIn: 'root' })
export class TryOut {
  private readonly open = inject(OpenStudy);
  private readonly playing = inject(SectionPlaying);
  private readonly transport = inject(Transport);
  private readonly notice = inject(Notice);
  private readonly key = signal<string | null>(null);
  /** What was tried out under that key: something else may be tried out by now. */
  private readonly command = signal<Command | null>(null);
  /** Which answer is on the wheel now. */
  readonly shown = computed(() => (this.command() && this.open.tried() === this.command() ? this.key() : null));

  /** Shows and plays an answer; the one shown already goes back to what is written. */
  show(key: string, shown: Shown) {
    if (this.shown() === key) return this.leave();
    this.open.tryTrial(trialOf(shown));
    this.key.set(key);
    this.command.set(this.open.tried());
    // Heard once it has been read; what plays already goes over to it.
    if (!this.transport.running()) void this.playing.play();
  }
  take(shown: Shown, said: string) {
    const before = this.open.study();
    this.open.tryTrial(trialOf(shown));
    this.open.keepTried();
    if (this.open.study() !== before) this.notice.withStudyUndo(said, this.open.wayBack(), true);
  }
  leave() {
    this.open.tryOut(null);
  }
}
/** Frets go into the strokes they belong to. */
export function trialOf({ stopped = [], ...shown }: Shown): Trial {
  return { start: 0, ...shown, script: scriptWithStops(shown.script, shown.stepsPerCount, stopped).script };
}
