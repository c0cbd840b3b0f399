import { OPEN_SHAPE, checkShape, fingerShape, handOn, type Shape } from '../../left-hand/index.js';
import { LONGEST_CHART } from '../../chart/index.js';
import { type AccentCycle, barTicks } from '../../cycle/index.js';
import { fact } from '../../fault/index.js';
import { type Instrument, STANDARD_TUNING } from '../../instrument/index.js';
import { cleanName } from '../../name/index.js';
import {
  followInForm,
  HIGHEST_CAPO,
  LONGEST_FORM,
  makeSection,
  MOST_BARS,
  MOST_SHAPES,
  OPEN_STRING_BOUNDS,
  paceOf,
} from '../../piece/index.js';
import { type HandProfile, neckOf } from '../../player/index.js';
import { scoreOf } from '../../score/index.js';
import { LONGEST_SCRIPT, parseScript } from '../../script/index.js';
import { type Bpm, clampBpm } from '../../time/index.js';
import { quartersInCount } from '../../notation/index.js';
import { fretPart } from './fret.js';
import { layPart, type LaidPart, type LaidStroke } from './lay.js';
import type { ForeignMusic, ImportedPiece, ImportedSection, ImportNote, ImportNoteCode, Refused } from './model.js';
import { type ForeignPart, goingOn, partsOf } from './parts.js';
import { wordsOf } from './sung.js';
import { writtenTexts } from './write.js';

export interface ImportSetting {
  readonly profile: HandProfile;
  /** Strings and capo that it is to be played on; default: the file's own. */
  readonly instrument?: Instrument;
  /** Own cycles that a direction may name. */
  readonly cycles?: readonly AccentCycle[];
  readonly progress?: (share: number) => void;
}
/**
 * Music from elsewhere as it will stand in a study: sections on cycles, scripts and charts, every note with its place on
 * the neck. What one section can't hold becomes several; what none can is left out, bar by bar, and told.
 */
export function importMusic(music: ForeignMusic, setting: ImportSetting): ImportedPiece | Refused {
  const { profile, cycles = [], progress } = setting;
  if (music.bars.length === 0) return { refusal: fact('no bars') };
  const { parts, form } = partsOf(music.bars, cycles);
  const instrument = setting.instrument ?? ownInstrument(music);
  const shapes = shapesOf(parts, instrument, profile);
  const said = new Map<ImportNoteCode, (number | string)[]>();
  const tell = (notes: readonly ImportNote[]) => {
    for (const { code, about } of notes) said.set(code, summed(code, said.get(code), about));
  };
  tell(music.notes);
  let [notes, fretted] = [0, 0];
  const sections: ImportedSection[] = [];
  const names = new Set(parts.map((p) => p.name));
  let order = form;
  for (const [n, part] of parts.entries()) {
    const tempo = tempoOf(part, sections.at(-1));
    const made = sectionsFrom(part, { music, instrument, profile, tempo, held: shapes.held }, (share) =>
      progress?.((n + share) / parts.length),
    );
    let before = part.name;
    for (const [i, own] of made.entries()) {
      tell(own.said);
      notes += own.notes;
      fretted += own.fretted;
      const name = i === 0 ? part.name : nextName(part.name, names);
      if (i > 0 && order !== '') order = followInForm(order, before, name);
      before = name;
      sections.push({ ...own.section, name });
    }
    progress?.((n + 1) / parts.length);
  }
  if (notes === 0) return { refusal: fact(said.has('bars left out') ? 'not to be fretted' : 'no notes') };
  if (shapes.bare.length) tell([fact('chords without frets', ...shapes.bare.slice(0, 12))]);
  const long = order.length > LONGEST_FORM;
  if (long) tell([fact('repeats not read')]);
  return {
    name: cleanName(music.name),
    ...instrument,
    sections,
    shapes: shapes.own,
    form: long ? '' : order,
    notes: [...said].map(([code, about]): ImportNote => ({ code, about })),
    counted: { notes, fretted },
    parts: music.parts,
    part: music.part,
  };
}
interface Made {
  readonly section: Omit<ImportedSection, 'name'>;
  readonly said: readonly ImportNote[];
  readonly notes: number;
  readonly fretted: number;
}
interface Making {
  readonly music: ForeignMusic;
  readonly instrument: Instrument;
  readonly profile: HandProfile;
  readonly tempo: Bpm;
  readonly held: ReadonlyMap<string, Pick<Shape, 'frets' | 'fingers'>>;
}
/** A part as one section; cut in two at a turn where one can't hold it. A turn that can't be written at all is silent. */
function sectionsFrom(part: ForeignPart, making: Making, progress: (share: number) => void): Made[] {
  const made = sectionFrom(part, making, progress);
  if (made) return [made];
  const { bars, cycle } = part;
  const turn = barTicks(cycle).length;
  const half = Math.ceil(bars.length / turn / 2) * turn;
  if (half < bars.length) {
    const [first, ...rest] = bars.slice(half);
    const later = first ? [goingOn(first, bars.slice(0, half)), ...rest] : rest;
    return [
      ...sectionsFrom({ ...part, bars: bars.slice(0, half) }, making, (share) => progress(share / 2)),
      ...sectionsFrom({ ...part, bars: later }, making, (share) => progress((1 + share) / 2)),
    ];
  }
  const silent = bars.map((b) => ({ ...b, notes: [] }));
  const empty = sectionFrom({ ...part, bars: silent }, making, progress);
  return empty ? [{ ...empty, said: [...empty.said, fact('bars left out', bars.length)] }] : [];
}
function sectionFrom(part: ForeignPart, making: Making, progress: (share: number) => void): Made | null {
  const { music, instrument, profile, tempo, held } = making;
  const { cycle } = part;
  const laid = layPart(part, music.played);
  const placed = fretPart(laid.strokes, instrument, profile, tempo, progress);
  if ('code' in placed) return null;
  const texts = provenTexts(laid, placed.strokes, cycle, { shapes: held, instrument });
  if (!texts) return null;
  const { script, stepsPerCount, chart, bars } = texts;
  if (script.length > LONGEST_SCRIPT || chart.length > LONGEST_CHART || bars > MOST_BARS) return null;
  return {
    section: {
      ...{ cycle, script, stepsPerCount, chart, bpm: tempo, bars },
      words: wordsOf(part),
      key: part.bars[0]?.key ?? null,
    },
    said: [...laid.notes, ...placed.notes, ...texts.notes],
    notes: placed.strokes.reduce((sum, s) => sum + s.notes.length, 0),
    fretted: placed.fretted,
  };
}
/** `Theme 2`, `Theme 3` …, whichever is the first that nobody has. */
function nextName(name: string, taken: Set<string>): string {
  for (let n = 2; ; n++) {
    const next = `${name} ${n}`;
    if (taken.has(next)) continue;
    taken.add(next);
    return next;
  }
}
/** Strokes whose notes are told one by one until the score has them all; so often at most. */
const MOST_PROOFS = 4;
/**
 * Texts whose score plays what was laid, note by note; null where no writing does. What the hand holds decides where a
 * string alone is written: a stroke that would sound otherwise says its frets.
 */
function provenTexts(
  laid: LaidPart,
  strokes: readonly LaidStroke[],
  cycle: AccentCycle,
  { shapes, instrument }: { shapes: ReadonlyMap<string, Pick<Shape, 'frets' | 'fingers'>>; instrument: Instrument },
) {
  const held = [...shapes].map(([name, own]): Shape => ({ ...OPEN_SHAPE, id: name, name, ...own }));
  const explicit = new Set<number>();
  for (let proof = 0; proof < MOST_PROOFS; proof++) {
    const texts = writtenTexts(laid, strokes, cycle, { shapes, explicit });
    const { script, stepsPerCount, chart, bars } = texts;
    if (parseScript(script, { stepsPerCount, cycle, start: 0 }).faults.length) return null;
    const section = { ...makeSection('s', 'S', cycle), script, stepsPerCount, chart, bars };
    const { events } = scoreOf(section, { instrument, shapes: held });
    const sounding = new Map(
      events.map((e) => [
        e.at as number,
        e.notes
          .map((n) => `${n.string}.${n.fret}`)
          .sort()
          .join(),
      ]),
    );
    // What goes through the chord sounds as the chord does.
    const own = strokes.filter((s) => !s.notes.some((n) => n.strummed));
    const wrong = own.filter((s) => (sounding.get(s.at) ?? '') !== placesOf(s));
    if (wrong.length === 0) return texts;
    for (const s of wrong) explicit.add(s.at);
  }
  return null;
}
const placesOf = ({ notes }: LaidStroke): string =>
  notes
    .flatMap((n) => (n.midi === null || n.string === null || n.fret === null ? [] : [`${n.string}.${n.fret}`]))
    .sort()
    .join();
/** Numbers are added up, of what is moved the furthest stays the furthest; names stand once. */
function summed(
  code: ImportNoteCode,
  before: readonly (number | string)[] | undefined,
  about: readonly (number | string)[],
) {
  if (!before) return [...about];
  if (typeof about[0] === 'string') return [...new Set([...before, ...about])].slice(0, 12);
  return about.map((n, i) =>
    (code === 'moved' || code === 'ends moved') && i === 1
      ? Math.max(Number(before[i]), Number(n))
      : Number(before[i] ?? 0) + Number(n),
  );
}
function ownInstrument({ tuning, capo }: ForeignMusic): Instrument {
  const { low, high } = OPEN_STRING_BOUNDS;
  const sound = tuning?.every((n) => n >= low && n <= high) ? tuning : STANDARD_TUNING;
  return {
    tuning: sound,
    capo: capo !== null && Number.isInteger(capo) && capo >= 0 && capo <= HIGHEST_CAPO ? capo : 0,
  };
}
/** Counts a minute, as the file has them from the part's beginning on, else as before it, else as is usual. */
function tempoOf({ bars, cycle }: ForeignPart, before: ImportedSection | undefined) {
  const quarters = bars.find((b) => b.tempo !== null)?.tempo ?? null;
  const own = quarters ?? (before ? before.bpm * quartersInCount(before.cycle) : null);
  return clampBpm(own === null ? paceOf(cycle).bpm : own / quartersInCount(cycle));
}
/** Shapes that chords bring with their frets, the first of each name; and names without. */
function shapesOf(parts: readonly ForeignPart[], { capo }: Instrument, profile: HandProfile) {
  const held = new Map<string, Pick<Shape, 'frets' | 'fingers'>>();
  const bare = new Set<string>();
  const hand = handOn(neckOf(profile, capo), profile);
  for (const { bars } of parts)
    for (const bar of bars)
      for (const chord of bar.chords) {
        const name = cleanName(chord.name);
        if (name === '' || held.has(name)) continue;
        if (!chord.shape || held.size >= MOST_SHAPES) {
          bare.add(name);
          continue;
        }
        const { frets, fingers } = chord.shape;
        const given = frets.every((f, i) => !f || fingers[i] !== null);
        const own = given ? chord.shape : { frets, fingers: fingerShape(frets, hand, 1)[0]?.fingers ?? fingers };
        if (checkShape({ ...OPEN_SHAPE, id: name, name, ...own }).length) bare.add(name);
        else held.set(name, own);
      }
  for (const name of held.keys()) bare.delete(name);
  return { held, own: [...held].map(([name, own]) => ({ name, ...own })), bare: [...bare] };
}
