import type { AccentCycle } from '../../cycle/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { readStudyRow } from '../../format/index.js';
import { MOST_SECTIONS } from '../../piece/index.js';
import type { TablatureRefusal } from '../../script/index.js';
import { type ImportSetting, importMusic } from '../foreign/import.js';
import {
  type ForeignMusic,
  type ImportedPiece,
  type ImportedSection,
  type ImportRefusal,
  isRefused,
  type Refused,
  type Stretch,
} from '../foreign/model.js';
import { importedStudy, importRefusal } from '../foreign/take.js';
import { readMidi } from '../midi/in.js';
import { decoded, isZip } from '../musicxml/door.js';
import { readMusicXml } from '../musicxml/in.js';
import { importTablature } from './tablature-in.js';

export interface FileSetting extends ImportSetting {
  /** What bars of tablature are laid on, which names no cycle. */
  readonly cycle: AccentCycle;
  /** Which part or track, as the last reading listed them. */
  readonly part?: number;
  /** Which stretch of a piece that is too long for one study; default: the first. */
  readonly stretch?: number;
}
/** What kind of file it was. */
export type ImportKind = 'musicxml' | 'midi' | 'tablature';
export type ImportedFile = ImportedPiece & {
  readonly kind: ImportKind;
  /** Stretches to choose among, and the one that was taken; none where one study holds it all. */
  readonly stretches: readonly Stretch[];
  readonly stretch: number;
};
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
  if (text.includes('\u0000')) return { refusal: { code: 'no such file', about: [] } };
  const tablature = importTablature(text, setting.cycle, setting);
  // A study of this program, or a list of another, has come to the wrong door.
  const data = 'refusal' in tablature && tablature.refusal.code === 'no six lines' && /^\s*[{[]/.test(text);
  return data ? { refusal: { code: 'no such file', about: [] } } : as('tablature', tablature, setting);
}
const made = (kind: ImportKind, music: ForeignMusic | Refused, setting: FileSetting): FileImport =>
  isRefused(music) ? music : as(kind, importMusic(music, setting), setting);
function as(
  kind: ImportKind,
  piece: ImportedPiece | Exclude<FileImport, ImportedFile>,
  { stretch = 0 }: FileSetting,
): FileImport {
  if ('refusal' in piece) return piece;
  const stretches = stretchesOf(piece.sections);
  const own = stretches[stretch];
  if (stretches.length > 0 && !own) return { refusal: fact('no such part', stretches.length) };
  const taken: ImportedPiece = own
    ? {
        ...piece,
        sections: piece.sections.slice(own.from - 1, own.to),
        form: '',
        notes: piece.form === '' ? piece.notes : [...piece.notes, fact('repeats not read')],
      }
    : piece;
  const fault = faultOf(taken);
  if (fault) return { refusal: fact('not to be kept', fault) };
  return { ...taken, kind, stretches, stretch: own ? stretch : 0 };
}
/** As many sections as a study holds, again and again; none where one study holds them all. */
function stretchesOf(sections: readonly ImportedSection[]): Stretch[] {
  const n = Math.ceil(sections.length / MOST_SECTIONS);
  if (n < 2) return [];
  return Array.from({ length: n }, (_, i) => {
    const [from, to] = [i * MOST_SECTIONS, Math.min(sections.length, (i + 1) * MOST_SECTIONS)];
    return { from: from + 1, to, first: sections[from]?.name ?? '', last: sections[to - 1]?.name ?? '' };
  });
}
/** The limit that a study of the piece would break, by its place; asked before anything is offered. */
function faultOf(piece: ImportedPiece): string | null {
  let id = 0;
  const newId = () => `i${id++}`;
  const refusal = importRefusal(piece, newId);
  if (refusal) return refusal.path;
  const read = readStudyRow(importedStudy(piece, 'A', newId));
  return read.ok ? null : (read.faults[0]?.path ?? '');
}
