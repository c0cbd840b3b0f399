import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { type Key, LONGEST_WORDS, MODES, readWords, setKey, setWords } from '@ruffle-wheel/core';
import { OpenStudy } from '../../study';
import { FaultList, type ShownFault } from '../../ui/fault-list';
import { FIELD } from '../../ui/field';
import { Notice } from '../../ui/notice';
import { ScriptEditor } from '../../ui/script/script-editor';
import { SELECT } from '../../ui/select';
import { sayFact, sayFaults } from '../../words/said/faults';
import { weave } from '../../words/weave';

const SHOWN_FAULTS = 3;
/** Tonics that keys are named by, up the scale. */
const TONICS = ['C', 'C#', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'Gb', 'G', 'G#', 'Ab', 'A', 'Bb', 'B'];

/** The words or syllables under a section's counts, and the key that it is written in. */
@Component({
  selector: 'app-words-field',
  imports: [FIELD, SELECT, FaultList, ScriptEditor],
  template: `
    @if (section(); as own) {
      <h3>{{ words.title }}</h3>
      <app-script-editor
        [text]="own.words"
        [faults]="faults()"
        [label]="words.title"
        [longest]="longest"
        (textChange)="type($event)"
        (tooLong)="tooLong($event)"
      />
      <app-fault-list [faults]="faults()" (fixed)="fix($event)" />
      <p class="soft">{{ words.help }}</p>
      <div class="row">
        <mat-form-field
          ><mat-label>{{ words.key }}</mat-label
          ><mat-select [value]="own.key?.tonic ?? ''" (selectionChange)="toTonic($event.value)">
            <mat-option value="">{{ words.found }}</mat-option>
            @for (t of tonics(); track t) {
              <mat-option [value]="t">{{ signed(t) }}</mat-option>
            }
          </mat-select></mat-form-field
        >
        @if (own.key; as key) {
          <mat-form-field
            ><mat-label>{{ words.mode }}</mat-label
            ><mat-select [value]="key.mode" (selectionChange)="to({ tonic: key.tonic, mode: $event.value })">
              @for (m of modes; track m) {
                <mat-option [value]="m">{{ words.modes[m] }}</mat-option>
              }
            </mat-select></mat-form-field
          >
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
      margin-top: 12px;
      padding-top: 12px;
      border-top: 1px solid var(--line);
    }
    h3,
    p {
      margin: 0;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 12px;
    }
    mat-form-field {
      flex: 1 1 120px;
      min-width: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WordsField {
  protected readonly words = weave.words;
  protected readonly modes = MODES;
  protected readonly longest = LONGEST_WORDS;
  private readonly open = inject(OpenStudy);
  private readonly notice = inject(Notice);
  private readonly field = viewChild(ScriptEditor);
  protected readonly section = this.open.written;
  /** A file may name one that is not among them. */
  protected readonly tonics = computed(() => {
    const own = this.section()?.key?.tonic;
    return own === undefined || TONICS.includes(own) ? TONICS : [...TONICS, own];
  });
  protected signed(tonic: string): string {
    return tonic.replace('#', '♯').replace(/b$/, '♭');
  }
  protected readonly faults = computed(() => {
    const section = this.section();
    return section ? sayFaults(readWords(section.words, section.cycle).faults).slice(0, SHOWN_FAULTS) : [];
  });

  protected type(words: string) {
    const section = this.section();
    if (section) this.open.adjust(setWords(section.id, words), `words ${section.id}`);
  }
  protected tooLong(letters: number) {
    const [section, study] = [this.section(), this.open.study()];
    const refusal = section && study && setWords(section.id, 'a'.repeat(letters)).refusal?.(study);
    if (refusal) this.notice.say(sayFact(refusal), 12_000);
  }
  protected fix({ from, to, fix = '' }: ShownFault) {
    const section = this.section();
    if (section) this.open.apply(setWords(section.id, section.words.slice(0, from) + fix + section.words.slice(to)));
    void this.field()?.focus();
  }
  protected toTonic(tonic: string) {
    this.to(tonic === '' ? null : { tonic, mode: this.section()?.key?.mode ?? 'major' });
  }
  protected to(key: Key | null) {
    const section = this.section();
    if (section) this.open.apply(setKey(section.id, key));
  }
}
