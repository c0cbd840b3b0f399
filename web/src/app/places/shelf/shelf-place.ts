import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import {
  addSection,
  copyStudy,
  freeName,
  makeStudy,
  removeSection,
  renameSection,
  renameStudy,
  type Study,
  TECHNIQUES,
} from '@ruffle-wheel/core';
import type { StudyRow } from '../../data';
import { Keys } from '../../keys';
import { Collection, type ImportResult, OpenStudy } from '../../study';
import { Notice } from '../../ui/notice';
import { saveText } from '../../ui/save-text';
import { words } from '../../words/en';
import { Cells } from './cells';
import { Hands } from './hands';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** All studies and hands: open, copy, take in and give out. */
@Component({
  selector: 'app-shelf-place',
  imports: [Cells, Hands],
  templateUrl: './shelf-place.html',
  styleUrl: './shelf-place.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShelfPlace {
  protected readonly words = words.shelf;
  protected readonly techniques = TECHNIQUES;
  protected readonly collection = inject(Collection);
  protected readonly open = inject(OpenStudy);
  private readonly notice = inject(Notice);
  protected readonly refused = signal<Extract<ImportResult, { ok: false }> | null>(null);
  protected readonly rows = computed(() =>
    [...this.collection.studies()]
      .sort((a, b) => a.study.name.localeCompare(b.study.name))
      .map((row) => ({
        row,
        cycles: [...new Set(row.study.sections.map((s) => s.cycle.name))].join(', '),
        sections: row.study.sections.map((s) => s.name).join(', '),
        saved: DAY.format(new Date(row.savedAt)),
        isOpen: row.id === this.open.study()?.id,
      })),
  );

  private readonly hands = viewChild.required(Hands);

  constructor() {
    inject(Keys).forPlace((e) => {
      const letter = e.key.toLowerCase();
      if (this.hands().pressed(e)) return true;
      if (letter === 'n') void this.fresh();
      else if (letter === 'm') this.hands().measuring.set(true);
      else return false;
      return true;
    });
  }

  protected openRow(row: StudyRow) {
    this.open.open(row);
  }
  protected async fresh() {
    const cycle = this.open.section()?.cycle;
    const names = this.collection.studies().map((r) => r.study.name);
    const name = names.includes(this.words.freshName) ? freeName(this.words.freshName, names) : this.words.freshName;
    await this.add(makeStudy(crypto.randomUUID(), name, cycle));
  }
  protected async copy(study: Study) {
    const names = this.collection.studies().map((r) => r.study.name);
    await this.add(copyStudy(study, crypto.randomUUID(), freeName(study.name, names)));
  }
  private async add(study: Study) {
    await this.collection.addStudy(study);
    const row = this.collection.studies().find((r) => r.id === study.id);
    if (row) this.open.open(row);
  }
  protected async remove(row: StudyRow) {
    const wasOpen = row.id === this.open.study()?.id;
    await this.open.flush();
    const undo = await this.collection.deleteStudy(row.id);
    if (wasOpen) this.openFirst();
    this.notice.withUndo(`${row.study.name} ${this.words.deleted}`, async () => {
      await undo();
      if (!this.open.study()) this.openFirst();
    });
  }
  private openFirst() {
    const first = this.collection.studies()[0];
    if (first) this.open.open(first);
    else this.open.close();
  }

  protected async exportOne(study: Study) {
    saveText(await this.collection.exportStudy(study), study.name);
  }
  protected async exportAll() {
    await this.open.flush();
    saveText(await this.collection.exportEverything(), words.app);
  }
  protected async importFile(field: HTMLInputElement) {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    await this.open.flush();
    const result = await this.collection.importFile(file);
    this.refused.set(result.ok ? null : result);
    if (result.ok) {
      this.notice.say(
        `${this.words.imported}: ${result.studies} ${this.words.studies.toLowerCase()}, ${result.sessions} sessions`,
      );
      this.afterChange(result.studies === 1 ? result.first : null);
    }
  }
  protected async demo() {
    await this.open.flush();
    const result = await this.collection.bringDemo();
    this.refused.set(result.ok ? null : result);
    if (result.ok) this.notice.say(this.words.demoBack);
    this.afterChange(null);
  }
  protected async clear() {
    await this.open.flush();
    const undo = await this.collection.clear();
    this.open.close();
    this.notice.withUndo(this.words.cleared, async () => {
      await undo();
      this.openFirst();
    });
  }
  /** The open study may have been replaced by what came in. */
  private afterChange(openId: string | null) {
    const id = openId ?? this.open.study()?.id;
    const row = this.collection.studies().find((r) => r.id === id);
    if (row) this.open.open(row, this.open.section()?.id);
    else this.openFirst();
  }

  protected rename(name: string) {
    this.open.apply(renameStudy(name.slice(0, 60)));
  }
  protected renameSection(name: string) {
    const section = this.open.section();
    if (section) this.open.apply(renameSection(section.id, name.slice(0, 60)));
  }
  protected addSection() {
    const section = this.open.section();
    const count = this.open.study()?.sections.length ?? 0;
    if (!section) return;
    const id = crypto.randomUUID();
    this.open.apply(addSection(id, String.fromCharCode(65 + (count % 26)), section.cycle));
    this.open.chooseSection(id);
  }
  protected removeSection() {
    const section = this.open.section();
    if (!section) return;
    this.open.apply(removeSection(section.id));
    this.notice.withUndo(`${section.name} ${this.words.deleted}`, () => this.open.undo());
  }
}
