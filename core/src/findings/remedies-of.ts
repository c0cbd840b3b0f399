import { readChord, symbolsOf } from '../chord/index.js';
import { openPitch } from '../instrument/index.js';
import { fretsText, type Shape } from '../left-hand/index.js';
import type { Section, Study } from '../piece/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import type { ReadingRequest } from '../reading/index.js';
import { playedUnder } from '../score/index.js';
import { flatten, parseScript, replaceRange, writeSteps } from '../script/index.js';
import { rowChoices } from '../solve/shape-row/index.js';
import { easier, type FrettedShape } from '../solve/voicings/index.js';
import { type Mark, numberedStrings, type Stop, type Stroke } from '../stroke/index.js';
import { isStringNumber, LOWEST_BPM, sixOf, type SixStrings, type StringNumber, STRINGS } from '../time/index.js';
import { standsAgainst } from './findings-of.js';
import { graveMatter } from './grave-matter.js';
import type { Finding, FindingOf, FindingPlace, GraveMatter } from './model.js';
import { rank } from './rank.js';
import { pluckedFlicks } from './right-hand/plucked-flicks.js';
import { type Remedy, remedy, remedyCommand, type RemedyFigures } from './remedy.js';

/** Shapes that are tried in place of one that does not sound as it should. */
const SHAPES_TRIED = 8;

/** Two findings of the same matter, wherever each was met first. */
export function sameMatter(a: Finding, b: Finding): boolean {
  const matter = ({ code, place, figures }: Finding): unknown => {
    switch (code) {
      case 'script unread':
      case 'chart unread':
        return [figures.fault.code, figures.fault.from];
      case 'change late':
        return [figures.from, figures.to];
      case 'finger away':
        return [figures.name, figures.finger, figures.string, figures.fret];
      case 'held over':
        return [place.slot, figures.into];
      case 'no node':
        return [place.slot, figures.string, figures.fret];
      case 'string muted':
      case 'tone unheard':
      case 'name not borne out':
      case 'open rings on':
      case 'out of reach':
        return figures.name;
      default:
        return code;
    }
  };
  return a.code === b.code && JSON.stringify(matter(a)) === JSON.stringify(matter(b));
}

/**
 * What would end a finding, each tried out before it is offered: with it taken, this matter is gone, and nothing graver
 * has come in its place. Nothing of what only is so.
 */
export function remediesOf(found: Finding, study: Study, profile: HandProfile): Remedy[] {
  const section = study.sections.find((s) => s.id === found.place.section);
  if (!section) return [];
  const before = graveMatter(study, section, profile);
  const graver = (m: GraveMatter): number => standsAgainst(m).filter((f) => rank(f) < rank(found)).length;
  const most = graver(before);
  const works = (tried: Remedy): boolean => {
    const after = remedyCommand(section.id, tried)(study);
    const changed = after.sections.find((s) => s.id === section.id);
    if (after === study || !changed) return false;
    const now = graveMatter(after, changed, profile);
    return !standsAgainst(now).some((f) => sameMatter(f, found)) && graver(now) <= most;
  };
  const names = rightNames(found, before).find(works);
  const shape = otherShapes(found, before).find(works);
  const first = [...inText(found, before).filter(works), ...(names ? [names] : [])];
  return [...first, ...(shape ? [shape] : []), ...slower(found, section).filter(works)];
}

function inText(found: Finding, { section, called = [] }: GraveMatter): Remedy[] {
  switch (found.code) {
    case 'script unread':
    case 'chart unread': {
      const { fault } = found.figures;
      if (fault.fix === undefined) return [];
      const text = found.code === 'script unread' ? 'script' : 'chart';
      return [
        remedy('as it would work', { fix: fault.fix }, { [text]: replaceRange(section[text], fault, fault.fix) }),
      ];
    }
    case 'held over':
      return atTheChange(found, section, called);
    case 'no node':
      return toTheNode(found, section, called);
    case 'flicks plucked':
      return asStrums(found, section, called);
    default:
      return [];
  }
}
type Cells = NonNullable<ReadingRequest['called']>;
/** The stroke of a finding as it is written, fingers that were worked out left open, and how the script has another. */
function strokeOf({ slot }: FindingPlace, { script, cycle, start, stepsPerCount }: Section, cells: Cells) {
  const { pattern } = parseScript(script, { stepsPerCount, cycle, start, cells });
  const flat = flatten(pattern);
  const step = slot === null ? undefined : flat.slots[slot]?.step;
  if (slot === null || step?.kind !== 'stroke') return null;
  const written = (other: Stroke) => ({ script: writeSteps(script, pattern, flat, new Map([[slot, other]])) });
  return { step, written };
}
/** All of them as strums downwards. */
function asStrums(
  { figures }: FindingOf<'flicks plucked'>,
  { script, cycle, start, stepsPerCount }: Section,
  cells: Cells,
): Remedy[] {
  const { pattern } = parseScript(script, { stepsPerCount, cycle, start, cells });
  const flat = flatten(pattern);
  const flicks = pluckedFlicks(flat).flat();
  const strums = new Map(flicks.map(({ slot, step }) => [slot, { ...step, dir: 'd' } as const]));
  return strums.size ? [remedy('as strums', figures, { script: writeSteps(script, pattern, flat, strums) })] : [];
}
function toTheNode({ place, figures }: FindingOf<'no node'>, section: Section, cells: Cells): Remedy[] {
  const stroke = strokeOf(place, section, cells);
  const strings = stroke && numberedStrings(stroke.step);
  if (!stroke || !strings?.includes(figures.string)) return [];
  const { string, near: fret } = figures;
  const stops = strings.map((s, i): Stop | null => (s === string ? { fret } : (stroke.step.stops?.[i] ?? null)));
  return [remedy('to the node', { string, fret }, stroke.written({ ...stroke.step, stops }))];
}
function atTheChange({ place }: FindingOf<'held over'>, section: Section, cells: Cells): Remedy[] {
  const stroke = strokeOf(place, section, cells);
  if (!stroke) return [];
  const { step, written } = stroke;
  const marked = (mark: Mark) => {
    const marks = [...step.marks.filter((m) => m !== '>' && m !== '^'), mark];
    return written({ ...step, marks });
  };
  return [remedy('push', {}, marked('>')), remedy('let go', {}, marked('^'))];
}

/** The tempo at which what comes late is in time. */
function inTimeAt(found: Finding, { bpm }: Section): number | null {
  switch (found.code) {
    case 'ceiling':
      return found.tone === 'late' ? found.figures.ceiling : null;
    case 'change late':
    case 'finger away':
      return (bpm * found.figures.thereMs) / found.figures.neededMs;
    default:
      return null;
  }
}
function slower(found: Finding, section: Section): Remedy[] {
  const bpm = Math.floor(inTimeAt(found, section) ?? 0);
  return bpm >= LOWEST_BPM ? [remedy('slower', { bpm }, { bpm })] : [];
}

/** Other shapes for the same chord: easier ones for what is out of reach, else what lets the struck strings sound. */
function otherShapes(found: Finding, m: GraveMatter): Remedy[] {
  switch (found.code) {
    case 'out of reach':
    case 'string muted':
    case 'tone unheard':
    case 'name not borne out':
    case 'open rings on':
      break;
    default:
      return [];
  }
  const shape = m.shapes.find((s) => s.name === found.figures.name);
  const chord = shape && (shape.chord ?? shape.name).replace(/\s/g, '');
  if (!shape || !chord || !readChord(chord).ok) return [];
  const ask = { tuning: m.tuning, neck: neckOf(m.profile, m.capo), profile: m.profile };
  if (found.code === 'out of reach')
    return easier({ ...ask, chord }, shape)
      .slice(0, SHAPES_TRIED)
      .map((e) => heldAs(shape, e.shape, { name: e.chord === chord ? shape.name : e.chord, lost: e.lost }));
  const strings = (playedUnder(m.score).get(shape.name) ?? []).filter((s): s is StringNumber => isStringNumber(s));
  const row = rowChoices({ ...ask, chords: [chord] });
  const choices = 'choices' in row ? (row.choices[0] ?? []) : [];
  const fretOf = (held: FrettedShape, string: StringNumber) => held.frets[STRINGS.indexOf(string)] ?? null;
  const sounds = (held: FrettedShape) => strings.every((s) => fretOf(held, s) !== null);
  const under = m.score.events.filter((e) => m.score.chords[e.chord]?.name === shape.name);
  const struck = new Set(under.flatMap((e) => e.notes.map((n) => n.string)));
  /** What is let go of stops: no string that is struck is open. */
  const closed = (held: FrettedShape) => [...struck].every((s) => fretOf(held, s) !== 0);
  const opened = found.code === 'string muted' ? openedTo(shape, found.figures.strings, chord, m) : null;
  const fits = found.code === 'open rings on' ? closed : sounds;
  const others = choices.filter((c) => fits(c.shape)).slice(0, SHAPES_TRIED);
  return [...(opened ? [opened] : []), ...others.map((c) => c.shape)].map((held) => heldAs(shape, held, { struck }));
}
/** The shape with strings open that it mutes, where each is a tone of the chord; null where one is none. */
function openedTo(shape: Shape, strings: readonly StringNumber[], chord: string, m: GraveMatter): FrettedShape | null {
  const read = readChord(chord);
  const isTone = (s: StringNumber) =>
    read.ok && read.chord.tones.some((t) => t.pitchClass === openPitch(m.tuning, s, m.capo) % 12);
  if (!strings.every(isTone)) return null;
  const open = <T>(list: SixStrings<T>, as: T): SixStrings<T> =>
    sixOf(list.map((x, i) => (strings.includes(STRINGS[i] ?? 1) ? as : x)));
  return { frets: open(shape.frets, 0), fingers: open(shape.fingers, 0) };
}
/** The name that a chord's notes bear out, where its own says something else. */
function rightNames(found: Finding, { shapes, tuning, capo }: GraveMatter): Remedy[] {
  if (found.code !== 'name not borne out') return [];
  const shape = shapes.find((s) => s.name === found.figures.name);
  if (!shape) return [];
  const pitches = STRINGS.flatMap((string, i) => {
    const fret = shape.frets[i] ?? null;
    return fret === null ? [] : [openPitch(tuning, string, capo) + fret];
  });
  return symbolsOf(pitches).map((symbol) => {
    const named: { -readonly [K in keyof Shape]: Shape[K] } = { ...shape, name: symbol };
    // What it was said to be.
    delete named.chord;
    return remedy('right name', { name: shape.name, symbol }, { shape: named });
  });
}
interface HeldAs {
  readonly name?: string;
  readonly lost?: RemedyFigures['other shape']['lost'];
  /** Strings that are struck: those that sounded before and have another note now are told. */
  readonly struck?: ReadonlySet<StringNumber>;
}
function heldAs(before: Shape, held: FrettedShape, { name = before.name, lost = [], struck }: HeldAs): Remedy {
  const { chord: symbol, ...plain } = before;
  const own: Shape = { ...plain, name, frets: held.frets, fingers: held.fingers };
  const shape = symbol !== undefined && name === plain.name ? { ...own, chord: symbol } : own;
  const differs = STRINGS.filter(
    (s, i) => struck?.has(s) && before.frets[i] !== null && before.frets[i] !== held.frets[i],
  );
  return remedy('other shape', { name, frets: fretsText(held), lost, differs }, { shape });
}
