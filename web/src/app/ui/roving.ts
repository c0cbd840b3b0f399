import { FocusKeyManager, type FocusableOption } from '@angular/cdk/a11y';
import {
  type AfterContentInit,
  contentChildren,
  Directive,
  ElementRef,
  inject,
  Injector,
  input,
  type OnDestroy,
} from '@angular/core';

/** One of the things in a roving group. */
@Directive({
  selector: '[appRovingItem]',
  host: { '(focus)': 'group.took(this)', '[attr.tabindex]': 'group.indexOf(this)' },
})
export class RovingItem implements FocusableOption {
  protected readonly group = inject(RovingGroup);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  focus() {
    this.element.focus();
  }
}

/** Many buttons that are one stop for Tab: the arrow keys go from one to the next, Home and End to the ends. */
@Directive({ selector: '[appRoving]', host: { '(keydown)': 'pressed($event)' } })
export class RovingGroup implements AfterContentInit, OnDestroy {
  /** Which arrows lead on: 'across' takes all four, 'down' leaves left and right to the items themselves. */
  readonly appRoving = input<'across' | 'down' | ''>('across');
  private readonly items = contentChildren(RovingItem, { descendants: true });
  private readonly injector = inject(Injector);
  private keys: FocusKeyManager<RovingItem> | null = null;

  ngAfterContentInit() {
    this.keys = new FocusKeyManager(this.items, this.injector).withWrap().withHomeAndEnd().withVerticalOrientation();
    if (this.appRoving() !== 'down') this.keys.withHorizontalOrientation('ltr');
  }
  ngOnDestroy() {
    this.keys?.destroy();
  }
  took(item: RovingItem) {
    this.keys?.updateActiveItem(item);
  }
  /** 0 for the one that Tab reaches, -1 for the others. */
  indexOf(item: RovingItem): number {
    const active = this.keys?.activeItem ?? this.items()[0];
    return item === (this.items().includes(active as RovingItem) ? active : this.items()[0]) ? 0 : -1;
  }
  protected pressed(e: KeyboardEvent) {
    const before = this.keys?.activeItemIndex;
    this.keys?.onKeydown(e);
    if (e.defaultPrevented || before !== this.keys?.activeItemIndex) e.stopPropagation();
  }
}
