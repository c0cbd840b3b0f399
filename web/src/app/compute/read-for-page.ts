import {
  findingsOf,
  isPushed,
  playedUnder,
  pressedStretches,
  type ReadingRequest,
  readSection,
  type Score,
  type ScoreEvent,
  stopFor,
} from '@ruffle-wheel/core';
import type { Seldom, SentReading } from './page-reading';

/** Notes of a line that a page walks through. */
const MOST_NOTES = 512;

const bringsFrets = ({ motion, notes }: ScoreEvent): boolean =>
  motion.kind === 'ligado' || notes.some((n) => stopFor(motion, n.string) !== null);

function lineOf({ events, chords }: Score): Pick<Seldom, 'line' | 'lineTimes'> {
  const line: ScoreEvent[] = [];
  const known = new Map<string, number>();
  const lineTimes = events.filter(bringsFrets).flatMap((e): (readonly [number, number])[] => {
    const key = `${e.slot} ${chords[e.chord]?.name ?? ''}`;
    const there = known.get(key) ?? line.length;
    if (there >= MOST_NOTES) return [];
    if (there === line.length) line.push(e);
    known.set(key, there);
    return [[e.at, there]];
  });
  return { line, lineTimes };
}

const without = <T extends object, Left extends keyof T>(whole: T, ...left: Left[]): Omit<T, Left> =>
  Object.fromEntries(Object.entries(whole).filter(([part]) => !(left as PropertyKey[]).includes(part))) as Omit<
    T,
    Left
  >;

/** Reads a section for the page; it stays in the worker, whose code no first download brings. */
export function readForPage(request: ReadingRequest): SentReading {
  const reading = readSection(request);
  const { score, plan } = reading;
  const { line, lineTimes } = lineOf(score);
  return {
    ...without(reading, 'plan', 'plants'),
    findings: findingsOf({ ...request, ...reading }),
    score: without(score, 'events', 'grips'),
    layout: without(reading.layout, 'strokes'),
    pressed: pressedStretches(score.grips),
    played: playedUnder(score),
    pushed: request.section.chart.trim() ? isPushed(score) : null,
    seldom: {
      plan: JSON.stringify(plan),
      grips: JSON.stringify(score.grips),
      line: JSON.stringify(line),
      lineTimes: JSON.stringify(lineTimes),
    },
  };
}
