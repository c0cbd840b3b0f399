import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  HIGHEST_CAPO,
  readTuning,
  setCapo,
  setTuning,
  TUNINGS,
  tuningText,
  tuningWarnings,
  STANDARD_TUNING,
} from '@ruffle-wheel/core';
import { OpenStudy } from '../../study';
import { neck as neckWords } from '../../words/neck';
import { SELECT } from '../../ui/select';
import { FIELD } from '../../ui/field';
import { sayFact } from '../../words/said/faults';
import { tunings } from '../../words/said/catalogue';

/** The study's capo and its strings, chosen or written by note names; what would break a string is warned of. */
@Component({
  selector: 'app-tuning-fields',
  imports: [FIELD, SELECT],
  template: `
    <div class="row">
      <mat-form-field
        ><mat-label>{{ words.capo }}</mat-label
        ><mat-select [value]="open.capo()" (selectionChange)="open.apply(setCapo(+$event.value))">
          @for (n of capos; track n) {
            <mat-option [value]="n">{{ n }}</mat-option>
          }
        </mat-select></mat-form-field
      >
      <mat-form-field
        ><mat-label>{{ words.tuning }}</mat-label
        ><mat-select [value]="own() ? '' : now()" (selectionChange)="choose($event.value)">
          @for (t of tunings; track t.name) {
            <mat-option [value]="text(t.strings)">{{ t.name }}</mat-option>
          }
          <mat-option value="">{{ words.ownTuning }}</mat-option>
        </mat-select></mat-form-field
      >
      @if (own()) {
        <mat-form-field class="open"
          ><mat-label>{{ words.openStrings }}</mat-label
          ><input
            matInput
            #strings
            spellcheck="false"
            [value]="now()"
            [attr.aria-invalid]="faults().length > 0"
            (change)="write(strings.value)"
        /></mat-form-field>
      }
    </div>
    @for (f of faults(); track f) {
      <p class="watch" role="alert">{{ f }}</p>
    }
    @for (w of warnings(); track w) {
      <p class="watch" role="status">{{ w }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 14px;
    }
    .open {
      width: 12.5em;
    }
    .watch {
      margin: 0;
      color: var(--pomegranate);
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TuningFields {
  protected readonly words = neckWords.tuning;
  protected readonly open = inject(OpenStudy);
  protected readonly setCapo = setCapo;
  protected readonly tunings = tunings;
  protected readonly text = tuningText;
  protected readonly capos = Array.from({ length: HIGHEST_CAPO + 1 }, (_, n) => n);
  /** The field for own strings is open, whatever they are. */
  protected readonly writing = signal(false);
  protected readonly faults = signal<readonly string[]>([]);
  private readonly tuning = computed(() => this.open.study()?.instrument.tuning ?? STANDARD_TUNING);
  protected readonly now = computed(() => tuningText(this.tuning()));
  protected readonly own = computed(() => this.writing() || !TUNINGS.some((t) => tuningText(t.strings) === this.now()));
  protected readonly warnings = computed(() => tuningWarnings(this.tuning()).map(sayFact));

  protected choose(text: string) {
    this.writing.set(text === '');
    if (text !== '') this.write(text);
  }
  /** A tuning that can't be read leaves the strings as they are, and says why. */
  protected write(text: string) {
    const read = readTuning(text);
    this.faults.set((read.faults ?? []).map(sayFact));
    if (read.tuning) this.open.apply(setTuning(read.tuning), 'tuning');
  }
}
