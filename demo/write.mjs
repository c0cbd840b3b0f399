// Writes the demo data as an exported file and reads it back through the door that players' files go through.
import { mkdirSync, writeFileSync } from 'node:fs';
import { unrollForm, parseScript, readNames, sayFault } from '../core/dist/index.js';
import { readFile, writeEverything } from '../core/dist/format/index.js';
import { cells, cycles, logOf, profiles } from './players.mjs';
import { studies } from './studies.mjs';

const text = writeEverything({ studies, log: logOf(studies), profiles, cycles, cells });
const reading = readFile(text);
const faults = reading.ok ? [] : [reading.message, ...reading.faults.map((f) => `${f.path}: ${f.message}`)];
for (const s of studies)
  for (const section of s.sections)
    for (const f of parseScript(section.script, section).faults)
      faults.push(`${s.name}, ${section.name}: ${sayFault(f)}`);
for (const s of studies) {
  for (const f of unrollForm(s).faults) faults.push(`${s.name}, form: ${sayFault(f)}`);
  for (const section of s.sections) {
    const { chartFaults, wanting } = readNames(section, s.shapes);
    for (const f of chartFaults) faults.push(`${s.name}, ${section.name}, chart: ${sayFault(f)}`);
    for (const name of wanting) faults.push(`${s.name}, ${section.name}: ${name} has no shape.`);
  }
}
if (faults.length) {
  console.error(`The demo data is faulty:\n${faults.join('\n')}`);
  process.exit(1);
}
const folder = new URL('../web/public/demo/', import.meta.url);
mkdirSync(folder, { recursive: true });
writeFileSync(new URL('residency.json', folder), text);
