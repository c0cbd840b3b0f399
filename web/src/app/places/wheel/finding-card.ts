import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { isAgainst, type SaidFinding } from '@ruffle-wheel/core';
import { WhatEnds } from '../../parts/remedies/what-ends';
import { wheel as wheelWords } from '../../words/wheel';

/** Where a finding leads: its place on the wheel, a panel, or another place. */
export type LeadTo = keyof typeof wheelWords.wheel.lead;

/** One matter: what is so, where, and the way to it. */
@Component({
  selector: 'app-finding-card',
  imports: [MatButton, WhatEnds],
  template: `
    <section [class]="'tone ' + finding().tone + '-tone'">
      <h3>{{ finding().title }}</h3>
      @for (line of finding().lines; track $index) {
        <p>{{ line }}</p>
      }
      @if (leads().length || against()) {
        <p class="leads">
          @if (against()) {
            <app-what-ends [of]="finding().of" />
          }
          @for (l of leads(); track l) {
            <button matButton type="button" (click)="lead.emit(l)">{{ words[l] }}</button>
          }
        </p>
      }
    </section>
  `,
  styleUrl: './findings-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingCard {
  protected readonly words = wheelWords.wheel.lead;
  readonly finding = input.required<SaidFinding>();
  readonly leads = input.required<readonly LeadTo[]>();
  readonly lead = output<LeadTo>();
  /** What stands against the music can be ended. */
  protected readonly against = computed(() => this.finding().of.some(isAgainst));
}
