import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type FormItem, MOST_IN_SET, readForm, STANDARD_TUNING, type Study, tuningText } from '@ruffle-wheel/core';
import { Collection } from '../../study';
import { Notice } from '../../ui/notice';
import { SELECT } from '../../ui/select';
import { practise } from '../../words/practise';
import { PlanRun } from './plan-run';

/** Pieces to be played one after the other, with what has to be done to the guitar between them. */
@Component({
  selector: 'app-set-panel',
  imports: [MatButton, SELECT],
  templateUrl: './set-panel.html',
  styleUrls: ['./listed.scss', './listed-form.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetPanel {
  /** It is ready to be played. */
  readonly made = output();
  protected readonly words = practise.set;
  private readonly collection = inject(Collection);
  private readonly run = inject(PlanRun);
  private readonly notice = inject(Notice);
  protected readonly fault = signal('');
  protected readonly most = MOST_IN_SET;
  /** What is still on the shelf of it. */
  protected readonly pieces = computed((): readonly Study[] =>
    (this.collection.settings().set ?? []).flatMap((id) => this.collection.row(id)?.study ?? []),
  );
  protected readonly others = computed(() => {
    const there = new Set(this.pieces().map((s) => s.id));
    return this.collection.studies().filter((r) => !there.has(r.id));
  });
  /** The tempo at which its form begins, capo, and strings where they are not as usual. */
  protected what({ sections, instrument, form }: Study): string {
    const { what, capo } = this.words;
    const first = firstOf(readForm(form, sections).items);
    const bpm = (sections.find((s) => s.id === first) ?? sections[0])?.bpm ?? 0;
    const usual = String(instrument.tuning) === String(STANDARD_TUNING);
    return what(bpm, instrument.capo > 0 ? capo(instrument.capo) : '', usual ? '' : tuningText(instrument.tuning));
  }
  private put(ids: readonly string[]) {
    this.fault.set('');
    this.collection.set({ set: ids });
  }
  protected add(id: string) {
    if (id !== '') this.put([...this.pieces().map((s) => s.id), id].slice(0, MOST_IN_SET));
  }
  protected earlier(n: number) {
    const ids = this.pieces().map((s) => s.id);
    const [own] = ids.splice(n, 1);
    if (own !== undefined) this.put([...ids.slice(0, n - 1), own, ...ids.slice(n - 1)]);
  }
  protected leaveOut(n: number) {
    this.put(this.pieces().flatMap((s, i) => (i === n ? [] : [s.id])));
  }
  async play() {
    this.fault.set('');
    const made = await this.run.makeSet(this.pieces()).catch(() => null);
    if (made) {
      const blocks = this.run.plan()?.blocks ?? [];
      const minutes = blocks.reduce((sum, b) => sum + b.minutes, 0);
      this.notice.say(this.words.ready(blocks.filter((b) => b.kind === 'form').length, minutes));
      this.made.emit();
    } else this.fault.set(made === null ? practise.planned.failed : this.words.nothing);
  }
}
const firstOf = ([item]: readonly FormItem[]): string =>
  item === undefined ? '' : item.kind === 'section' ? item.section : firstOf(item.items);
