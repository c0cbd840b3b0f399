import {
  isPushed,
  readAloud,
  type ReadingRequest,
  type SaidReading,
  type Score,
  type ScoreEvent,
  stopFor,
} from '@ruffle-wheel/core';

/** Notes of a line that a page walks through. */
const MOST_NOTES = 512;

/**
 * A reading as the page needs it: of the score's thousand strokes only those that bring frets with them, for handing
 * all of them over takes longer than working them out.
 */
export interface PageReading extends Omit<SaidReading, 'score'> {
  readonly score: Omit<Score, 'events'>;
  /** Strokes that bring frets with them, each once on every chord that it meets. */
  readonly line: readonly ScoreEvent[];
  /** When they come, and which of them: place in the score, index into the line. */
  readonly lineTimes: readonly (readonly [at: number, index: number])[];
  /** Every stroke that could takes the coming chord early; null where none could. */
  readonly pushed: boolean | null;
}

const bringsFrets = ({ motion, notes }: ScoreEvent): boolean =>
  motion.kind === 'ligado' || notes.some((n) => stopFor(motion, n.string) !== null);

/** Reads a section for the page. */
export function readForPage(request: ReadingRequest): PageReading {
  const { score, ...reading } = readAloud(request);
  const { events, ...rest } = score;
  const line: ScoreEvent[] = [];
  const known = new Map<string, number>();
  const lineTimes = events.filter(bringsFrets).flatMap((e): (readonly [number, number])[] => {
    const key = `${e.slot} ${score.chords[e.chord]?.name ?? ''}`;
    const there = known.get(key) ?? line.length;
    if (there >= MOST_NOTES) return [];
    if (there === line.length) line.push(e);
    known.set(key, there);
    return [[e.at, there]];
  });
  return { ...reading, score: rest, line, lineTimes, pushed: request.section.chart.trim() ? isPushed(score) : null };
}
