import { jsPDF } from 'jspdf';
import 'svg2pdf.js';
import sansUrl from '@fontsource/alegreya-sans/files/alegreya-sans-latin-400-normal.woff';
import sansBoldUrl from '@fontsource/alegreya-sans/files/alegreya-sans-latin-700-normal.woff';
import serifBoldUrl from '@fontsource/alegreya/files/alegreya-latin-700-normal.woff';
import { sfntOf } from './sfnt';

export type Format = 'a4' | 'letter';
export const MARGIN = 13;
/** Families as drawings name them. */
export const SANS = 'Alegreya Sans';
export const SERIF = 'Alegreya';

const binary = (bytes: Uint8Array): string => {
  let text = '';
  for (let n = 0; n < bytes.length; n += 8_192) text += String.fromCharCode(...bytes.subarray(n, n + 8_192));
  return btoa(text);
};
const file = async (url: string) => new Uint8Array(await (await fetch(url)).arrayBuffer());

/** A document with the product's own fonts in it; measures in millimetres. */
export async function paper(format: Format, title: string): Promise<jsPDF> {
  const doc = new jsPDF({ unit: 'mm', format, compress: true, putOnlyUsedFonts: true });
  doc.setProperties({ title, creator: 'Ruffle Wheel' });
  const fonts = [
    [sansUrl, SANS, 'normal'],
    [sansBoldUrl, SANS, 'bold'],
    [serifBoldUrl, SERIF, 'bold'],
  ] as const;
  for (const [url, family, style] of fonts) {
    const name = `${family}-${style}.ttf`;
    doc.addFileToVFS(name, binary(sfntOf(await file(url))));
    doc.addFont(name, family, style);
  }
  // A weight that is not there is the one that is.
  doc.addFont(`${SERIF}-bold.ttf`, SERIF, 'normal');
  return doc;
}
/**
 * Pages by number, where there are several.
 * @param foot what stands at the foot of every page
 */
export function numberPages(doc: jsPDF, foot = '') {
  const pages = doc.getNumberOfPages();
  const { width, height } = doc.internal.pageSize;
  for (let n = 1; foot !== '' && n <= pages; n++) {
    doc.setPage(n).setFont(SANS, 'normal').setFontSize(9).setTextColor('#241c18');
    doc.text(foot, MARGIN, height - 6, { maxWidth: width - 2 * MARGIN - 20 });
  }
  for (let n = 1; pages > 1 && n <= pages; n++) {
    doc.setPage(n).setFont(SANS, 'normal').setFontSize(9).setTextColor('#241c18');
    doc.text(`${n} / ${pages}`, width - MARGIN, height - 6, { align: 'right' });
  }
}
