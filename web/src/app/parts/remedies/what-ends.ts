import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  input,
  linkedSignal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Finding, Remedy } from '@ruffle-wheel/core';
import { Solve } from '../../compute/solve';
import { Collection, OpenStudy } from '../../study';
import { answers as answersWords } from '../../words/answers';
import { Notice } from '../../ui/notice';
import { RemedyButtons } from './remedy-buttons';

/** What would end a finding: looked for when it is asked, since every way out is tried before it is offered. */
@Component({
  selector: 'app-what-ends',
  imports: [MatButton, RemedyButtons],
  template: `
    @if (found(); as rows) {
      @for (row of rows; track $index) {
        <app-remedy-buttons [finding]="row.finding" [remedies]="row.remedies" />
      }
      @if (none()) {
        <span class="soft" role="status" tabindex="-1">{{ words.none }}</span>
      }
    } @else {
      <button type="button" matButton (click)="ask()">{{ words.ask }}</button>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhatEnds {
  protected readonly words = answersWords.remedies;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  private readonly notice = inject(Notice);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** One finding, or several of a kind that are told together. */
  readonly of = input.required<readonly Finding[]>();
  /** What was found holds for these findings alone. */
  protected readonly found = linkedSignal<
    string,
    readonly { readonly finding: Finding; readonly remedies: readonly Remedy[] }[] | null
  >({ source: () => JSON.stringify(this.of()), computation: () => null });
  protected readonly none = computed(() => this.found()?.every((row) => row.remedies.length === 0) ?? false);

  protected async ask() {
    const study = this.open.study();
    const findings = this.of();
    if (!study) return;
    const asked = { study, profile: this.collection.profile(), findings };
    // A solver that died is said; the question stays to be asked again.
    const ways = await this.solve.remedies(asked).catch(() => {
      this.notice.say(this.words.failed);
      return null;
    });
    if (!ways || findings !== this.of()) return;
    // The button goes with its answer: whoever stood on it stands on the first way out.
    const stood = this.host.contains(document.activeElement);
    this.found.set(findings.map((finding, n) => ({ finding, remedies: ways[n] ?? [] })));
    if (stood)
      afterNextRender(() => this.host.querySelector<HTMLElement>('button, [tabindex]')?.focus(), {
        injector: this.injector,
      });
  }
}
