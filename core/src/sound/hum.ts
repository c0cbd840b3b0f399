import { heldInTurn } from '../chart/index.js';
import { readChord } from '../chord/index.js';
import { cycleLength } from '../cycle/index.js';
import { type Instrument, openPitch } from '../instrument/index.js';
import type { Shape } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { type Midi, midi, STRINGS, type Ticks } from '../time/index.js';
import { type Felt, feltAt } from './feel.js';
import type { DroneSound } from './plan-model.js';

/** The lowest root that is hummed. */
const LOWEST: Midi = midi(45);
const PERFECT_FIFTH = 7;
/** The root of what a chart calls, with its fifth where that is perfect; of a shape without a symbol its lowest note. */
function hummed(name: string, shape: Shape, { tuning, capo }: Instrument): Midi[] {
  const read = readChord(shape.chord ?? name);
  const lowest = STRINGS.findIndex((_, n) => shape.frets[n] !== null);
  const string = STRINGS[lowest];
  if (!read.ok && string === undefined) return [];
  const sounding = string === undefined ? 0 : openPitch(tuning, string, capo) + (shape.frets[lowest] ?? 0);
  const root = read.ok ? read.chord.root : sounding;
  const low = LOWEST + ((((root - LOWEST) % 12) + 12) % 12);
  const fifth = !read.ok || read.chord.tones.some((t) => t.interval === '5P');
  return fifth ? [midi(low), midi(low + PERFECT_FIFTH)] : [midi(low)];
}
/** The chords of a section as they are hummed, from change to change. */
export function dronesUntil(
  section: Felt & Pick<Section, 'chart'>,
  { shapes, instrument }: { readonly shapes: readonly Shape[]; readonly instrument: Instrument },
  length: Ticks,
): DroneSound[] {
  if (section.chart.trim() === '') return [];
  const turn = cycleLength(section.cycle);
  const found: DroneSound[] = [];
  for (let n = 0; n * turn < length; n++)
    for (const { from, name, shape } of heldInTurn(section, shapes, n)) {
      const at = n * turn + from;
      if (at < length)
        found.push({ kind: 'drone', at: feltAt(at, length, section), tones: hummed(name, shape, instrument) });
    }
  return found.filter((d, n) => n === 0 || String(d.tones) !== String(found[n - 1]?.tones));
}
