import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { FilesOut } from '../../parts/files/files-out';
import { SCORE_FILES, ScoreFiles } from '../../parts/files/score-files';
import { OpenStudy } from '../../study';
import { files } from '../../words/files';

/** The study as files for the stand and for others, and files of others into the study. */
@Component({
  selector: 'app-files-panel',
  imports: [FilesOut, MatButton],
  template: `
    @if (open.study(); as study) {
      <app-files-out [study]="study" [section]="open.written()?.id ?? ''" [bars]="bars()" [barsName]="barsName()" />
    }
    <section>
      <h3>{{ words.inTitle }}</h3>
      <p class="soft">{{ words.inHelp }}</p>
      <button type="button" matButton="outlined" (click)="file.click()">{{ words.choose }}</button>
      <input
        #file
        class="unseen"
        type="file"
        tabindex="-1"
        [accept]="accepted"
        [attr.aria-label]="words.choose"
        (change)="look(file)"
      />
    </section>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 14px;
      padding: 12px 16px 16px;
      font-size: 17px;
    }
    section {
      padding-top: 10px;
      border-top: 1px solid var(--line);
    }
    h3,
    p {
      margin: 0 0 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FilesPanel {
  protected readonly words = files;
  protected readonly accepted = SCORE_FILES;
  protected readonly open = inject(OpenStudy);
  private readonly scores = inject(ScoreFiles);
  /** Bars that are chosen on the page, and what they are called. */
  readonly bars = input<readonly [number, number] | null>(null);
  readonly barsName = input('');

  protected look(field: HTMLInputElement) {
    const [file] = field.files ?? [];
    field.value = '';
    if (file) void this.scores.look(file);
  }
}
