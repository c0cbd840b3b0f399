import { layOutForm, type Section, type Study, type UnrolledForm } from '../piece/index.js';
import type { Syllable } from '../syllables/index.js';
import { ticks } from '../time/index.js';
import type { Score, ScoreBar, ScoreChord, ScoreEvent, TimedGrip } from './model.js';
import { scoreOf } from './score-of.js';

/** A whole piece: its sections in the order of its form, repeats and endings written out. */
export interface PieceScore extends Score {
  readonly form: UnrolledForm;
}

/**
 * The study's form written out: which section when, how many bars and how long at each section's tempo, and on which
 * count of the cycle every section starts.
 * @example unrollForm(makeStudy('s', 'Stair')).order // ['A']
 */
export const unrollForm = (study: Study, scores: ReadonlyMap<string, Score> = sectionScores(study)): UnrolledForm =>
  layOutForm(study, (s) => ({
    length: scores.get(s.id)?.length ?? ticks(0),
    bars: scores.get(s.id)?.bars.length ?? 0,
  }));

const sectionScores = (study: Study): Map<string, Score> =>
  new Map(study.sections.map((s: Section) => [s.id, scoreOf(s, study)]));

/**
 * The one timeline of a whole study. Positions are ticks from its beginning, each count as long as it is written,
 * whatever the tempo of its section.
 */
export function pieceScore(study: Study): PieceScore {
  const scores = sectionScores(study);
  const form = unrollForm(study, scores);
  const bars: ScoreBar[] = [];
  const chords: ScoreChord[] = [];
  const grips: TimedGrip[] = [];
  const events: ScoreEvent[] = [];
  const words: Syllable[] = [];
  let turns = 0;
  for (const { section, at, bar } of form.parts) {
    const score = scores.get(section);
    if (!score) continue;
    const first = chords.length;
    const later = <T extends { readonly at: number }>(thing: T) => ({ ...thing, at: ticks(at + thing.at) });
    bars.push(...score.bars.map(later));
    words.push(...score.words.map(later));
    chords.push(...score.chords.map((c) => ({ ...later(c), until: ticks(at + c.until), bar: bar + c.bar })));
    grips.push(
      ...score.grips.map((g) => ({
        ...later(g),
        until: ticks(at + g.until),
        chord: first + g.chord,
        borrowed: g.borrowed.map((b) => ({
          ...b,
          free: ticks(at + b.free),
          due: b.due === null ? null : ticks(at + b.due),
        })),
      })),
    );
    events.push(
      ...score.events.map((e) => ({ ...later(e), bar: bar + e.bar, turn: turns + e.turn, chord: first + e.chord })),
    );
    turns += (score.events.at(-1)?.turn ?? 0) + 1;
  }
  const last = form.parts.at(-1);
  return {
    instrument: study.instrument,
    bars,
    chords,
    grips,
    events,
    key: null,
    words,
    length: ticks(last ? last.at + last.length : 0),
    loops: false,
    truncated: [...scores.values()].some((s) => s.truncated),
    form,
  };
}
