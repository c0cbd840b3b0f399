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
import { MatButton } from '@angular/material/button';
import { LONGEST_PLAN, type PlannedBlock, SHORTEST_PLAN } from '@ruffle-wheel/core';
import { Collection } from '../../study';
import { FIELD } from '../../ui/field';
import { practise } from '../../words/practise';
import { sayBlockKind, sayPlanned } from '../../words/said/plan';
import { PlanRun } from './plan-run';

/** Minutes that have a key of their own. */
const USUAL = [10, 20, 30, 45] as const;

/** What now? So many minutes, planned; then the blocks with why each is there and what became of it. */
@Component({
  selector: 'app-today-panel',
  imports: [MatButton, FIELD],
  templateUrl: './today-panel.html',
  styleUrls: ['./listed.scss', './today-panel.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TodayPanel {
  protected readonly words = practise.planned;
  protected readonly run = inject(PlanRun);
  private readonly collection = inject(Collection);
  private readonly injector = inject(Injector);
  protected readonly usual = USUAL;
  protected readonly low = SHORTEST_PLAN;
  protected readonly high = LONGEST_PLAN;
  protected readonly fault = signal('');
  protected readonly kind = sayBlockKind;
  protected readonly why = (block: PlannedBlock) => sayPlanned(block.why);
  protected readonly notes = computed(() => this.run.notes().map(sayPlanned));
  private readonly own = viewChild<string, ElementRef<HTMLInputElement>>('own', { read: ElementRef });
  private readonly starts = viewChild<string, ElementRef<HTMLButtonElement>>('starts', { read: ElementRef });

  protected readonly asksOwn = signal(false);
  /** Asks for minutes of one's own. */
  focusOwn() {
    this.asksOwn.set(true);
    afterNextRender(() => this.own()?.nativeElement.focus(), { injector: this.injector });
  }
  protected hint(minutes: (typeof USUAL)[number]): string {
    return this.words.minutesOf(minutes, this.words.minutes[minutes]);
  }
  async make(minutes: number) {
    this.fault.set('');
    try {
      await this.run.make(minutes);
    } catch {
      return this.fault.set(this.words.failed);
    }
    // What comes next is Start: for Space, and for the thumb.
    this.asksOwn.set(false);
    afterNextRender(() => this.starts()?.nativeElement.focus(), { injector: this.injector });
  }
  protected async makeOwn(text: string) {
    const minutes = Number(text);
    if (!Number.isInteger(minutes) || minutes < this.low || minutes > this.high)
      return this.fault.set(this.words.outOf(this.low, this.high));
    await this.make(minutes);
  }
  /** What a block is about, as it is called now. */
  protected what({ about }: PlannedBlock): string {
    const study = about && this.collection.row(about.studyId)?.study;
    if (!study) return '';
    const section = study.sections.find((s) => s.id === about.sectionId);
    return section ? `${study.name} · ${section.name}` : study.name;
  }
  protected readonly played = computed(() =>
    Math.round((this.run.plan()?.blocks ?? []).reduce((sum, b) => sum + (b.done?.minutes ?? 0), 0)),
  );
}
