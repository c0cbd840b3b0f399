import type { AccentCycle } from '../../cycle/index.js';
import type { Fact } from '../../fault/index.js';
import type { TablatureRefusal } from '../../script/index.js';
import { type ImportSetting, importMusic } from '../foreign/import.js';
import {
  type ForeignMusic,
  type ImportedPiece,
  type ImportRefusal,
  isRefused,
  type Refused,
} from '../foreign/model.js';
import { readMidi } from '../midi/in.js';
import { decoded, isZip } from '../musicxml/door.js';
import { readMusicXml } from '../musicxml/in.js';
import { importTablature } from './tablature-in.js';

export interface FileSetting extends ImportSetting {
  /** What bars of tablature are laid on, which names no cycle. */
  readonly cycle: AccentCycle;
  /** Which part or track, as the last reading listed them. */
  readonly part?: number;
}
/** What kind of file it was. */
export type ImportKind = 'musicxml' | 'midi' | 'tablature';
export type ImportedFile = ImportedPiece & { readonly kind: ImportKind };
export type FileImport = ImportedFile | { readonly refusal: Fact<ImportRefusal | TablatureRefusal> };

/**
 * A score file as it will come in: MusicXML, plain or compressed, Standard MIDI, or tablature as text – told apart by what
 * is in it, whatever it is called.
 */
export function importFile(bytes: Uint8Array, setting: FileSetting): FileImport {
  const begins = String.fromCharCode(...bytes.subarray(0, 4));
  if (begins === 'MThd') return made('midi', readMidi(bytes, setting.part), setting);
  if (isZip(bytes)) return made('musicxml', readMusicXml(bytes, setting.part), setting);
  const text = decoded(bytes);
  if (typeof text !== 'string') return text;
  if (text.trim() === '') return { refusal: { code: 'file empty', about: [] } };
  if (/^\s*</.test(text)) return made('musicxml', readMusicXml(bytes, setting.part), setting);
  // What is no text at all is no tablature either.
  if (text.includes('\u0000') || /^\s*[{[]/.test(text)) return { refusal: { code: 'no such file', about: [] } };
  return as('tablature', importTablature(text, setting.cycle, setting));
}
const made = (kind: ImportKind, music: ForeignMusic | Refused, setting: FileSetting): FileImport =>
  isRefused(music) ? music : as(kind, importMusic(music, setting));
const as = (kind: ImportKind, piece: ImportedPiece | Exclude<FileImport, ImportedFile>): FileImport =>
  'refusal' in piece ? piece : { ...piece, kind };
