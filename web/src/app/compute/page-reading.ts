import {
  type Finding,
  findingsOf,
  isPushed,
  type Layout,
  type Plan,
  playedUnder,
  pressedStretches,
  type PressedStretch,
  type Reading,
  type ReadingRequest,
  readSection,
  type Score,
  type ScoreEvent,
  stopFor,
  type TimedGrip,
} from '@ruffle-wheel/core';

/** Notes of a line that a page walks through. */
const MOST_NOTES = 512;

/** What is read of a section for a drawing of one turn: strokes are laid out turn by turn where they are drawn. */
interface LightReading extends Omit<Reading, 'score' | 'layout' | 'plan' | 'plants'> {
  /** Facts: the page says them. */
  readonly findings: readonly Finding[];
  readonly score: Omit<Score, 'events' | 'grips'>;
  readonly layout: Omit<Layout, 'strokes'>;
  /** When the left hand is down, chord by chord. */
  readonly pressed: readonly PressedStretch[];
  /** Every stroke that could takes the coming chord early; null where none could. */
  readonly pushed: boolean | null;
  /** Strings that strokes name under each chord. */
  readonly played: ReturnType<typeof playedUnder>;
}
/** What only some places need, and only when they are looked at. */
interface Seldom {
  /** Everything that sounds. */
  readonly plan: Plan;
  readonly grips: readonly TimedGrip[];
  /** Strokes that bring frets with them, each once on every chord that it meets. */
  readonly line: readonly ScoreEvent[];
  /** When they come, and which of them: place in the score, index into the line. */
  readonly lineTimes: readonly (readonly [at: number, index: number])[];
}
/**
 * A reading on its way to the page. Handing over a thousand strokes would block the page for longer than working them
 * out takes, so what is seldom needed travels as text.
 */
export interface SentReading extends LightReading {
  readonly seldom: { readonly [part in keyof Seldom]: string };
}
/** A reading as the page needs it; what is seldom needed is made when it is first asked for. */
export type PageReading = LightReading & Seldom;

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

/** Reads a section for the page. */
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

/** A reading as it arrived. */
export function arrived({ seldom, ...light }: SentReading): PageReading {
  const made: { -readonly [part in keyof Seldom]?: Seldom[part] } = {};
  const make = <Part extends keyof Seldom>(part: Part): Seldom[Part] =>
    (made[part] ??= JSON.parse(seldom[part]) as Seldom[Part]);
  return {
    ...light,
    get plan() {
      return make('plan');
    },
    get grips() {
      return make('grips');
    },
    get line() {
      return make('line');
    },
    get lineTimes() {
      return make('lineTimes');
    },
  };
}
