import { type Fact, fact } from '../../fault/index.js';
import type { Finger } from '../../stroke/index.js';
import { STEPS_PER_COUNT, stepTicks, type StringNumber, ticks } from '../../time/index.js';
import type { LineAnswer, LineNote, LineRequest, LineStep } from './model.js';
import { LINE_WEIGHTS, type LineSchool } from './schools.js';
import { scoreLine } from './score.js';
import type { ReadLine } from './text.js';

/** Who plays the pedal string: always i, always m, or one after the other. */
export const PEDAL_HABITS = ['i', 'm', 'im'] as const;
export type PedalHabit = (typeof PEDAL_HABITS)[number];
export const PEDAL_HABIT_NAME: Readonly<Record<PedalHabit, string>> = {
  i: 'always i',
  m: 'always m',
  im: 'i and m in turn',
};

/** What a pedal weave pays: no home strings, for the pedal's string is the player's choice. */
const WEAVE_SCHOOL: LineSchool = {
  id: 'weave',
  fingers: ['p', 'i', 'm'],
  weights: { ...LINE_WEIGHTS, home: 0 },
};

/** Why no pedal string can be woven in. */
export type WeaveRefusal = 'step can’t be halved' | 'no melody' | 'melody on the pedal string' | 'chord in the melody';
export interface WovenLine {
  readonly steps: readonly LineStep[];
  readonly notes: readonly LineNote[];
  /** Twice those of the melody: the pedal sounds after every step of it. */
  readonly stepsPerCount: number;
  /** Why nothing could be woven. */
  readonly fault: Fact<WeaveRefusal> | null;
}

/**
 * A bass melody with a repeated string woven in: every step of the melody is halved, the note on its first
 * half, the pedal on its second; held notes and rests have the pedal on their second halves too. The pedal
 * rings on.
 * @param stepsPerCount of the melody; the woven line has twice as many
 */
export function weavePedal(melody: ReadLine, pedal: StringNumber, stepsPerCount: number): WovenLine {
  const none = (fault: Fact<WeaveRefusal>): WovenLine => ({ steps: [], notes: [], stepsPerCount, fault });
  const half = stepTicks(stepsPerCount * 2);
  if (half === null || !STEPS_PER_COUNT.includes(stepsPerCount * 2))
    return none(
      fact(
        'step can’t be halved',
        stepsPerCount,
        STEPS_PER_COUNT.filter((n) => STEPS_PER_COUNT.includes(n * 2)).join(', '),
      ),
    );
  if (melody.notes.length === 0) return none(fact('no melody'));
  const on = melody.notes.findIndex((n) => n.strings.includes(pedal));
  if (on >= 0) return none(fact('melody on the pedal string', on + 1, pedal));
  const several = melody.notes.findIndex((n) => n.strings.length > 1);
  if (several >= 0) return none(fact('chord in the melody', several + 1));
  const steps = melody.steps.flatMap((step, i): LineStep[] => {
    const at = ticks(2 * i * half);
    const first: LineStep =
      step.kind === 'note'
        ? { ...step, note: { ...step.note, at, layer: 'thumb' } }
        : { kind: step.kind === 'rest' ? 'rest' : 'hold' };
    const note: LineNote = { at: ticks((2 * i + 1) * half), strings: [pedal], rings: true, layer: 'fingers' };
    return [first, { kind: 'note', note, accent: false }];
  });
  const notes = steps.flatMap((s) => (s.kind === 'note' ? [s.note] : []));
  return { steps, notes, stepsPerCount: stepsPerCount * 2, fault: null };
}

/** The fingers of a woven line under one habit. */
export function weaveFingers(notes: readonly LineNote[], habit: PedalHabit): (readonly Finger[])[] {
  let n = 0;
  return notes.map((note): readonly Finger[] =>
    note.layer === 'thumb' ? ['p'] : [habit[n++ % habit.length] as Finger],
  );
}

export interface WovenHabit {
  readonly habit: PedalHabit;
  readonly answer: LineAnswer;
}
/** Every habit with what it costs, best first. */
export function weaveHabits(request: Omit<LineRequest, 'school' | 'k'>): WovenHabit[] {
  return PEDAL_HABITS.map((habit) => ({
    habit,
    answer: scoreLine({ ...request, school: WEAVE_SCHOOL }, weaveFingers(request.notes, habit)),
  })).sort((a, b) => a.answer.total - b.answer.total);
}
