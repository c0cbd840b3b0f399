import type { FormItem } from '../../piece/index.js';

/** A section where it stands in a form that is written with signs of repetition. */
export interface FormPlace {
  readonly section: string;
  /** A repeat begins with it. */
  readonly opens: boolean;
  /** With its end it goes back: so often all of it is played; null where it goes on. */
  readonly closes: number | null;
  /** It belongs to an ending of these passes, and begins it, or is its last; null where it is in none. */
  readonly ending: { readonly passes: readonly number[]; readonly first: boolean; readonly last: boolean } | null;
}
const plain = (section: string): FormPlace => ({ section, opens: false, closes: null, ending: null });

/**
 * A form as scores write it: repeats and endings as signs where every reader takes them alike, written out where not – a
 * repeat in a repeat, an ending in the middle, passes without an ending.
 * @example formLine(readForm('{A}x2', [{ id: 'a', name: 'A' }]).items) // [{ section: 'a', opens: true, closes: 2, ending: null }]
 */
export function formLine(items: readonly FormItem[]): FormPlace[] {
  return items.flatMap((item): FormPlace[] => {
    if (item.kind === 'section') return [plain(item.section)];
    if (item.kind === 'repeat' && item.times > 1) {
      const signed = withSigns(item.items, item.times);
      if (signed) return signed;
    }
    return played([item], 1).map(plain);
  });
}
/** Sections in the order in which one pass plays them. */
function played(items: readonly FormItem[], pass: number): string[] {
  return items.flatMap((item): string[] => {
    if (item.kind === 'section') return [item.section];
    if (item.kind === 'ending') return item.passes.includes(pass) ? played(item.items, pass) : [];
    return Array.from({ length: item.times }, (_, n) => played(item.items, n + 1)).flat();
  });
}
const sectionsOf = (items: readonly FormItem[]): string[] | null =>
  items.every((i) => i.kind === 'section') ? items.map((i) => i.section) : null;

function withSigns(items: readonly FormItem[], times: number): FormPlace[] | null {
  const cut = items.findIndex((i) => i.kind === 'ending');
  const head = sectionsOf(cut < 0 ? items : items.slice(0, cut));
  if (!head || head.length === 0) return null;
  const endings = (cut < 0 ? [] : items.slice(cut)).map((e) =>
    e.kind === 'ending' ? { passes: e.passes, own: sectionsOf(e.items) } : null,
  );
  const places: FormPlace[] = head.map((section, n) => ({
    ...plain(section),
    opens: n === 0,
    closes: endings.length === 0 && n === head.length - 1 ? times : null,
  }));
  // Each pass has its ending, the first one’s first.
  const passes = endings.flatMap((e) => e?.passes ?? []);
  if (endings.length > 0 && (passes.length !== times || passes.some((p, n) => p !== n + 1))) return null;
  for (const ending of endings) {
    if (!ending?.own?.length) return null;
    const { passes: own } = ending;
    ending.own.forEach((section, n, all) => {
      const last = n === all.length - 1;
      // After the last pass it goes on.
      const back = last && own.some((p) => p < times);
      places.push({ ...plain(section), closes: back ? times : null, ending: { passes: own, first: n === 0, last } });
    });
  }
  return places;
}
