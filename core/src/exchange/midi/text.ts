import { strFromU8, strToU8 } from 'fflate';

/** Part of every engine that runs this, whatever else it has. */
declare const TextDecoder: new (label: string, options: { fatal: boolean }) => { decode(bytes: Uint8Array): string };

/**
 * A text as its bytes in UTF-8, a letter a byte: the format keeps bytes, and the library writes each letter as one.
 * @example toMidiText('B♭').length // 4
 */
export const toMidiText = (text: string): string => strFromU8(strToU8(text), true);
/**
 * A text as the library reads it, a letter a byte: UTF-8 where it is that, else the letters of old files, one a byte.
 * @example fromMidiText(toMidiText('Ñandú ♭')) // 'Ñandú ♭'
 */
export function fromMidiText(text: string): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(strToU8(text, true));
  } catch {
    return text;
  }
}
