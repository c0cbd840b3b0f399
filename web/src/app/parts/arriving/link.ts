import { LONGEST_LINK, STUDY_IN } from './link-bounds';

const letters = (bytes: Uint8Array): string =>
  btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''))
    .replace(/\+/g, '-')
    .replace(/\//g, '_')
    .replace(/=+$/, '');
const bytesOf = (text: string): Uint8Array =>
  Uint8Array.from(atob(text.replace(/-/g, '+').replace(/_/g, '/')), (c) => c.charCodeAt(0));

/**
 * A study as the end of an address, which no server gets to see.
 * @param file as a study is exported
 * @returns the whole address, or how many letters it would have where they are too many
 */
export async function linkOf(file: Blob, origin: string): Promise<string | number> {
  const { deflateSync, strToU8 } = await import('fflate');
  const text = JSON.stringify(JSON.parse(await file.text()));
  const link = `${origin}/${STUDY_IN}${letters(deflateSync(strToU8(text), { level: 9 }))}`;
  return link.length > LONGEST_LINK ? link.length : link;
}
/**
 * The file that stands in the end of an address.
 * @throws where it is cut, too long, or none
 */
export async function fileOfLink(hash: string): Promise<Blob> {
  if (!hash.startsWith(STUDY_IN) || hash === STUDY_IN || hash.length > LONGEST_LINK)
    throw new Error('no study in the link');
  const { inflateSync } = await import('fflate');
  return new Blob([inflateSync(bytesOf(hash.slice(STUDY_IN.length)))], { type: 'application/json' });
}
