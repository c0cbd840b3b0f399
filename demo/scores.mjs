// The demo pieces as score files, for whoever wants to try another reader.
import { mkdirSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { DEFAULT_PROFILE, MIDI_TRACKS } from '../core/dist/index.js';
import { FILE_TYPES, scoreFile } from '../core/dist/exchange/files/index.js';
import { studies } from './studies.mjs';

export const FOLDER = new URL('../docs/scores/', import.meta.url);
/** Every demo piece in every format: a name and its bytes. */
export const scores = () =>
  studies.flatMap((study) =>
    ['compressed musicxml', 'midi'].map((format) => ({
      name: `${study.name.toLowerCase().replace(/\W+/g, '-')}.${FILE_TYPES[format].ending}`,
      bytes: scoreFile(study, DEFAULT_PROFILE, { kind: 'form' }, format, MIDI_TRACKS),
    })),
  );
if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  mkdirSync(FOLDER, { recursive: true });
  for (const { name, bytes } of scores()) writeFileSync(new URL(name, FOLDER), bytes);
}
