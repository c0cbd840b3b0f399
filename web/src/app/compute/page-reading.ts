import type {
  Finding,
  Layout,
  Plan,
  playedUnder,
  PressedStretch,
  Reading,
  Score,
  ScoreEvent,
  TimedGrip,
} from '@ruffle-wheel/core';

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
export interface Seldom {
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
