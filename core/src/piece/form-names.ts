import { FORM_TOKEN, formName } from './form.js';

/** The form with one section's name in place of another. */
export function renameInForm(form: string, before: string, after: string): string {
  const places = [...form.matchAll(FORM_TOKEN)].filter(([whole, inQuotes]) =>
    inQuotes === undefined ? whole === before : inQuotes.replace(/""/g, '"').trim() === before,
  );
  return places.reduceRight(
    (text, m) => text.slice(0, m.index) + formName(after) + text.slice(m.index + m[0].length),
    form,
  );
}

/** The form with another section after one, wherever it comes. */
export function followInForm(form: string, name: string, added: string): string {
  return placesOf(form)
    .filter((p) => p.name === name)
    .reduceRight((text, p) => `${text.slice(0, p.to)} ${formName(added)}${text.slice(p.to)}`, form);
}
/**
 * The form without a section that always follows another.
 * @returns null where one of the two comes without the other
 */
export function mergeInForm(form: string, first: string, second: string): string | null {
  const places = placesOf(form);
  let text = form;
  for (let n = places.length - 1; n >= 0; n--) {
    const [own, next] = [places[n], places[n + 1]];
    if (own?.name === second) {
      const before = places[n - 1];
      if (before?.name !== first || /[{}[\]]/.test(form.slice(before.to, own.from))) return null;
      text = text.slice(0, before.to) + text.slice(own.to);
    } else if (own?.name === first && next?.name !== second) return null;
  }
  return text;
}
/** Names in a form, in their places; the numbers of endings are none. */
function placesOf(form: string): { readonly name: string; readonly from: number; readonly to: number }[] {
  let ending = false;
  return [...form.matchAll(FORM_TOKEN)].flatMap((m) => {
    const [whole, inQuotes] = m;
    const number = ending;
    ending = whole === '[';
    if (/^[{[\]}]/.test(whole) || (number && inQuotes === undefined)) return [];
    const name = inQuotes === undefined ? whole : inQuotes.replace(/""/g, '"').trim();
    return [{ name, from: m.index, to: m.index + whole.length }];
  });
}
