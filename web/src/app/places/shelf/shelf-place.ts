import { ChangeDetectionStrategy, Component, inject, viewChild } from '@angular/core';
import { copyStudy, freeName, renameStudy, type Study } from '@ruffle-wheel/core';
import { nameOfRow, type StudyRow } from '../../data';
import { Keys } from '../../keys/keys';
import { Arrivals, Collection, Exports, OpenStudy, type Refusal } from '../../study';
import { Exchange } from '../../compute/exchange';
import { SCORE_FILES, ScoreFiles } from '../../parts/files/score-files';
import { Arriving } from '../../parts/arriving/arriving';
import { NewStudy } from '../../parts/new-study/new-study';
import { Dialogs } from '../../ui/dialogs';
import { Notice } from '../../ui/notice';
import { Questions } from '../../ui/question';
import { WaysBack } from '../../ui/ways-back';
import { saveFile } from '../../ui/save-file';
import { Soon, Turns } from '../../ui/soon';
import { shelf as shelfWords } from '../../words/shelf';
import { shell as words } from '../../words/shell';
import { files } from '../../words/files';
import { Bin } from './bin';
import { Cells } from './cells';
import { Hands } from './hands';
import { Unread } from './unread';
import { MatButton } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { StudiesList } from './studies-list';
import { techniques } from '../../words/said/catalogue';
import { newId } from '../../data/new-id';

/** All studies and hands: open, copy, take in and give out. */
@Component({
  selector: 'app-shelf-place',
  imports: [MatButton, MatMenuModule, Soon, Bin, Cells, Hands, StudiesList, Unread],
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
  private readonly ways = inject(WaysBack);
  private readonly dialogs = inject(Dialogs);
  private readonly notice = inject(Notice);
  protected readonly arriving = inject(Arriving);
  protected readonly newStudy = inject(NewStudy);
  private readonly drawn = inject(Turns);
  private readonly hands = viewChild(Hands);
  private readonly list = viewChild(StudiesList);

  constructor() {
    inject(Keys).forPlace('shelf', {
      measured: (e) => this.hands()?.pressed(e) ?? false,
      measure: () => void this.measure('measuring'),
      'tap hand': () => void this.measure('tapping'),
    });
  }

  /** Just after the place has come the hands are not drawn yet. */
  private async measure(which: 'measuring' | 'tapping') {
    if (!this.hands()) await this.drawn.coming();
    this.hands()?.[which].set(true);
  }

  /** The study as an address; where that is too long, as a file. */
  protected async link(study: Study) {
    const { linkOf } = await import('../../parts/arriving/link');
    const link = await linkOf(await this.exports.study(study), location.origin);
    const w = this.words.link;
    if (typeof link === 'number')
      return this.notice.act(w.tooLong(link), w.exportInstead, () => void this.exportOne(study));
    await this.dialogs.open(() => import('./link-dialog').then((m) => m.LinkDialog), {
      data: { name: study.name, link },
      width: '620px',
      maxWidth: '96vw',
      autoFocus: 'textarea',
      restoreFocus: true,
    });
  }
  protected openRow(row: StudyRow) {
    this.open.open(row);
  }
  protected copy(study: Study) {
    const names = this.collection.studies().map((r) => r.study.name);
    const copy = copyStudy(study, newId(), freeName(study.name, names));
    const before = this.open.study()?.id ?? null;
    this.collection.addStudy(copy);
    const row = this.collection.row(copy.id);
    if (row) this.open.open(row);
    this.ways.add(copy.name, () => this.arriving.takenBack(() => this.collection.deleteStudy(copy.id), before));
  }
  protected remove(row: StudyRow) {
    const place = this.list()?.placeOf(row.id) ?? 0;
    const wasOpen = row.id === this.open.study()?.id;
    const back = this.collection.deleteStudy(row.id);
    if (wasOpen) this.arriving.openFirst();
    const said = this.words.deleted(row.study.name);
    this.notice.withUndo(said, () => this.arriving.takenBack(back, wasOpen ? row.id : null));
    // One goes on from the row that has come into its place.
    this.list()?.focusOn(place);
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
    if (file) await this.arriving.file(file);
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
    await this.arriving.take(await this.arrivals.lookAtDemo().catch(notRead));
  }
  /** Invented players, their studies and sessions go at once; one step brings them back. */
  protected async removeDemo() {
    await this.collection.wholeLog();
    const before = this.open.study()?.id ?? null;
    const removed = await this.arrivals.removeDemo().catch(notRead);
    if (!removed) return this.notice.say(this.words.noDemo);
    if (!removed.ok) return this.arriving.take(removed);
    const open = this.open.study();
    if (open && !this.collection.row(open.id)) this.arriving.openFirst();
    const said = this.words.demoRemoved(removed.stays.map((p) => nameOfRow(p.row)));
    this.notice.withUndo(said, () => this.arriving.takenBack(removed.back, before));
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
    this.notice.withUndo(this.words.cleared, () => this.arriving.takenBack(back, before));
  }

  protected rename(row: StudyRow, name: string) {
    if (row.id !== this.open.study()?.id) this.open.open(row);
    this.open.apply(renameStudy(name));
  }
}
/** Neither taken nor refused: what reads it gave no answer. */
const notRead = (): Refusal => ({ ok: false, code: 'not read', message: files.look.notRead, faults: [] });
