import { strToU8 } from 'fflate';
import type { Study } from '../../piece/index.js';
import type { HandProfile } from '../../player/index.js';
import { lossesOf } from '../written/losses.js';
import { type MidiNames, midiBytes } from '../midi/out.js';
import { type FileFormat, SCORE_FORMATS } from '../written/formats.js';
import type { Format, Loss } from '../written/model.js';
import { compressedMusicXml, musicXml } from '../musicxml/out.js';
import { type Scope, writtenSections } from '../written/scope.js';
import { wordLosses } from '../written/sung.js';

export type { FileFormat };
/** Endings and media types of these, by format. */
export const FILE_TYPES: Readonly<Record<FileFormat, { readonly ending: string; readonly type: string }>> =
  SCORE_FORMATS;
/**
 * A study, or part of it, as a file.
 * @param names what the tracks of a MIDI file are called
 * @returns no bytes where nothing is to be written
 */
export function scoreFile(
  study: Study,
  profile: HandProfile,
  scope: Scope,
  format: FileFormat,
  names: MidiNames,
): Uint8Array {
  if (format === 'midi') return midiBytes(study, profile, scope, names);
  const text = musicXml(study, profile, scope);
  return text === '' ? new Uint8Array() : format === 'musicxml' ? strToU8(text) : compressedMusicXml(text);
}
/** What a study, or part of it, loses in a format, its sections taken together. */
export function scopeLosses(study: Study, profile: HandProfile, scope: Scope, format: Format): Loss[] {
  const sums = new Map<Loss['code'], number>();
  for (const { score, from, to, bars } of writtenSections(study, profile, scope, 'score')) {
    for (const { code, about } of [...lossesOf(score, format, from, to), ...wordLosses(bars, format)])
      sums.set(code, (sums.get(code) ?? 0) + Number(about[0]));
  }
  return [...sums].map(([code, n]) => ({ code, about: [n] }));
}
