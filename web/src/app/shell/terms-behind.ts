import { DestroyRef, type EnvironmentInjector } from '@angular/core';
import { Letters } from '../parts/letters/letters';
import { Notice } from '../ui/notice';
import { glossary } from '../words/glossary';

/** Where text is the player's own, or is worked on, a double click means something else. */
const WORKED_ON = 'input, textarea, [contenteditable], [data-own], code';

/**
 * The term that a chosen word is, in one or in several.
 * @example termOf(' Joints, ')?.[0] // 'joint'
 */
export function termOf(chosen: string): readonly [term: string, meaning: string, script: string] | undefined {
  const word = chosen
    .trim()
    .replace(/[.,:;()?!]+$/, '')
    .toLowerCase();
  return word === '' ? undefined : glossary.terms.find(([t]) => [t, `${t}s`, `${t}es`].includes(word));
}

/** What a term of the page means is told where it is double-clicked; the list of all has those that sound. */
export function tellTerms(injector: EnvironmentInjector): void {
  const [notice, letters] = [injector.get(Notice), injector.get(Letters)];
  const tell = (e: MouseEvent) => {
    if (!(e.target instanceof Element) || e.target.closest(WORKED_ON)) return;
    const term = termOf(getSelection()?.toString() ?? '');
    if (term) notice.act(glossary.told(term[0], term[1]), glossary.all, () => void letters.show());
  };
  document.addEventListener('dblclick', tell);
  injector.get(DestroyRef).onDestroy(() => document.removeEventListener('dblclick', tell));
}
