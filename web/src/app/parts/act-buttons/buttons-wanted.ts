import { ChangeDetectionStrategy, Component, computed, inject, Injectable } from '@angular/core';
import { Collection } from '../../study';
import { CoarsePointer } from '../../ui/coarse';
import { Toggle } from '../../ui/toggle';
import { acts as words } from '../../words/acts';

/** Whether acts have buttons: as the player has asked, else where the pointer is a finger. */
@Injectable({ providedIn: 'root' })
export class ButtonsWanted {
  private readonly collection = inject(Collection);
  private readonly pointer = inject(CoarsePointer);
  readonly shown = computed(() => this.collection.settings().buttons ?? this.pointer.coarse());
  turn() {
    this.collection.set({ buttons: !this.shown() });
  }
}

/** Shows the buttons of a place's acts, or puts them away. */
@Component({
  selector: 'app-buttons-toggle',
  imports: [Toggle],
  template: `<app-toggle [on]="wanted.shown()" (click)="wanted.turn()">{{ words.shown }}</app-toggle>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ButtonsToggle {
  protected readonly words = words;
  protected readonly wanted = inject(ButtonsWanted);
}
