import { inject, Injectable, signal } from '@angular/core';
import { Router } from '@angular/router';
import { KEPT, type Study } from '@ruffle-wheel/core';
import { nameOfRow, type PlacedRow } from '../../data';
import type { Arrival, Meeting } from '../../data/arrival';
import { Exchange } from '../../compute/exchange';
import { type ArrivalResult, Arrivals, Collection, OpenStudy, type Refusal } from '../../study';
import { Notice } from '../../ui/notice';
import { Questions } from '../../ui/question';
import { files } from '../../words/files';
import { sayCycle } from '../../words/said/catalogue';
import { listed } from '../../words/said/lists';
import { shelf as words } from '../../words/shelf';
import { ScoreFiles } from '../files/score-files';
import { kindOf } from './kind-of';
import { lookAtTable } from './log-table';
import { fileOfLink } from './link';

/** How long a refusal stays where no Shelf shows it. */
const SAID_MS = 15_000;

/** What comes from outside, wherever it comes in: chosen, dropped, opened by the system, or written into a link. */
@Injectable({ providedIn: 'root' })
export class Arriving {
  private readonly collection = inject(Collection);
  private readonly arrivals = inject(Arrivals);
  private readonly open = inject(OpenStudy);
  private readonly exchange = inject(Exchange);
  private readonly scores = inject(ScoreFiles);
  private readonly questions = inject(Questions);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);
  /** The last file that was not taken, and why. */
  readonly refused = signal<Refusal | null>(null);
  /** A file is being read. */
  readonly reading = signal(false);

  /** Told apart by what it holds. Whatever happens on the way, it ends in words. */
  async file(file: File): Promise<void> {
    this.refused.set(null);
    this.reading.set(true);
    const result = await this.looked(file)
      .catch(notRead)
      .finally(() => this.reading.set(false));
    if (result) await this.take(result);
  }
  /** @returns null where the file is a score, which has a dialog of its own */
  private async looked(file: File): Promise<ArrivalResult | null> {
    const kind = await kindOf(file, file.name);
    if (kind === 'score') {
      await this.scores.look(file);
      return null;
    }
    return kind === 'table'
      ? lookAtTable(file, this.exchange, this.arrivals, this.collection)
      : this.arrivals.look(file, file.name);
  }
  /** A study that stands in the address is shown by its name first, and taken only if the player says so. */
  async link(hash: string): Promise<void> {
    const file = await fileOfLink(hash).catch(() => null);
    const result = file ? await this.arrivals.look(file, words.link.name).catch(notRead) : brokenLink();
    if (!result.ok) return this.refuse(result);
    const came = [...result.arrival.fresh, ...result.arrival.differing];
    const [study] = came.flatMap((p) => (p.table === 'studies' ? [p.row.study] : []));
    if (!study) return this.notice.say(words.link.already);
    if (await this.isWanted(study)) await this.take(result);
  }
  private async isWanted(study: Study): Promise<boolean> {
    const w = words.link;
    const answer = await this.questions.ask({
      title: w.title,
      text: w.text(study.name),
      list: study.sections.map((s) => w.section(s.name, sayCycle(s.cycle).name, s.bpm)),
      choices: [{ value: true, label: w.take, note: w.takeNote }],
    });
    return answer === true;
  }
  private refuse(refusal: Refusal) {
    this.refused.set(refusal);
    // The Shelf shows it beside the button.
    if (!this.router.url.startsWith('/shelf')) this.notice.say(refusal.message, SAID_MS);
  }
  /** What came is taken at once where it meets nothing of the player's; else the player chooses. */
  async take(result: ArrivalResult): Promise<void> {
    if (!result.ok) return this.refuse(result);
    this.refused.set(null);
    const { arrival } = result;
    const how = arrival.differing.length ? await this.meeting(arrival) : 'leave mine';
    if (!how) return;
    const before = this.open.study()?.id ?? null;
    const taken = this.arrivals.take(arrival, how);
    const said = taken ? this.countsOf(taken.came) : words.nothingNew;
    if (taken) this.notice.withUndo(`${arrival.from}: ${said}`, () => this.takenBack(taken.back, before));
    else this.notice.say(`${arrival.from}: ${said}`);
    const row = arrival.only ? this.collection.row(arrival.only) : null;
    if (row && taken) this.open.open(row);
    else if (!this.open.study()) this.openFirst();
  }
  /** @param id the study that was open before */
  takenBack(back: () => void, id: string | null) {
    back();
    const row = id ? this.collection.row(id) : null;
    if (row) this.open.open(row);
    else if (!this.open.study()) this.openFirst();
  }
  openFirst() {
    const first = this.collection.studies()[0];
    if (first) this.open.open(first);
    else this.open.close();
  }
  /** “1 study and 3 sessions came in”. */
  private countsOf(came: readonly PlacedRow[]): string {
    const counts = KEPT.flatMap((table) => {
      const n = came.filter((c) => c.table === table).length;
      return n ? [words.counted[table](n)] : [];
    });
    return words.cameIn(listed(counts));
  }
  private meeting(arrival: Arrival): Promise<Meeting | null> {
    const w = words.meeting;
    return this.questions.ask<Meeting>({
      title: w.title,
      text: w.text(arrival.from),
      list: arrival.differing.map(({ table, row }) => {
        const day = 'startedAt' in row ? row.startedAt.slice(0, 10) : '';
        return words.one[table]([nameOfRow(row), day].filter((text) => text !== '').join(', '));
      }),
      choices: [
        { value: 'keep both', label: w.both, note: w.bothNote },
        { value: 'leave mine', label: w.mine, note: w.mineNote },
        { value: 'take theirs', label: w.theirs, note: w.theirsNote },
      ],
    });
  }
}
const refusal = (message: string): Refusal => ({ ok: false, code: 'not read', message, faults: [] });
/** Neither taken nor refused: what reads it gave no answer. */
const notRead = (): Refusal => refusal(files.look.notRead);
const brokenLink = (): Refusal => refusal(words.link.broken);
