import { type AccentCycle, cycleLength } from '../../cycle/index.js';
import { bassString, soundingSymbol } from '../../left-hand/index.js';
import type { Section, StudyPart } from '../../piece/index.js';
import { type HandProfile, neckOf } from '../../player/index.js';
import { type Score, type ScoreEvent, scoreOf } from '../../score/index.js';
import { flatten, mapLeaves, parseScript, printScript, writeOut } from '../../script/index.js';
import { hasMark, numberedStrings, onStrings, type Step, stopOn, type Stroke } from '../../stroke/index.js';
import { bpm, STRINGS } from '../../time/index.js';
import { bassTones } from './roles.js';
import type { BassRequest, PlayedBass } from './model.js';

/** What the thumb plays in a section, as a request for other basses; null where it plays none on chords that are known. */
export interface SectionBass {
  readonly request: Omit<BassRequest, 'habit'>;
  /** The strokes' events in the score. */
  readonly events: readonly number[];
}
/** The thumb plucks one string, alone or with fingers that name theirs or leave them to the chord. */
const isBass = ({ motion }: ScoreEvent): boolean =>
  motion.kind === 'stroke' && motion.dir === null && motion.fingers.includes('p');

/**
 * The thumb's strokes of a section with the chords they are played on and what the fingers play meanwhile. Chords whose
 * names are no symbols keep their basses.
 */
export function sectionBass(section: Section, study: StudyPart, profile: HandProfile): SectionBass | null {
  const score = scoreOf(section, study);
  const symbols = score.chords.map(({ shape, name }) => soundingSymbol(shape.chord ?? name, shape, study.instrument));
  const known = (e: ScoreEvent) => bassTones(symbols[e.chord] ?? '') !== null;
  const events = score.events.flatMap((e, n) => (isBass(e) && known(e) ? [n] : []));
  if (events.length === 0) return null;
  // Only the chords that are asked about are counted.
  const used = [...new Set(events.map((n) => score.events[n]?.chord ?? 0))];
  return {
    events,
    request: {
      tuning: study.instrument.tuning,
      neck: neckOf(profile, study.instrument.capo),
      profile,
      tempo: bpm(section.bpm),
      chords: used.map((c) => ({ symbol: symbols[c] ?? '', shape: score.chords[c]?.shape ?? NOTHING })),
      strokes: events.map((n) => ({
        at: eventOf(score, n).at,
        until: endOf(score, n),
        chord: used.indexOf(eventOf(score, n).chord),
      })),
      figure: score.events.flatMap((e) => {
        const strings = e.notes.filter((n) => n.right !== 'p').map((n) => n.string);
        return strings.length && e.motion.kind === 'stroke' ? [{ at: e.at, strings }] : [];
      }),
      round: score.loops,
    },
  };
}
const NOTHING = { frets: [0, 0, 0, 0, 0, 0], fingers: [0, 0, 0, 0, 0, 0] } as const;
const eventOf = (score: Score, n: number): ScoreEvent => score.events[n] as ScoreEvent;
/** A bass sounds until the thumb's next stroke, unless it is stopped before. */
function endOf({ events, length }: Score, n: number) {
  const own = events[n];
  const next = events.slice(n + 1).find(isBass)?.at ?? length;
  return own && hasMark(own.motion, "'") ? ((own.at + own.duration) as typeof next) : next;
}

/**
 * The section's script with these basses in place of what the thumb plays, written out as far as pattern and chart come
 * round; what the shape has as its own bass is left to the chord.
 */
export function scriptWithBass(
  section: Section,
  study: StudyPart,
  { events }: Pick<SectionBass, 'events'>,
  notes: readonly PlayedBass[],
): string {
  const { script, stepsPerCount, cycle, start } = section;
  const options = { stepsPerCount, cycle, start, cells: study.cells ?? [] };
  const score = scoreOf(section, study);
  const once = flatten(parseScript(script, options).pattern);
  const passes = once.length ? Math.max(1, Math.ceil(score.length / once.length)) : 1;
  const whole = passes > 1 ? `{${script}}x${passes}` : script;
  const written = parseScript(whole, options);
  if (written.faults.length) return script;
  const flat = flatten(written.pattern);
  const at = new Map(flat.slots.map((s, n) => [s.at as number, n]));
  const steps = new Map<number, Step>();
  events.forEach((n, i) => {
    const event = score.events[n];
    const note = notes[i];
    if (!event || !note || event.motion.kind !== 'stroke') return;
    const slot = at.get((event.at - start + turnsOf(cycle, score.length)) % (flat.length || 1));
    if (slot !== undefined) steps.set(slot, withBass(event.motion, event, note, score));
  });
  return printScript(mapLeaves(writeOut(written.pattern), (step, slot) => steps.get(slot) ?? step));
}
/** So many whole turns that no place before the start is negative. */
const turnsOf = (cycle: AccentCycle, length: number): number =>
  Math.ceil(length / cycleLength(cycle)) * cycleLength(cycle);

function withBass(stroke: Stroke, { chord, notes }: ScoreEvent, note: PlayedBass, score: Score): Step {
  const shape = score.chords[chord]?.shape;
  const i = STRINGS.indexOf(note.string);
  const held = shape?.frets[i] === note.fret;
  const own = held && shape && bassString(shape) === note.string;
  if (stroke.fingers.length === 1) {
    if (own) return onStrings(stroke, { strings: 'bass' });
    const stop = held ? null : { fret: note.fret, ...(note.fret === 0 ? {} : { finger: note.finger }) };
    return onStrings(stroke, { strings: [note.string], stops: [stop] });
  }
  const fingers = notes.filter((n) => n.right !== 'p').map((n) => n.string);
  const stops = fingers.map((s) => (numberedStrings(stroke) ? stopOn(stroke, s) : null));
  const mine = held ? null : { fret: note.fret, ...(note.fret === 0 ? {} : { finger: note.finger }) };
  return onStrings(stroke, { strings: [note.string, ...fingers], stops: [mine, ...stops] });
}
