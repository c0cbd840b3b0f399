import { chordInChart } from '../chart/index.js';
import { type AccentCycle, COUNT_NOTES, type CountNote, cycleLength } from '../cycle/index.js';
import { checkStopped, scriptWithStops, type Shape, type StoppedNote } from '../left-hand/index.js';
import {
  flatten,
  LONGEST_SCRIPT,
  MOST_STROKES,
  parseScript,
  type PlaceChange,
  placeOnStep,
  pressOnStep,
  scriptWithOne,
  type SlotKey,
  writeSlot,
} from '../script/index.js';
import { clampBpm, HIGHEST_BPM, LOWEST_BPM, stepTicks, type StringNumber } from '../time/index.js';
import { bounded, chartFault, cycleFault, inSection, plainCycle, put, scriptFault, wordsFault } from './changing.js';
import { type Command, inOrder, refusable } from './command.js';
import type { Ladder } from './ladder.js';
import { isAsItBegan, paceOf } from './make.js';
import {
  EVEN_FEEL,
  type Feel,
  FEEL_BOUNDS,
  type Key,
  LADDER_BOUNDS,
  LATEST_START,
  MODES,
  MOST_BARS,
  type Section,
  TONIC,
} from './model.js';
import { putShape, shapeToPut } from './shape-commands.js';

export const setScript = (section: string, script: string): Command =>
  inSection(section, (s) => put(s, { script }), scriptFault);
export const setTempo = (section: string, bpm: number): Command =>
  inSection(section, (s) => put(s, { bpm: clampBpm(bpm) }));
export const setStart = (section: string, start: number): Command =>
  inSection(section, (s) => put(s, { start: Math.round(bounded(start, 0, LATEST_START, s.start)) }));
export const setLadder = (section: string, ladder: Ladder): Command =>
  inSection(section, (s) => {
    const { step, passes } = LADDER_BOUNDS;
    return put(s, {
      ladder: put(s.ladder, {
        start: bounded(ladder.start, LOWEST_BPM, HIGHEST_BPM, s.ladder.start),
        end: bounded(ladder.end, LOWEST_BPM, HIGHEST_BPM, s.ladder.end),
        step: bounded(ladder.step, step.low, step.high, s.ladder.step),
        passes: Math.round(bounded(ladder.passes, passes.low, passes.high, s.ladder.passes)),
      }),
    });
  });

/** Which chord when, as typed. */
export const setChart = (section: string, chart: string): Command =>
  inSection(section, (s) => put(s, { chart }), chartFault);
/** Words or syllables under the counts, as typed. */
export const setWords = (section: string, words: string): Command =>
  inSection(section, (s) => put(s, { words }), wordsFault);
/** The key that a section is written in; null = found from what is played. */
export const setKey = (section: string, key: Key | null): Command =>
  inSection(section, (s) =>
    (s.key?.tonic === key?.tonic && s.key?.mode === key?.mode) || (key && !isKey(key))
      ? s
      : put(s, { key: key && { ...key } }),
  );
/** How a section is felt; a feel that is as the cycle has it is none. */
export const setFeel = (section: string, feel: Feel | null): Command =>
  inSection(section, (s) => {
    const within = (of: keyof typeof FEEL_BOUNDS, n: number, before: number) =>
      Math.round(bounded(n, FEEL_BOUNDS[of].low, FEEL_BOUNDS[of].high, before));
    const was = s.feel ?? EVEN_FEEL;
    const countsABeat = within('countsABeat', feel?.countsABeat ?? 1, was.countsABeat ?? 1);
    const now: Feel = {
      ...(feel?.countNote ? { countNote: feel.countNote } : {}),
      swing: within('swing', feel?.swing ?? EVEN_FEEL.swing, was.swing),
      leanMs: within('leanMs', feel?.leanMs ?? 0, was.leanMs),
      ...(countsABeat > 1 ? { countsABeat } : {}),
    };
    const isEven = now.swing === EVEN_FEEL.swing && now.leanMs === 0 && countsABeat === 1 && !now.countNote;
    const same = JSON.stringify(s.feel) === JSON.stringify(isEven ? null : now);
    return same ? s : put(s, { feel: isEven ? null : now });
  });
const isKey = ({ tonic, mode }: Key): boolean => TONIC.test(tonic) && MODES.includes(mode);
/** How many bars a section lasts; null = until its texts come round together. */
export const setBars = (section: string, bars: number | null): Command =>
  inSection(section, (s) =>
    put(s, { bars: bars === null ? null : Math.round(bounded(bars, 1, MOST_BARS, s.bars ?? 1)) }),
  );

/** How many steps a count is cut into; a number that 5040 ticks can't hold changes nothing. */
export const setSteps = (section: string, stepsPerCount: number): Command =>
  inSection(section, (s) => (stepTicks(stepsPerCount) === null ? s : put(s, { stepsPerCount })));

/**
 * One string of a slot set, with the fret that it is stopped at and the finger, or taken away. A step whose strings are
 * the chord's own stays as it is.
 */
export const setPlace = (section: string, slot: number, string: StringNumber, change: PlaceChange): Command =>
  inSection(
    section,
    (s, { cells }) => {
      const options = { stepsPerCount: s.stepsPerCount, cells };
      const flat = flatten(parseScript(s.script, options).pattern);
      const there = flat.slots[slot];
      if (!there) return flat.slots.length === 0 ? put(s, { script: firstStroke(s, slot, string, change) }) : s;
      const text = placeOnStep(there.step, string, change);
      return text === null ? s : put(s, { script: writeSlot(s.script, flat, slot, text, options) });
    },
    scriptFault,
  );

/** What can't be read is mended first. */
function firstStroke(s: Section, slot: number, string: StringNumber, change: PlaceChange): string {
  const text = placeOnStep({ kind: 'rest' }, string, change);
  if (text === null || s.script.trim() !== '' || !Number.isInteger(slot) || slot < 0) return s.script;
  return scriptWithOne(cycleLength(s.cycle) / (stepTicks(s.stepsPerCount) ?? 1), slot, text);
}

/**
 * A key pressed on a slot of the wheel. On an empty script the slot is counted from the cycle's first
 * count, and the line is filled up with rests to one turn.
 */
export const pressSlot = (section: string, slot: number, key: SlotKey): Command =>
  inSection(
    section,
    (s, { cells }) => {
      if (!Number.isInteger(slot) || slot < 0 || slot >= MOST_STROKES) return s;
      const flat = flatten(parseScript(s.script, { stepsPerCount: s.stepsPerCount, cells }).pattern);
      const there = flat.slots[slot];
      if (there) {
        const options = { stepsPerCount: s.stepsPerCount, cells };
        return put(s, { script: writeSlot(s.script, flat, slot, pressOnStep(there.step, key), options) });
      }
      // What is written and can't be read is mended first.
      if (flat.slots.length > 0 || s.script.length > LONGEST_SCRIPT) return s;
      const steps = cycleLength(s.cycle) / (stepTicks(s.stepsPerCount) ?? 1);
      return put(s, { script: scriptWithOne(steps, slot, pressOnStep({ kind: 'rest' }, key)) });
    },
    scriptFault,
  );

/**
 * Another cycle under the same script; the pattern begins on its first count. The tempo stays, but in a section that is
 * still as it began: there the cycle brings its own, and its ladder.
 */
export const setCycle = (section: string, cycle: AccentCycle): Command =>
  inSection(
    section,
    (s) => put(s, { cycle: plainCycle(cycle), start: 0, ...(isAsItBegan(s) ? paceOf(cycle) : {}) }),
    (s) => cycleFault(s.cycle),
  );

/** How a count of a section is written: the spelling changes, the music does not. */
export const setCountNote = (section: string, countNote: CountNote): Command =>
  inSection(section, (s) =>
    COUNT_NOTES.includes(countNote) && s.cycle.countNote !== countNote
      ? put(s, { cycle: { ...s.cycle, countNote } })
      : s,
  );

/**
 * A cell or a line put into a section: its script, its steps, and the frets it names, which are written into the
 * strokes.
 */
export const setCell = (
  section: string,
  script: string,
  stepsPerCount: number,
  stopped: readonly StoppedNote[] = [],
): Command =>
  inSection(
    section,
    (s) => {
      if (stepTicks(stepsPerCount) === null) return s;
      const own = checkStopped(stopped).length ? script : scriptWithStops(script, stepsPerCount, stopped).script;
      return put(s, { script: own, stepsPerCount });
    },
    (s) => scriptFault(s) ?? checkStopped(stopped)[0] ?? null,
  );

/** Puts a shape into the study and into a section's chart: in place of its n-th chord, or in a bar behind the last. */
export const holdShape = (section: string, shape: Shape, at: number | null = null): Command => {
  const named = (study: Parameters<Command>[0]) => shapeToPut(study, shape);
  return refusable(
    (study) => hold(named(study))(study),
    (study) => hold(named(study)).refusal?.(study) ?? null,
  );
  function hold(own: Shape): Command {
    return inOrder(
      putShape(own),
      inSection(section, (s) => put(s, { chart: chordInChart(s.chart, own.name, at, s.cycle) }), chartFault),
    );
  }
};
