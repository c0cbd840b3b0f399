import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Kind } from '@ruffle-wheel/core';
import { answers } from '../words/answers';
import { sayKind } from '../words/said/schools';

/** What a passage is read as, and why schools of no use for it stand apart. */
@Component({
  selector: 'app-read-as',
  template: `{{ said().names }}
    @if (folded()) {
      {{ said().keeps }}
    }`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadAs {
  readonly kinds = input.required<readonly Kind[]>();
  readonly folded = input(false);
  protected readonly said = computed(() => {
    const said = this.kinds().map(sayKind);
    return {
      names: answers.answer.kind(said.map((k) => k.name)),
      keeps: answers.answer.foldedWhy([...new Set(said.map((k) => k.keeps))]),
    };
  });
}
