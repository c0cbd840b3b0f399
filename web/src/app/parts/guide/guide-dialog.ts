import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, resource } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';
import { welcome } from '../../words/welcome';

/** A piece of text and how it stands out. */
interface Piece {
  readonly text: string;
  readonly as?: 'strong' | 'em' | 'code';
}
/** As the build makes them from the guide. */
type Block =
  | { readonly kind: 'heading'; readonly depth: number; readonly text: readonly Piece[] }
  | { readonly kind: 'paragraph'; readonly text: readonly Piece[] }
  | { readonly kind: 'list'; readonly from: number | null; readonly items: readonly (readonly Piece[])[] };

async function fetched(): Promise<readonly Block[]> {
  const answer = await fetch('/guide/guide.json');
  if (!answer.ok) throw new Error(`The guide: ${answer.status}`);
  return (await answer.json()) as readonly Block[];
}

/** The way from the demo to the logbook, step by step. */
@Component({
  selector: 'app-guide-dialog',
  imports: [MatButton, MatDialogModule, NgTemplateOutlet],
  template: `
    <h2 mat-dialog-title tabindex="-1">{{ words.guideTitle }}</h2>
    <mat-dialog-content tabindex="0" role="group" [attr.aria-label]="words.guideTitle">
      @if (guide.error()) {
        <p role="alert">{{ words.guideMissing }}</p>
      } @else if (guide.value(); as blocks) {
        <article data-own>
          @for (b of blocks; track $index) {
            @if (b.kind === 'list') {
              <ol [class.plain]="b.from === null" [attr.start]="b.from">
                @for (item of b.items; track $index) {
                  <li><ng-container *ngTemplateOutlet="pieces; context: { $implicit: item }" /></li>
                }
              </ol>
            } @else if (b.kind === 'heading') {
              <h3><ng-container *ngTemplateOutlet="pieces; context: { $implicit: b.text }" /></h3>
            } @else {
              <p><ng-container *ngTemplateOutlet="pieces; context: { $implicit: b.text }" /></p>
            }
          }
        </article>
      } @else {
        <p role="status">{{ words.guideLoading }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      <button type="button" matButton="outlined" mat-dialog-close>{{ words.close }}</button>
    </mat-dialog-actions>
    <ng-template #pieces let-list>
      @for (p of list; track $index) {
        @switch (p.as) {
          @case ('strong') {
            <strong>{{ p.text }}</strong>
          }
          @case ('em') {
            <em>{{ p.text }}</em>
          }
          @case ('code') {
            <code>{{ p.text }}</code>
          }
          @default {
            <span>{{ p.text }}</span>
          }
        }
      }
    </ng-template>
  `,
  styles: `
    h2:focus {
      outline: none;
    }
    article {
      max-width: 68ch;
      line-height: 1.5;
    }
    li {
      margin-bottom: 10px;
    }
    .plain {
      list-style: disc;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GuideDialog {
  protected readonly words = welcome;
  protected readonly guide = resource({ loader: fetched });
}
