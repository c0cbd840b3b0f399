import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { FIELD } from '../../ui/field';
import { shelf } from '../../words/shelf';

/** A study as an address, to be copied. */
@Component({
  selector: 'app-link-dialog',
  imports: [FIELD, MatButton, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ words.of(data.name) }}</h2>
    <mat-dialog-content>
      <p>{{ words.note }}</p>
      <mat-form-field
        ><mat-label>{{ words.label }}</mat-label
        ><textarea
          matInput
          #text
          readonly
          rows="6"
          spellcheck="false"
          [value]="data.link"
          (focus)="text.select()"
        ></textarea>
      </mat-form-field>
    </mat-dialog-content>
    <mat-dialog-actions>
      <span role="status" class="soft">{{ said() }}</span>
      <button type="button" matButton="filled" (click)="copy(text)">{{ words.copy }}</button>
      <button type="button" matButton="outlined" mat-dialog-close>{{ words.close }}</button>
    </mat-dialog-actions>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
    textarea {
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LinkDialog {
  protected readonly words = shelf.link;
  protected readonly data = inject<{ readonly name: string; readonly link: string }>(MAT_DIALOG_DATA);
  protected readonly said = signal('');

  /** Where the page may not write there, what is to be copied is chosen. */
  protected async copy(text: HTMLTextAreaElement) {
    try {
      await navigator.clipboard.writeText(this.data.link);
      this.said.set(this.words.copied);
    } catch {
      text.focus();
      text.select();
      this.said.set(this.words.chosen);
    }
  }
}
