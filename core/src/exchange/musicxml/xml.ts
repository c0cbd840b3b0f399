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
  let text = '<?xml version="1.0" encoding="UTF-8"?>\n';
  const print = ({ name, inside, attributes }: Xml) => {
    if (inside.length === 0) text += `<${name}${attributes}/>\n`;
    else if (typeof inside === 'string') text += `<${name}${attributes}>${escaped(inside)}</${name}>\n`;
    else {
      text += `<${name}${attributes}>\n`;
      for (const child of inside) print(child);
      text += `</${name}>\n`;
    }
  };
  print(root);
  return text;
}
