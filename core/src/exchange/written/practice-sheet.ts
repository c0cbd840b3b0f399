import type { AccentCycle } from '../../cycle/index.js';
import type { Shape } from '../../left-hand/index.js';
import type { Ladder, Study } from '../../piece/index.js';
import type { HandProfile } from '../../player/index.js';
import { type PlacedChange, sectionChanges } from '../../score/index.js';
import { hasMark, type Motion } from '../../stroke/index.js';
import { cycleLength } from '../../cycle/index.js';
import { type Scope, writtenSections } from './scope.js';

/** What one section gives to practise by hand. */
export interface SheetSection {
  readonly name: string;
  readonly cycle: AccentCycle;
  readonly bpm: number;
  /** The strokes of its first turn, or of the first turn of its chosen bars. */
  readonly strokes: readonly { readonly at: number; readonly letters: string; readonly accent: boolean }[];
  /** Shapes that it holds, in the order in which they come. */
  readonly shapes: readonly Shape[];
  /** The hardest first. */
  readonly changes: readonly PlacedChange[];
  readonly ladder: Ladder;
  /** Tempos from the ladder’s start to its end. */
  readonly rungs: readonly number[];
}
const MOST_CHANGES = 4;
const MOST_RUNGS = 24;

/**
 * A sheet for each section of a scope, each once: what goes round, what is held, where it is hard, how the tempo climbs.
 * @example practiceSheet(makeStudy('s', 'Stair'), DEFAULT_PROFILE, { kind: 'form' })[0].rungs.length > 1 // true
 */
export function practiceSheet(study: Study, profile: HandProfile, scope: Scope): SheetSection[] {
  return writtenSections(study, profile, scope).flatMap(({ section, score, from, to }): SheetSection[] => {
    const { name, cycle, bpm, ladder } = section;
    const turn = cycleLength(cycle);
    const [begin, end] = [score.bars[from]?.at ?? 0, (score.bars[to - 1]?.at ?? 0) + (score.bars[to - 1]?.length ?? 0)];
    const first = Math.floor(begin / turn);
    const within = score.events.filter((e) => e.at >= begin && e.at < end);
    const held = score.chords.filter((c) => c.known && c.name !== '' && c.at < end && c.until > begin);
    return [
      {
        name,
        cycle,
        bpm,
        strokes: within
          .filter((e) => e.turn === first)
          .map((e) => ({ at: e.inTurn, letters: lettersOf(e.motion), accent: hasMark(e.motion, '!') }))
          .filter((s) => s.letters !== ''),
        shapes: [...new Map(held.map((c) => [c.shape.id, c.shape])).values()],
        changes: sectionChanges(section, score, profile)
          .filter((c) => c.moving > 0)
          .slice(0, MOST_CHANGES),
        ladder,
        rungs: rungsOf(ladder),
      },
    ];
  });
}
function rungsOf({ start, end, step }: Ladder): number[] {
  const n = Math.min(MOST_RUNGS - 1, Math.ceil(Math.abs(end - start) / step));
  const way = end < start ? -1 : 1;
  return Array.from({ length: n + 1 }, (_, i) => (i === n ? end : start + way * i * step));
}
/** Fingers and direction, in one or two letters. */
function lettersOf(motion: Motion): string {
  switch (motion.kind) {
    case 'golpe':
      return 'G';
    case 'slap':
      return 'S';
    case 'ligado':
      return 'L';
    case 'ghost':
      return '';
    case 'stroke':
      return motion.plectrum ? `P${motion.plectrum}` : `${motion.fingers.join('')}${motion.dir ?? ''}` || '?';
  }
}
