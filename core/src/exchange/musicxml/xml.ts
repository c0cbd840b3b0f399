import { XMLBuilder } from 'fast-xml-parser';

/** An element in the order in which it is written. */
export type Xml = { readonly [name: string]: unknown };
type Attributes = Readonly<Record<string, string | number>>;
const ATTRIBUTE = '@_';

/**
 * An element with its children, or its text.
 */
export function el(name: string, inside: readonly Xml[] | string | number = [], attributes?: Attributes): Xml {
  const children = typeof inside === 'string' || typeof inside === 'number' ? [{ '#text': String(inside) }] : inside;
  if (!attributes) return { [name]: children };
  const own = Object.fromEntries(Object.entries(attributes).map(([key, value]) => [ATTRIBUTE + key, String(value)]));
  return { [name]: children, ':@': own };
}
/** Control characters and halves of pairs, which no XML file may contain. */
const FORBIDDEN = /(?![\t\n\r])\p{Cc}|\p{Cs}|[\ufffe\uffff]/gu;
/** The text of a file; what it may not contain is left out. */
export const printXml = (root: Xml): string => {
  const builder = new XMLBuilder({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: ATTRIBUTE,
    suppressEmptyNode: true,
    format: true,
    indentBy: ' ',
  });
  const text = builder.build([root]);
  return `<?xml version="1.0" encoding="UTF-8"?>${text.startsWith('\n') ? '' : '\n'}${text.replace(FORBIDDEN, '')}\n`;
};
