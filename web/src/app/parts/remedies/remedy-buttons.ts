import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type Finding, type Remedy, remedyCommand } from '@ruffle-wheel/core';
import { OpenStudy } from '../../study';
import { Notice } from '../../ui/notice';
import { answers as answersWords } from '../../words/answers';
import { sayRemedy } from '../../words/said/findings';

/** The ways out of a finding, a button each; one that is taken can be undone from its notice. */
@Component({
  selector: 'app-remedy-buttons',
  imports: [MatButton],
  template: `
    @for (r of rows(); track r.says) {
      <button type="button" matButton="outlined" (click)="take(r.remedy, r.says)">{{ r.says }}</button>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RemedyButtons {
  private readonly open = inject(OpenStudy);
  private readonly notice = inject(Notice);
  readonly finding = input.required<Finding>();
  readonly remedies = input.required<readonly Remedy[]>();
  protected readonly rows = computed(() => this.remedies().map((remedy) => ({ remedy, says: sayRemedy(remedy) })));

  protected take(remedy: Remedy, says: string) {
    this.open.apply(remedyCommand(this.finding().place.section, remedy));
    this.notice.withStudyUndo(`${says}: ${answersWords.remedies.taken}`, this.open.wayBack(), true);
  }
}
