/** An element in the order in which it is written. */
export interface Xml {
  readonly name: string;
  readonly inside: readonly Xml[] | string;
  readonly attributes: string;
}
type Attributes = Readonly<Record<string, string | number>>;

/** An element with its children, or its text. */
export function el(name: string, inside: readonly Xml[] | string | number = [], attributes?: Attributes): Xml {
  let own = '';
  if (attributes) for (const key of Object.keys(attributes)) own += ` ${key}="${escaped(String(attributes[key]))}"`;
  return { name, inside: typeof inside === 'number' ? String(inside) : inside, attributes: own };
}
const fixed = new Map<string, Map<string | number, Xml>>();
/** An element of few texts, such as a string or a voice: the same one for the same text. */
export function plain(name: string, text: string | number): Xml {
  let own = fixed.get(name);
  if (!own) fixed.set(name, (own = new Map<string | number, Xml>()));
  const there = own.get(text) ?? el(name, text);
  own.set(text, there);
  return there;
}
const SIGN: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
/** Control characters and halves of pairs, which no XML file may contain. */
const FORBIDDEN = /(?![\t\n\r])\p{Cc}|\p{Cs}|[\ufffe\uffff]/gu;
const escaped = (text: string): string =>
  /^[\w .+-]*$/.test(text) ? text : text.replace(FORBIDDEN, '').replace(/[&<>"]/g, (s) => SIGN[s] ?? s);

/**
 * The text of a file. A score of two hundred bars has a hundred thousand elements: a library that prints any tree took
 * twice the time that there is for all of it.
 */
export function printXml(root: Xml): string {
  const parts = ['<?xml version="1.0" encoding="UTF-8"?>\n'];
  // The same element stands in many places: it is printed once.
  const known = new WeakMap<Xml, string>();
  const leaf = (own: Xml): string => {
    const there = known.get(own);
    if (there !== undefined) return there;
    const { name, inside, attributes } = own;
    const text =
      inside.length === 0
        ? `<${name}${attributes}/>\n`
        : `<${name}${attributes}>${escaped(inside as string)}</${name}>\n`;
    known.set(own, text);
    return text;
  };
  const print = (own: Xml) => {
    const { name, inside, attributes } = own;
    if (inside.length === 0 || typeof inside === 'string') {
      parts.push(leaf(own));
      return;
    }
    parts.push(`<${name}${attributes}>\n`);
    for (const child of inside) print(child);
    parts.push(`</${name}>\n`);
  };
  print(root);
  return parts.join('');
}
