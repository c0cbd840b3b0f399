import { heldChords } from '../chart/index.js';
import { readChord } from '../chord/index.js';
import { barBegin } from '../cycle/index.js';
import type { DataFault } from '../fault/index.js';
import { namesHeld, type ReadFalseta, readFalseta } from '../falseta/index.js';
import { OPEN_SHAPE, type Shape } from '../left-hand/index.js';
import { isFault, type Section, type Study, textsWithBars } from '../piece/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import { LEAST_STRINGS } from '../solve/voicings/index.js';
import { shapeRow } from '../solve/shape-row/index.js';
import { wrap } from '../time/index.js';

/** A falseta as it was told, and the section with it. */
export interface ToldFalseta {
  readonly read: ReadFalseta;
  /** The section's texts with it from the bar on, or why they can't be; null where nothing was told, or not rightly. */
  readonly texts: Pick<Section, 'script' | 'chart' | 'bars'> | DataFault | null;
  /** Shapes for symbols that the study has none for. */
  readonly shapes: readonly Pick<Shape, 'name' | 'frets' | 'fingers'>[];
}
/**
 * Reads a falseta for a section from a bar on. A symbol that it holds and the study has no shape for gets one by least
 * movement.
 * @param bar counted from 0
 */
export function toldFalseta(
  study: Study,
  section: Section,
  profile: HandProfile,
  bar: number,
  text: string,
): ToldFalseta {
  const names = namesHeld(text);
  const has = new Map(study.shapes.map((s) => [s.name, s]));
  const symbols = names.filter((n) => has.has(n) || readChord(n).ok);
  const shapes = symbols.every((n) => has.has(n)) ? [] : found(symbols, has, study, profile);
  const held = heldChords(section, study.shapes);
  const begin = barBegin(section.cycle, bar);
  const length = held.at(-1)?.until ?? 0;
  const read = readFalseta(text, {
    cycle: section.cycle,
    stepsPerCount: section.stepsPerCount,
    bar,
    shapes: [...study.shapes, ...shapes.map((s) => ({ ...OPEN_SHAPE, ...s }))],
    ...(length === 0
      ? {}
      : {
          under: (at: number) => {
            const here = wrap(begin + at, length);
            return held.find((c) => here >= c.at && here < c.until)?.shape ?? OPEN_SHAPE;
          },
        }),
  });
  const whole = read.faults.length === 0 && read.bars > 0;
  const texts = whole ? textsWithBars(section, study, bar, read) : null;
  return { read, texts, shapes: texts && !isFault(texts) ? shapes : [] };
}
function found(
  chords: readonly string[],
  has: ReadonlyMap<string, Shape>,
  { instrument }: Study,
  profile: HandProfile,
): Pick<Shape, 'name' | 'frets' | 'fingers'>[] {
  const row = shapeRow({
    chords,
    given: Object.fromEntries(chords.flatMap((c) => (has.has(c) ? [[c, has.get(c)!] as const] : []))),
    tuning: instrument.tuning,
    neck: neckOf(profile, instrument.capo),
    profile,
    round: true,
    atLeast: LEAST_STRINGS,
    bass: 'root',
    k: 1,
  });
  if (row.infeasible) return [];
  return chords.flatMap((name, i) => {
    const held = row.answers[0]?.shapes[i];
    return held && !has.has(name) ? [{ name, frets: held.frets, fingers: held.fingers }] : [];
  });
}
