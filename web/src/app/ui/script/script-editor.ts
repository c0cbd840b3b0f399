import {
  ChangeDetectionStrategy,
  Component,
  effect,
  type ElementRef,
  inject,
  DestroyRef,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { ScriptFault } from '@ruffle-wheel/core';
import type { ScriptField } from './script-field';

/** The hand script as text with its faults underlined and listed. The editor itself arrives a moment after the page. */
@Component({
  selector: 'app-script-editor',
  template: `<div #host class="host"></div>
    @if (!ready()) {
      <pre class="waiting">{{ text() }}</pre>
    }`,
  styleUrl: './script-editor.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScriptEditor {
  readonly text = input.required<string>();
  readonly faults = input<readonly ScriptFault[]>([]);
  /** Stretch of the text that belongs to the selected slot. */
  readonly mark = input<{ readonly from: number; readonly to: number } | null>(null);
  readonly label = input('');
  readonly textChange = output<string>();
  protected readonly ready = signal(false);
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private field: ScriptField | null = null;
  /** The focus was asked for before the editor was there. */
  private wanted = false;

  /** Puts the cursor where it was last. */
  focus() {
    this.wanted = !this.field;
    this.field?.focus();
  }

  constructor() {
    effect(() => {
      const text = this.text();
      this.field?.show(text);
    });
    effect(() => {
      const [faults, mark] = [this.faults(), this.mark()];
      if (this.ready()) this.field?.underline(faults, mark);
    });
    const destroyed = inject(DestroyRef);
    let gone = false;
    destroyed.onDestroy(() => {
      gone = true;
      this.field?.destroy();
    });
    void import('./script-field').then(({ ScriptField: Field }) => {
      if (gone) return;
      this.field = new Field(this.host().nativeElement, this.text(), this.label(), (t) => this.textChange.emit(t));
      this.ready.set(true);
      if (this.wanted) this.field.focus();
    });
  }
}
