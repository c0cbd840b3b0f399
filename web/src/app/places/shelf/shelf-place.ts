import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  signal,
  viewChild,
} from '@angular/core';
import {
  addSection,
  copyStudy,
  freeName,
  KEPT,
  removeSection,
  renameSection,
  renameStudy,
  type Study,
} from '@ruffle-wheel/core';
import { nameOfRow, type PlacedRow, type StudyRow } from '../../data';
import type { Arrival, Meeting } from '../../data/arrival';
import { Keys } from '../../keys/keys';
import { type ArrivalResult, Arrivals, Collection, Exports, OpenStudy, type Refusal } from '../../study';
import { Exchange } from '../../compute/exchange';
import { isScoreFile, SCORE_FILES, ScoreFiles } from '../../parts/files/score-files';
import { NewStudy } from '../../parts/new-study/new-study';
import { Notice } from '../../ui/notice';
import { Questions } from '../../ui/question';
import { saveFile } from '../../ui/save-file';
import { Soon, Turns } from '../../ui/soon';
import { shelf as shelfWords } from '../../words/shelf';
import { shell as words } from '../../words/shell';
import { files } from '../../words/files';
import { Bin } from './bin';
import { Cells } from './cells';
import { Hands } from './hands';
import { lookAtTable } from './log-table';
import { Unread } from './unread';
import { MatButton } from '@angular/material/button';
import { FIELD } from '../../ui/field';
import { listed } from '../../words/said/lists';
import { sayCycle, techniques } from '../../words/said/catalogue';
import { newId } from '../../data/new-id';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** All studies and hands: open, copy, take in and give out. */
@Component({
  selector: 'app-shelf-place',
  imports: [FIELD, MatButton, Soon, Bin, Cells, Hands, Unread],
  templateUrl: './shelf-place.html',
  styleUrl: './shelf-place.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShelfPlace {
  protected readonly words = shelfWords;
  protected readonly filesWords = files.shelf;
  protected readonly accepted = `.json,application/json,.csv,${SCORE_FILES}`;
  protected readonly scores = inject(ScoreFiles);
  private readonly exchange = inject(Exchange);
  protected readonly techniques = techniques;
  protected readonly collection = inject(Collection);
  private readonly arrivals = inject(Arrivals);
  private readonly exports = inject(Exports);
  private readonly questions = inject(Questions);
  protected readonly open = inject(OpenStudy);
  private readonly notice = inject(Notice);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly refused = signal<Refusal | null>(null);
  /** A file is being read. */
  protected readonly reading = signal(false);
  protected readonly rows = computed(() =>
    [...this.collection.studies()]
      .sort((a, b) => a.study.name.localeCompare(b.study.name))
      .map((row) => ({
        row,
        cycles: [...new Set(row.study.sections.map((s) => sayCycle(s.cycle).name))].join(', '),
        sections: row.study.sections.map((s) => s.name).join(', '),
        saved: row.savedAt ? DAY.format(new Date(row.savedAt)) : this.words.noDay,
        isOpen: row.id === this.open.study()?.id,
      })),
  );

  protected readonly newStudy = inject(NewStudy);
  private readonly drawn = inject(Turns);
  private readonly hands = viewChild(Hands);

  constructor() {
    inject(Keys).forPlace('shelf', {
      measured: (e) => this.hands()?.pressed(e) ?? false,
      measure: () => void this.measure(),
    });
  }

  /** Just after the place has come the hands are not drawn yet. */
  private async measure() {
    if (!this.hands()) await this.drawn.coming();
    this.hands()?.measuring.set(true);
  }

  protected openRow(row: StudyRow) {
    this.open.open(row);
  }
  protected copy(study: Study) {
    const names = this.collection.studies().map((r) => r.study.name);
    this.add(copyStudy(study, newId(), freeName(study.name, names)));
  }
  private add(study: Study) {
    this.collection.addStudy(study);
    const row = this.collection.row(study.id);
    if (row) this.open.open(row);
  }
  protected remove(row: StudyRow, e: Event) {
    const place = this.rows().findIndex((r) => r.row.id === row.id);
    const wasOpen = row.id === this.open.study()?.id;
    const back = this.collection.deleteStudy(row.id);
    if (wasOpen) this.openFirst();
    const said = this.words.deleted(row.study.name);
    this.notice.withUndo(said, () => this.takenBack(back, wasOpen ? row.id : null));
    // By keyboard one goes on from the row that has come into its place.
    if ((e as MouseEvent).detail === 0) afterNextRender(() => this.toRow(place), { injector: this.injector });
  }
  private toRow(n: number) {
    const rows = [...this.host.querySelectorAll<HTMLElement>('.rows .remove')];
    rows[Math.min(n, rows.length - 1)]?.focus();
  }
  /** @param id the study that was open before */
  private takenBack(back: () => void, id: string | null) {
    back();
    const row = id ? this.collection.row(id) : null;
    if (row) this.open.open(row);
    else if (!this.open.study()) this.openFirst();
  }
  private openFirst() {
    const first = this.collection.studies()[0];
    if (first) this.open.open(first);
    else this.open.close();
  }

  protected async exportOne(study: Study) {
    saveFile(await this.exports.study(study), study.name);
  }
  protected async exportAll() {
    const { files, unread } = await this.exports.everything();
    files.forEach((file, n) =>
      saveFile(file, files.length > 1 ? this.words.fileNumbered(words.app, n + 1) : words.app),
    );
    if (unread.length)
      this.notice.say(this.words.exportUnread(unread.map((d) => `${d.table} ${d.id}`).join(', ')), 12_000);
  }
  protected async importFile(field: HTMLInputElement) {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    this.refused.set(null);
    this.reading.set(true);
    // Whatever happens on the way, it ends in words.
    const result = await this.looked(file)
      .catch(notRead)
      .finally(() => this.reading.set(false));
    if (result) await this.arrived(result);
  }
  /** @returns null where the file is a score, which has a dialog of its own */
  private async looked(file: File): Promise<ArrivalResult | null> {
    if (isScoreFile(file.name)) {
      await this.scores.look(file);
      return null;
    }
    return file.name.toLowerCase().endsWith('.csv')
      ? lookAtTable(file, this.exchange, this.arrivals, this.collection)
      : this.arrivals.look(file, file.name);
  }
  protected async exportLog() {
    if (!this.collection.log().length) {
      this.notice.say(files.shelf.logEmpty);
      return;
    }
    await this.collection.wholeLog();
    const table = await this.exchange.logTable(this.collection.log()).catch(() => undefined);
    if (table === undefined) this.notice.say(files.shelf.logFailed, 12_000);
    else if (table !== null) saveFile(new Blob([table], { type: 'text/csv' }), files.shelf.logName, 'csv');
  }
  protected async demo() {
    await this.arrived(await this.arrivals.lookAtDemo().catch(notRead));
  }
  /** Invented players, their studies and sessions go at once; one step brings them back. */
  protected async removeDemo() {
    await this.collection.wholeLog();
    const before = this.open.study()?.id ?? null;
    const removed = await this.arrivals.removeDemo().catch(notRead);
    if (!removed) return this.notice.say(this.words.noDemo);
    this.refused.set(removed.ok ? null : removed);
    if (!removed.ok) return;
    const open = this.open.study();
    if (open && !this.collection.row(open.id)) this.openFirst();
    const said = this.words.demoRemoved(removed.stays.map((p) => nameOfRow(p.row)));
    this.notice.withUndo(said, () => this.takenBack(removed.back, before));
  }
  /** What came is taken at once where it meets nothing of the player's; else the player chooses. */
  private async arrived(result: ArrivalResult) {
    this.refused.set(result.ok ? null : result);
    if (!result.ok) return;
    const { arrival } = result;
    const how = arrival.differing.length ? await this.meeting(arrival) : 'leave mine';
    if (!how) return;
    const before = this.open.study()?.id ?? null;
    const taken = this.arrivals.take(arrival, how);
    const said = taken ? this.countsOf(taken.came) : this.words.nothingNew;
    if (taken) this.notice.withUndo(`${arrival.from}: ${said}`, () => this.takenBack(taken.back, before));
    else this.notice.say(`${arrival.from}: ${said}`);
    const row = arrival.only ? this.collection.row(arrival.only) : null;
    if (row && taken) this.open.open(row);
    else if (!this.open.study()) this.openFirst();
  }
  /** “1 study and 3 sessions came in”. */
  private countsOf(came: readonly PlacedRow[]): string {
    const counts = KEPT.flatMap((table) => {
      const n = came.filter((c) => c.table === table).length;
      return n ? [this.words.counted[table](n)] : [];
    });
    return this.words.cameIn(listed(counts));
  }
  private meeting(arrival: Arrival): Promise<Meeting | null> {
    const w = this.words.meeting;
    return this.questions.ask<Meeting>({
      title: w.title,
      text: w.text(arrival.from),
      list: arrival.differing.map(({ table, row }) => {
        const day = 'startedAt' in row ? row.startedAt.slice(0, 10) : '';
        return this.words.one[table]([nameOfRow(row), day].filter((text) => text !== '').join(', '));
      }),
      choices: [
        { value: 'keep both', label: w.both, note: w.bothNote },
        { value: 'leave mine', label: w.mine, note: w.mineNote },
        { value: 'take theirs', label: w.theirs, note: w.theirsNote },
      ],
    });
  }
  protected async clear() {
    const w = this.words.clearing;
    const sure = await this.questions.ask({
      title: w.title,
      text: w.text,
      choices: [{ value: true, label: w.yes, note: w.yesNote }],
    });
    if (!sure) return;
    const before = this.open.study()?.id ?? null;
    const back = this.collection.clear(this.words.cleared);
    this.open.close();
    this.notice.withUndo(this.words.cleared, () => this.takenBack(back, before));
  }

  protected rename(name: string) {
    this.open.apply(renameStudy(name));
  }
  protected renameSection(name: string) {
    const section = this.open.section();
    if (section) this.open.apply(renameSection(section.id, name));
  }
  protected addSection() {
    const section = this.open.section();
    const count = this.open.study()?.sections.length ?? 0;
    if (!section) return;
    const id = newId();
    this.open.apply(addSection(id, String.fromCharCode(65 + (count % 26)), section.cycle));
    if (this.open.study()?.sections.some((s) => s.id === id)) this.open.chooseSection(id);
  }
  protected removeSection() {
    const section = this.open.section();
    if (!section) return;
    this.open.apply(removeSection(section.id));
    this.notice.withStudyUndo(this.words.deleted(section.name), this.open.wayBack());
  }
}
/** Neither taken nor refused: what reads it gave no answer. */
const notRead = (): Refusal => ({ ok: false, code: 'not read', message: files.look.notRead, faults: [] });
