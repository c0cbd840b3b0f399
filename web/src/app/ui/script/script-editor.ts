import {
  afterNextRender,
  computed,
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
import { MatInput } from '@angular/material/input';
import type { Complete } from './completion';
import type { ScriptField, Stretch } from './script-field';

/** Faults that are read with the field. */
const TOLD = 3;
let drawn = 0;

/** A script or chart as text with its faults underlined and listed. The editor itself arrives a moment after the page. */
@Component({
  selector: 'app-script-editor',
  imports: [MatInput],
  template: `<div #host class="host"></div>
    @if (plain()) {
      <textarea
        matInput
        #area
        class="plain-text"
        spellcheck="false"
        autocapitalize="off"
        [attr.aria-label]="label()"
        [attr.aria-invalid]="wrong() !== ''"
        [attr.aria-describedby]="wrong() ? id : null"
        [attr.data-first]="first() ? '' : null"
        [attr.maxlength]="longest()"
        [value]="text()"
        (input)="textChange.emit(area.value)"
        (blur)="left.emit()"
      ></textarea>
    } @else if (!ready()) {
      <pre class="waiting">{{ text() }}</pre>
    }
    @if (wrong()) {
      <span class="unseen" [id]="id">{{ wrong() }}</span>
    }`,
  styleUrl: './script-editor.scss',
  host: { '[attr.data-coming]': "first() && !ready() && !plain() ? '' : null" },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScriptEditor {
  readonly text = input.required<string>();
  readonly faults = input<readonly Stretch[]>([]);
  /** Stretch of the text that belongs to the selected slot. */
  readonly mark = input<Stretch | null>(null);
  readonly label = input('');
  /** The panel that it stands in begins with it. */
  readonly first = input(false);
  /** What could stand behind a text; see `Completion`. */
  readonly complete = input<Complete>(() => null);
  /** Letters that it takes at the most. */
  readonly longest = input(Infinity);
  readonly textChange = output<string>();
  /** Where the cursor stands, while it has the focus. */
  readonly cursor = output<number | null>();
  /** The focus went elsewhere. */
  readonly left = output();
  /** More than it takes would have been written, so many letters: nothing was. */
  readonly tooLong = output<number>();
  protected readonly ready = signal(false);
  /** The editor could not be fetched: a plain field takes its place. */
  protected readonly plain = signal(false);
  protected readonly id = `said-of-script-${++drawn}`;
  /** All that is wrong in a line each, as far as it is told. */
  protected readonly wrong = computed(() =>
    this.faults()
      .slice(0, TOLD)
      .flatMap((f) => (f.message ? [f.message] : []))
      .join(' '),
  );
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
      if (!this.ready()) return;
      this.field?.underline(faults, mark);
      this.field?.describe(this.wrong() ? this.id : null);
    });
    const destroyed = inject(DestroyRef);
    let gone = false;
    destroyed.onDestroy(() => {
      gone = true;
      this.field?.destroy();
    });
    // What it begins with is known once it has been drawn.
    const drawn = new Promise<void>((resolve) => afterNextRender(() => resolve()));
    this.arrived = Promise.all([import('./script-field'), drawn]).then(
      ([{ ScriptField: Field }]) => {
        if (gone) return null;
        this.field = new Field(this.host().nativeElement, {
          text: this.text(),
          label: this.label(),
          first: this.first(),
          longest: this.longest(),
          changed: (t) => this.textChange.emit(t),
          tooLong: (n) => this.tooLong.emit(n),
          cursor: (at) => this.cursor.emit(at),
          left: () => this.left.emit(),
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
