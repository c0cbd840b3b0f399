import { CdkListbox, CdkOption } from '@angular/cdk/listbox';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
  viewChild,
  viewChildren,
} from '@angular/core';

export interface ListedChoice {
  readonly id: string;
  readonly name: string;
  /** Beside the name, softer. */
  readonly detail?: string;
  /** The name is the player's own, not a text of the program. */
  readonly own?: boolean;
  /** What it is, in a line. */
  readonly note?: string;
}
export interface ChoiceGroup {
  /** '' = a group without a name. */
  readonly name: string;
  readonly choices: readonly ListedChoice[];
}

/** One of many, by keys: arrows and first letters move the choice, Enter takes it. */
@Component({
  selector: 'app-choice-list',
  imports: [CdkListbox, CdkOption],
  template: `
    <div
      cdkListbox
      [attr.aria-label]="label()"
      [cdkListboxValue]="present()"
      (keydown.enter)="take($event)"
      (keydown.space)="$event.preventDefault()"
    >
      @for (g of groups(); track g.name) {
        <div class="group" [attr.role]="g.name ? 'group' : 'presentation'" [attr.aria-label]="g.name || null">
          @if (g.name) {
            <div class="name" aria-hidden="true">{{ g.name }}</div>
          }
          @for (c of g.choices; track c.id) {
            <div
              class="choice"
              [cdkOption]="c.id"
              [cdkOptionTypeaheadLabel]="c.name"
              [class.chosen]="c.id === chosen()"
              (focus)="choose(c.id)"
              (click)="choose(c.id)"
              (dblclick)="taken.emit()"
            >
              <b [attr.data-own]="c.own ? '' : null">{{ c.name }}</b>
              @if (c.detail) {
                <span class="soft"> {{ c.detail }}</span>
              }
              @if (c.note) {
                <span class="note soft">{{ c.note }}</span>
              }
            </div>
          }
        </div>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
      overflow: auto;
      border: 1px solid var(--line);
      border-radius: var(--radius);
      background: var(--field);
    }
    .name {
      position: sticky;
      top: 0;
      z-index: 1;
      padding: 4px 12px;
      font:
        700 18px/1.3 Alegreya,
        serif;
      background: var(--sheet);
      border-bottom: 1px solid var(--line);
    }
    .name::first-letter {
      text-transform: uppercase;
    }
    .choice {
      padding: 5px 12px;
      border-left: 4px solid transparent;
      cursor: pointer;
    }
    .choice:hover {
      background: color-mix(in srgb, currentColor 6%, transparent);
    }
    .choice.chosen {
      background: var(--chosen);
      border-left-color: var(--pomegranate);
    }
    .choice:focus-visible {
      outline-offset: -3px;
    }
    .chosen .soft {
      color: inherit;
    }
    .note {
      display: block;
      font-size: 16px;
      line-height: 1.3;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceList {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly listbox = viewChild.required(CdkListbox);
  private readonly options = viewChildren(CdkOption);
  readonly label = input.required<string>();
  readonly groups = input.required<readonly ChoiceGroup[]>();
  readonly chosen = input.required<string>();
  readonly chosenChange = output<string>();
  /** Enter: the choice stands, and what comes next may come. */
  readonly taken = output();

  /** The choice may be named before it is there. */
  protected readonly present = computed(() =>
    this.groups().some((g) => g.choices.some((c) => c.id === this.chosen())) ? [this.chosen()] : [],
  );

  constructor() {
    // Asked for the focus while it was still empty, the list has it itself: what comes into it takes it over.
    afterRenderEffect(() => {
      const options = this.options();
      const list = this.host.nativeElement.firstElementChild;
      if (!options.length || document.activeElement !== list) return;
      (options.find((o) => o.value === this.chosen()) ?? options[0])?.focus();
    });
  }

  /** The list itself is given the focus and hands it to its choice: then the arrows go on from there. */
  focus() {
    this.listbox().focus();
  }
  protected choose(id: string) {
    if (id !== this.chosen()) this.chosenChange.emit(id);
  }
  protected take(e: Event) {
    e.preventDefault();
    e.stopPropagation();
    this.taken.emit();
  }
}
