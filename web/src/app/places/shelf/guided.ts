import { afterNextRender, ElementRef, inject, Injector } from '@angular/core';

/**
 * For what leads a player through steps with the hands on the keys; called where such a guide is made.
 * @returns brings the focus to what the present step asks for, once it is drawn
 */
export function focusOnStep(): () => void {
  const injector = inject(Injector);
  const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  return () =>
    void afterNextRender(
      () => {
        host.scrollIntoView({ block: 'nearest' });
        host.querySelector<HTMLElement>('[data-step]')?.focus({ preventScroll: true });
      },
      { injector },
    );
}
/** Letters alone answer a guide: Space, digits and the rest go on meaning what they mean elsewhere. */
export const isLetter = (e: KeyboardEvent): boolean => !e.ctrlKey && !e.metaKey && !e.altKey && /^[a-z]$/i.test(e.key);
