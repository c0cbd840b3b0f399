import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type Scope, sayLoss, type TablaturePart, tuningText } from '@ruffle-wheel/core';
import type { TablatureAsk } from '../../compute/protocol';
import { LongSolve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { Collection, OpenStudy } from '../../study';
import { Notice } from '../../ui/notice';
import { saveFile } from '../../ui/save-file';
import { SELECT } from '../../ui/select';
import { weave } from '../../words/weave';

/** The study as files for the stand and for others: what it loses is said before. */
@Component({
  selector: 'app-files-panel',
  imports: [SELECT, MatButton],
  template: `
    <div class="answers">
      <p class="soft">{{ words.help }}</p>
      <mat-form-field
        ><mat-label>{{ words.what }}</mat-label
        ><mat-select [value]="kind()" (selectionChange)="wanted.set($event.value)" data-first>
          <mat-option value="section">{{ words.section }}</mat-option>
          @if (bars()) {
            <mat-option value="bars">{{ barsName() }}</mat-option>
          }
          <mat-option value="form">{{ words.form }}</mat-option>
        </mat-select></mat-form-field
      >
      @if (text(); as text) {
        @if (losses().length) {
          <h3>{{ words.losses }}</h3>
          <ul>
            @for (l of losses(); track l) {
              <li>{{ l }}</li>
            }
          </ul>
        }
        <p class="buttons">
          <button type="button" matButton="filled" (click)="save()">{{ words.save }}</button>
          <button type="button" matButton="outlined" (click)="copy()">{{ words.copy }}</button>
        </p>
        <pre tabindex="0" [attr.aria-label]="words.preview">{{ text }}</pre>
      } @else if (nothing()) {
        <p>{{ words.nothing }}</p>
      }
    </div>
  `,
  styles: `
    pre {
      max-height: 340px;
      margin: 0;
      padding: 8px;
      border: 1px solid var(--line);
      border-radius: 6px;
      overflow: auto;
      font-size: 13px;
      line-height: 1.25;
    }
    h3 {
      margin: 4px 0 0;
    }
  `,
  styleUrl: './answers.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FilesPanel {
  protected readonly words = weave.files;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(LongSolve);
  private readonly notice = inject(Notice);
  /** Bars that are chosen on the page, and what they are called. */
  readonly bars = input<readonly [number, number] | null>(null);
  readonly barsName = input('');
  protected readonly wanted = signal<Scope['kind'] | null>(null);
  /** Chosen bars are meant unless something else is said; without any they can't be. */
  protected readonly kind = computed((): Scope['kind'] => {
    const wanted = this.wanted() ?? (this.bars() ? 'bars' : 'section');
    return wanted === 'bars' && !this.bars() ? 'section' : wanted;
  });
  private readonly ask = computed((): TablatureAsk | null => {
    const [study, section, kind, bars] = [this.open.study(), this.open.written(), this.kind(), this.bars()];
    if (!study || !section) return null;
    const scope: Scope =
      kind === 'form'
        ? { kind }
        : kind === 'bars' && bars
          ? { kind, section: section.id, bars }
          : { kind: 'section', section: section.id };
    return { study, profile: this.collection.profile(), scope };
  });
  private readonly asking = new Asking<TablatureAsk, TablaturePart[]>(
    this.ask,
    (ask) => this.solve.tablature(ask),
    undefined,
    this.solve,
  );
  private readonly parts = computed(() => this.asking.latest()?.answer.filter((p) => p.text !== '') ?? []);
  protected readonly nothing = computed(() => this.asking.latest()?.answer.length === 0 || this.parts().length === 0);
  /** The whole file: the study, then each section with its cycle and tempo. */
  protected readonly text = computed((): string => {
    const [asked, parts] = [this.asking.latest()?.ask, this.parts()];
    if (!asked || parts.length === 0) return '';
    // As it was asked: while another part is on its way the one before stays whole.
    const { study, scope } = asked;
    const { tuning, capo } = study.instrument;
    const head = [
      study.name,
      `${this.words.tuning} ${tuningText(tuning)}${capo ? `, ${this.words.capo} ${capo}` : ''}`,
      ...(scope.kind === 'form' && study.form ? [`${this.words.order} ${study.form}`] : []),
    ];
    const sections = parts.map((p) => {
      const section = study.sections.find((s) => s.id === p.section);
      const bars = scope.kind === 'bars' ? `, ${this.barsOf(scope.bars)}` : '';
      return `${section?.name ?? ''}${bars} · ${section?.cycle.name ?? ''} · ${section?.bpm ?? ''} ${this.words.counts}\n\n${p.text}`;
    });
    return `${head.join('\n')}\n\n${sections.join('\n\n\n')}\n`;
  });
  protected readonly losses = computed(() => {
    const sums = new Map<string, number>();
    for (const { losses } of this.parts())
      for (const { code, about } of losses) sums.set(code, (sums.get(code) ?? 0) + Number(about[0]));
    const codes = this.parts().flatMap((p) => p.losses.map((l) => l.code));
    return [...new Set(codes)].map((code) => sayLoss({ code, about: [sums.get(code) ?? 0] }));
  });
  private barsOf([from, to]: readonly [number, number]): string {
    return from === to ? `${this.words.bar} ${from + 1}` : `${this.words.bars} ${from + 1}–${to + 1}`;
  }
  private name(): string {
    const [study, section] = [this.open.study(), this.open.written()];
    return [study?.name, ...(this.kind() === 'form' ? [] : [section?.name])].join(' ');
  }
  protected save() {
    saveFile(new Blob([this.text()], { type: 'text/plain' }), this.name(), 'txt');
  }
  protected async copy() {
    const done = await navigator.clipboard.writeText(this.text()).then(
      () => true,
      () => false,
    );
    this.notice.say(done ? this.words.copied : this.words.notCopied);
  }
}
