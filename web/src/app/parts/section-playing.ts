import { inject, Injectable } from '@angular/core';
import { Transport } from '../sound/transport';
import { Collection, OpenStudy } from '../study';
import { InTime } from './in-time';

/** Plays the open section as it stands now, written or tried out: never what was open, written or tried out before. */
@Injectable({ providedIn: 'root' })
export class SectionPlaying {
  private readonly open = inject(OpenStudy);
  private readonly transport = inject(Transport);
  private readonly collection = inject(Collection);
  private readonly time = inject(InTime);
  private asked = 0;
  private waiting = false;

  /** Stops what plays, or what is about to; else plays. */
  async playOrStop() {
    if (this.stop()) return;
    await this.play();
  }
  /** @returns whether there was anything to stop */
  stop(): boolean {
    const waited = this.waiting;
    this.asked++;
    this.waiting = false;
    if (this.transport.running()) this.transport.stop();
    else return waited;
    return true;
  }
  /** From the first count, once what is seen has been read. */
  async play() {
    const asked = ++this.asked;
    this.waiting = true;
    const reading = await this.open.readNow();
    if (asked !== this.asked) return;
    this.waiting = false;
    const section = this.open.section();
    if (!reading || !section) return;
    this.transport.load(() => this.time.own(reading.plan), reading.countIn);
    await this.transport.play(section.bpm, this.collection.settings().countIn);
  }
}
