import { ChangeDetectionStrategy, Component, computed, inject, input, output, viewChild } from '@angular/core';
import { LONGEST_SCRIPT, setScript } from '@ruffle-wheel/core';
import { OpenStudy } from '../../study';
import { Notice } from '../../ui/notice';
import { ScriptEditor } from '../../ui/script/script-editor';
import { wheel as wheelWords } from '../../words/wheel';
import { scriptCompletion } from './script-completion';
import { sayFact, sayFaults } from '../../words/said/faults';

/** The open section's hand script, to be written in: what is typed is the section's at once, and undone with it. */
@Component({
  selector: 'app-section-script',
  imports: [ScriptEditor],
  template: `<app-script-editor
    [text]="open.section()?.script ?? ''"
    [faults]="faults()"
    [complete]="complete"
    [mark]="mark()"
    [label]="words.script"
    [longest]="longest"
    (textChange)="type($event)"
    (tooLong)="tooLong($event)"
    (cursor)="cursor.emit($event)"
  />`,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SectionScript {
  protected readonly words = wheelWords.wheel;
  protected readonly open = inject(OpenStudy);
  private readonly notice = inject(Notice);
  private readonly editor = viewChild.required(ScriptEditor);
  protected readonly longest = LONGEST_SCRIPT;
  protected readonly complete = scriptCompletion(() => this.open.study()?.cells ?? []);
  protected readonly faults = computed(() => sayFaults(this.open.reading()?.faults ?? []));
  /** Stretch of the text that is looked at. */
  readonly mark = input<{ readonly from: number; readonly to: number } | null>(null);
  readonly cursor = output<number | null>();

  /** @returns the field that has the focus, or will have it once it is here */
  focus(): Promise<HTMLElement | null> {
    return this.editor().focus();
  }
  protected type(text: string) {
    const section = this.open.section();
    if (section) this.open.apply(setScript(section.id, text), `script ${section.id}`);
  }
  protected tooLong(letters: number) {
    const [section, study] = [this.open.section(), this.open.study()];
    const refusal = section && study && setScript(section.id, 'p'.repeat(letters)).refusal?.(study);
    if (refusal) this.notice.say(sayFact(refusal), 12_000);
  }
}
