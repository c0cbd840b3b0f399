import type { FormItem } from './form.js';

/** What stands at the edges of a section as a form has it first. */
export interface FormSigns {
  /** A repeat begins with it. */
  readonly opens: boolean;
  /** With its end it goes back: so often all of it is played; null where it goes on. */
  readonly closes: number | null;
  /** It is an ending, or part of one, of these passes; null where it is none. */
  readonly ending: readonly number[] | null;
  /** The piece ends with it. */
  readonly ends: boolean;
}

/**
 * The signs of a section where the form has it first; null where it never comes.
 * @example formSigns(readForm('{A}x2', [{ id: 'a', name: 'A' }]).items, 'a') // { opens: true, closes: 2, ending: null, ends: true }
 */
export function formSigns(items: readonly FormItem[], section: string): FormSigns | null {
  return signsIn(items, section, { opens: false, closes: null, ending: null, ends: true });
}
function signsIn(items: readonly FormItem[], section: string, around: FormSigns): FormSigns | null {
  for (const [n, item] of items.entries()) {
    const [first, last] = [n === 0, n === items.length - 1];
    const here: FormSigns = {
      opens: around.opens && first,
      closes: last ? around.closes : null,
      ending: around.ending,
      ends: around.ends && last,
    };
    if (item.kind === 'section') {
      if (item.section === section) return here;
      continue;
    }
    if (item.kind === 'repeat') {
      const again = item.times > 1;
      const own = { ...here, opens: here.opens || again, closes: again ? item.times : here.closes };
      const found = signsIn(item.items, section, own);
      if (found) return found;
      continue;
    }
    const times = around.closes ?? 1;
    const found = signsIn(item.items, section, {
      ...here,
      opens: false,
      // After the last pass it goes on.
      closes: item.passes.some((pass) => pass < times) ? times : null,
      ending: item.passes,
      ends: around.ends && item.passes.includes(times) && items.slice(n + 1).every((i) => i.kind === 'ending'),
    });
    if (found) return found;
  }
  return null;
}
