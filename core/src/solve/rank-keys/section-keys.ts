import { chartOf, type HeldChord, heldChords, printChart } from '../../chart/index.js';
import { readChord, transposeChord } from '../../chord/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { lastFret } from '../../instrument/index.js';
import type { Shape } from '../../left-hand/index.js';
import { keepTrial, type Section, type Study, type Trial } from '../../piece/index.js';
import { type HandProfile, neckOf } from '../../player/index.js';
import { scoreOf } from '../../score/index.js';
import { mapLeaves, parseScript, printScript } from '../../script/index.js';
import { hasMarkAnywhere, marksThat, type Step, type Stop } from '../../stroke/index.js';
import { bpm } from '../../time/index.js';
import { type FretEvent, fretSchool } from '../fret-line/index.js';
import { shapeRow } from '../shape-row/index.js';
import type { KeyRequest, RankedKey } from './rank-keys.js';

/** Why a section can't be moved into another key. */
export type SectionKeyRefusal =
  | 'nothing to move'
  | 'harmonic stays'
  | 'name is no symbol'
  | 'fret below the nut'
  | 'fret beyond the neck'
  | 'no shapes in that key';
/** Chords, or strokes with frets of their own, that are weighed: as many as a long section has. */
const MOST_EVENTS = 1_000;
const symbolOf = (shape: Shape | null, name: string): string => shape?.chord ?? name;

/**
 * What of a section is weighed in other keys: its chords one after another; where strokes bring frets of their own,
 * these notes.
 */
export function sectionKeys(
  section: Section,
  study: Study,
  profile: HandProfile,
): KeyRequest | Fact<SectionKeyRefusal> {
  const { tuning, capo } = study.instrument;
  const held = heldChords(section, study.shapes).filter((c) => c.name !== '');
  const chords = held.map((c) => ({ ...c, symbol: symbolOf(c.shape, c.name) }));
  const unread = chords.find((c) => !readChord(c.symbol).ok);
  if (unread) return fact('name is no symbol', unread.name);
  const events: FretEvent[] = chords.length
    ? chords.slice(0, MOST_EVENTS).map((c) => ({ at: c.at, notes: [], chord: c.symbol }))
    : scoreOf(section, study)
        .events.filter((e) => e.notes.length > 0)
        .slice(0, MOST_EVENTS)
        .map((e) => ({ at: e.at, notes: e.notes.map((n) => ({ midi: n.midi })) }));
  if (events.length === 0) return fact('nothing to move');
  return {
    events,
    tuning,
    neck: neckOf(profile, capo),
    bpm: bpm(section.bpm),
    profile,
    school: fretSchool('position'),
  };
}

/**
 * A section in another key, under another capo: symbols say what sounds then, frets that strokes bring move by as much
 * as the capo does not move them. Shapes go along where the capo does it all; else those of least movement are taken.
 */
export function sectionInKey(
  section: Section,
  study: Study,
  { transposed, capo }: Pick<RankedKey, 'transposed' | 'capo'>,
  profile: HandProfile,
): Trial | Fact<SectionKeyRefusal> {
  const by = transposed - (capo - study.instrument.capo);
  const held = heldChords(section, study.shapes);
  const unread = held.find((c) => c.name !== '' && !readChord(symbolOf(c.shape, c.name)).ok);
  if (unread) return fact('name is no symbol', unread.name);
  const newName = (name: string, shape: Shape | null): string =>
    name === '' || transposed % 12 === 0 ? name : transposeChord(symbolOf(shape, name), transposed);
  const names = new Map(held.map((c) => [c.name, newName(c.name, c.shape)]));
  const { chords } = chartOf(section);
  const chart =
    chords.length === 0
      ? ''
      : printChart(
          chords.map((c) => ({ name: names.get(c.name) ?? c.name, ticks: c.until - c.at })),
          section.cycle,
        );
  const shapes = by === 0 ? heldAsBefore(held, names) : newShapes([...new Set(names.values())], study, capo, profile);
  if ('code' in shapes) return shapes;
  const { pattern } = parseScript(section.script, { stepsPerCount: section.stepsPerCount, cells: study.cells });
  let fault: Fact<SectionKeyRefusal> | null = null;
  const moved = (stop: Stop | null): Stop | null => {
    if (!stop) return null;
    const fret = stop.fret + by;
    if (fret < 0) fault = fact('fret below the nut', stop.fret);
    if (fret > lastFret(capo)) fault = fact('fret beyond the neck', stop.fret);
    // A string that was open, or is now, has no finger of its own.
    return fret > 0 && stop.fret > 0 ? { ...stop, fret } : { fret };
  };
  const change = (step: Step): Step => {
    // A harmonic’s place is the string’s, not the key’s.
    if (by !== 0 && step.kind === 'stroke' && marksThat((m) => m.node).some((m) => hasMarkAnywhere(step, m)))
      fault = fact('harmonic stays');
    if (step.kind === 'ligado') return step.stop ? { ...step, stop: moved(step.stop) } : step;
    return step.kind === 'stroke' && step.stops ? { ...step, stops: step.stops.map(moved) } : step;
  };
  const script = by === 0 ? section.script : printScript(mapLeaves(pattern, change));
  if (fault) return fault;
  const { stepsPerCount, start } = section;
  return { script, stepsPerCount, start, chart, shapes, capo };
}

/**
 * The lowest and the highest note of a section as it would sound then; null where nothing does.
 * @param trial what `sectionInKey` has made of it
 */
export function rangeThen(section: Section, study: Study, trial: Trial): Pick<RankedKey, 'lowest' | 'highest'> | null {
  const taken = keepTrial(section.id, trial)({ ...study, sections: [section] });
  const [own] = taken.sections;
  const pitches = own ? scoreOf(own, taken).events.flatMap((e) => e.notes.map((n) => n.midi)) : [];
  if (pitches.length === 0) return null;
  const [lowest, highest] = pitches.reduce(([low, high], p) => [Math.min(low, p), Math.max(high, p)], [Infinity, 0]);
  return { lowest, highest };
}

const idOf = (name: string, { frets }: Pick<Shape, 'frets'>): string =>
  `${name} ${frets.map((f) => f ?? 'x').join('-')}`.slice(0, 60);
/** The same frets under what they are called now. */
function heldAsBefore(held: readonly HeldChord[], names: ReadonlyMap<string, string>): Shape[] {
  return [...names].flatMap(([before, name]): Shape[] => {
    const shape = held.find((c) => c.name === before)?.shape;
    if (!shape || name === before || name === '') return [];
    return [{ id: idOf(name, shape), name, frets: shape.frets, fingers: shape.fingers }];
  });
}
function newShapes(
  all: readonly string[],
  { instrument }: Study,
  capo: number,
  profile: HandProfile,
): Shape[] | Fact<SectionKeyRefusal> {
  const names = all.filter((n) => n !== '');
  if (names.length === 0) return [];
  const row = shapeRow({
    chords: names,
    tuning: instrument.tuning,
    neck: neckOf(profile, capo),
    profile,
    atLeast: 4,
    bass: 'root',
    round: true,
    k: 1,
  });
  if (row.infeasible) return fact('no shapes in that key', ...names);
  return names.flatMap((name, n): Shape[] => {
    const shape = row.answers[0]?.shapes[n];
    return shape ? [{ id: idOf(name, shape), name, ...shape }] : [];
  });
}
