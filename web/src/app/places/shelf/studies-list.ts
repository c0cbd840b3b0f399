import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  output,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import type { StudyRow } from '../../data';
import { Collection, OpenStudy } from '../../study';
import { AsFarAsSeen } from '../../ui/as-far-as-seen';
import { FIELD } from '../../ui/field';
import { files } from '../../words/files';
import { sayCycle } from '../../words/said/catalogue';
import { shelf } from '../../words/shelf';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
/** Letters without accents and in one case, as one searches. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** All studies, those first that were played or written last; one act for each, and the others in a menu. */
@Component({
  selector: 'app-studies-list',
  imports: [AsFarAsSeen, FIELD, MatButton, MatMenuModule],
  templateUrl: './studies-list.html',
  styleUrl: './studies-list.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StudiesList {
  protected readonly words = shelf;
  protected readonly filesWords = files.shelf;
  private readonly collection = inject(Collection);
  private readonly open = inject(OpenStudy);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly opened = output<StudyRow>();
  readonly copied = output<StudyRow>();
  readonly exported = output<StudyRow>();
  readonly asScore = output<StudyRow>();
  readonly linked = output<StudyRow>();
  readonly removed = output<StudyRow>();
  readonly renamed = output<{ readonly row: StudyRow; readonly name: string }>();

  protected readonly wanted = signal('');
  /** The study whose name is a field now. */
  protected readonly renaming = signal<string | null>(null);

  private readonly lastPlayed = computed(() => {
    const last = new Map<string, string>();
    for (const e of this.collection.log())
      if (e.startedAt > (last.get(e.studyId) ?? '')) last.set(e.studyId, e.startedAt);
    return last;
  });
  private readonly rows = computed(() =>
    this.collection
      .studies()
      .map((row) => {
        const played = this.lastPlayed().get(row.id) ?? '';
        return { row, played, touched: played > (row.savedAt ?? '') ? played : (row.savedAt ?? '') };
      })
      .sort(
        (a, b) =>
          b.touched.localeCompare(a.touched) ||
          b.played.localeCompare(a.played) ||
          a.row.study.name.localeCompare(b.row.study.name),
      )
      .map(({ row, played }) => {
        const cycles = [...new Set(row.study.sections.map((s) => sayCycle(s.cycle).name))].join(', ');
        const sections = row.study.sections.map((s) => s.name).join(' ');
        return { row, cycles, played, searched: plain(`${row.study.name} ${cycles} ${sections}`) };
      }),
  );
  /** Every word that is typed stands in the name, in a cycle or in the name of a section. */
  protected readonly found = computed(() => {
    const words = plain(this.wanted())
      .split(/\s+/)
      .filter((w) => w !== '');
    const here = this.open.study()?.id;
    return this.rows()
      .filter((r) => words.every((w) => r.searched.includes(w)))
      .map((r) => ({ ...r, last: this.lastOf(r.row, r.played), isOpen: r.row.id === here }));
  });
  private lastOf({ savedAt }: StudyRow, played: string): string {
    if (played) return this.words.played(DAY.format(new Date(played)));
    return savedAt ? this.words.saved(DAY.format(new Date(savedAt))) : this.words.noDay;
  }
  /** The place of a study in the list as it is shown. */
  placeOf(id: string): number {
    return this.found().findIndex((r) => r.row.id === id);
  }
  /** The focus goes to a study's menu, of the last one where there are fewer. */
  focusOn(place: number) {
    afterNextRender(
      () => {
        const rows = [...this.host.querySelectorAll<HTMLElement>('.more')];
        rows[Math.min(place, rows.length - 1)]?.focus();
      },
      { injector: this.injector },
    );
  }
  protected beginRenaming(row: StudyRow) {
    this.renaming.set(row.id);
    // Once the menu has given the focus back.
    setTimeout(() => this.host.querySelector<HTMLInputElement>('.name input')?.select());
  }
  protected rename(row: StudyRow, name: string) {
    this.renaming.set(null);
    if (name.trim() !== row.study.name) this.renamed.emit({ row, name });
  }
}
