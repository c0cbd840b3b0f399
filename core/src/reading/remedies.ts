import { readChord } from '../chord/index.js';
import { fact } from '../fault/index.js';
import type { Shape } from '../left-hand/index.js';
import type { Study } from '../piece/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import { easier, type FrettedShape } from '../solve/voicings/index.js';
import { rowChoices } from '../solve/shape-row/index.js';
import { flatten, replaceRange, writeSteps } from '../script/index.js';
import { isStringNumber, LOWEST_BPM, type StringNumber } from '../time/index.js';
import { type Conflict, CONFLICTS, type Remedy, remedyCommand } from './conflict.js';
import { type BareConflict, findConflicts, type ReadForConflicts } from './find-conflicts.js';

/** Conflicts for which remedies are looked for, the gravest first. */
const MOST_MENDED = 40;
/** Shapes that are tried in place of one that does not sound as it should. */
const SHAPES_TRIED = 8;

/**
 * Everything that stands against a piece, section by section: the gravest first, of equals what comes first. Every remedy
 * has been tried out: with it taken the conflict is gone.
 */
export function conflictsOf(study: Study, profile: HandProfile): Conflict[] {
  const read = study.sections.map((s) => findConflicts(study, s, profile));
  const order = new Map(study.sections.map((s, n) => [s.id, n]));
  const all = read
    .flatMap((r) => r.found.map((conflict) => ({ conflict, read: r })))
    .sort(
      (a, b) =>
        CONFLICTS.indexOf(a.conflict.code) - CONFLICTS.indexOf(b.conflict.code) ||
        (order.get(a.conflict.section) ?? 0) - (order.get(b.conflict.section) ?? 0) ||
        a.conflict.at - b.conflict.at,
    );
  return all.map(({ conflict, read: r }, n): Conflict => {
    const { section, code, about, at, bar, label, because, fault } = conflict;
    return {
      ...{ section, code, about, at, bar, label },
      ...(because ? { because } : {}),
      ...(fault ? { fault } : {}),
      remedies: n < MOST_MENDED ? offered(conflict, r, study, profile) : [],
    };
  });
}

/** Remedies that work; of other shapes the first. */
function offered(conflict: BareConflict, read: ReadForConflicts, study: Study, profile: HandProfile): Remedy[] {
  const works = ({ change }: Remedy): boolean => {
    const after = remedyCommand(conflict.section, { change })(study);
    const section = after.sections.find((s) => s.id === conflict.section);
    if (after === study || !section) return false;
    const left = findConflicts(after, section, profile).found;
    // What is mended must not make something graver.
    const grave = (list: readonly BareConflict[]) =>
      list.filter((c) => CONFLICTS.indexOf(c.code) < CONFLICTS.indexOf(conflict.code)).length;
    return !left.some((c) => c.key === conflict.key) && grave(left) <= grave(read.found);
  };
  const shapes = otherShapes(conflict, read, study, profile);
  const shape = shapes.find(works);
  return [...inText(conflict, read).filter(works), ...(shape ? [shape] : []), ...slower(conflict).filter(works)];
}

function inText({ fault, code, slot }: BareConflict, { section, written }: ReadForConflicts): Remedy[] {
  if (fault?.fix !== undefined) {
    const text = code === 'script unread' ? section.script : section.chart;
    const mended = replaceRange(text, fault, fault.fix);
    return [
      {
        ...fact('as it would work', fault.fix),
        change: code === 'script unread' ? { script: mended } : { chart: mended },
      },
    ];
  }
  // As it is written: fingers that were worked out stay so.
  const flat = flatten(written);
  const step = slot === undefined ? undefined : flat.slots[slot]?.step;
  if (slot === undefined || code !== 'held over' || step?.kind !== 'stroke') return [];
  const marked = (mark: '>' | '^') => {
    const marks = [...step.marks.filter((m) => m !== '>' && m !== '^'), mark];
    return writeSteps(section.script, written, flat, new Map([[slot, { ...step, marks }]]));
  };
  return [
    { ...fact('push'), change: { script: marked('>') } },
    { ...fact('let go'), change: { script: marked('^') } },
  ];
}

const slower = ({ bpm }: BareConflict): Remedy[] =>
  bpm !== undefined && Math.floor(bpm) >= LOWEST_BPM
    ? [{ ...fact('slower', Math.floor(bpm)), change: { bpm: Math.floor(bpm) } }]
    : [];

/** Other shapes for the same chord: easier ones for what is out of reach, else what lets the struck strings sound. */
function otherShapes(
  { shape, code }: BareConflict,
  { played }: ReadForConflicts,
  study: Study,
  profile: HandProfile,
): Remedy[] {
  if (!shape) return [];
  const chord = (shape.chord ?? shape.name).replace(/\s/g, '');
  if (!readChord(chord).ok) return [];
  const { tuning, capo } = study.instrument;
  const ask = { tuning, neck: neckOf(profile, capo), profile };
  const put = (held: FrettedShape, name = shape.name): Remedy => {
    const { chord: symbol, ...plain } = shape;
    const own: Shape = { ...plain, name, frets: held.frets, fingers: held.fingers };
    const named = symbol !== undefined && name === shape.name ? { ...own, chord: symbol } : own;
    return { ...fact('other shape', name, held.frets.map((f) => f ?? 'x').join('-')), change: { shape: named } };
  };
  if (code === 'out of reach')
    return easier({ ...ask, chord }, shape)
      .slice(0, SHAPES_TRIED)
      .map((e) => put(e.shape, e.chord === chord ? shape.name : e.chord));
  const strings = (played.get(shape.name) ?? []).filter((s): s is StringNumber => isStringNumber(s));
  const row = rowChoices({ ...ask, chords: [chord] });
  const choices = 'choices' in row ? (row.choices[0] ?? []) : [];
  const sound = (held: FrettedShape) => strings.every((s) => (held.frets[6 - s] ?? null) !== null);
  return choices
    .filter((c) => sound(c.shape))
    .slice(0, SHAPES_TRIED)
    .map((c) => put(c.shape));
}
