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
import type { Complete } from './completion';
import type { ScriptField } from './script-field';

/** The hand script as text with its faults underlined and listed. The editor itself arrives a moment after the page. */
@Component({
  selector: 'app-script-editor',
  template: `<div #host class="host"></div>
    @if (plain()) {
      <textarea
        #area
        class="plain-text"
        spellcheck="false"
        autocapitalize="off"
        [attr.aria-label]="label()"
        [attr.maxlength]="longest()"
        [value]="text()"
        (input)="textChange.emit(area.value)"
      ></textarea>
    } @else if (!ready()) {
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
  /** What could stand behind a text; see `Completion`. */
  readonly complete = input<Complete>(() => null);
  /** Letters that it takes at the most. */
  readonly longest = input(Infinity);
  readonly textChange = output<string>();
  /** Where the cursor stands, while it has the focus. */
  readonly cursor = output<number | null>();
  /** More than it takes would have been written, so many letters: nothing was. */
  readonly tooLong = output<number>();
  protected readonly ready = signal(false);
  /** The editor could not be fetched: a plain field takes its place. */
  protected readonly plain = signal(false);
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private field: ScriptField | null = null;
  private readonly area = viewChild<ElementRef<HTMLElement>>('area');
  private readonly arrived: Promise<HTMLElement | null>;

  /**
   * Puts the cursor where it was last.
   * @returns the field that has the focus, or will have it once it is here
   */
  focus(): Promise<HTMLElement | null> {
    this.field?.focus();
    return this.field ? Promise.resolve(this.field.content) : this.arrived;
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
    this.arrived = import('./script-field').then(
      ({ ScriptField: Field }) => {
        if (gone) return null;
        this.field = new Field(this.host().nativeElement, {
          text: this.text(),
          label: this.label(),
          longest: this.longest(),
          changed: (t) => this.textChange.emit(t),
          tooLong: (n) => this.tooLong.emit(n),
          cursor: (at) => this.cursor.emit(at),
          complete: (before) => this.complete()(before),
        });
        this.ready.set(true);
        return this.field.content;
      },
      async () => {
        this.plain.set(true);
        await new Promise((resolve) => setTimeout(resolve));
        return this.area()?.nativeElement ?? null;
      },
    );
  }
}
