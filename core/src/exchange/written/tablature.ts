import { type AccentCycle, cycleLength } from '../../cycle/index.js';
import { fact } from '../../fault/index.js';
import { pitchName } from '../../instrument/index.js';
import type { Score, ScoreEvent, ScoreNote } from '../../score/index.js';
import { hasMarkAnywhere, markRow, MARKS, marksOn, marksThat } from '../../stroke/index.js';
import { stepTicks, type StringNumber, STRINGS, ticks, TICKS_PER_COUNT, type Ticks } from '../../time/index.js';
import type { Loss } from './model.js';

/** Letters across a system at most; a bar that is longer has one to itself. */
const WIDTH = 96;
const SLURRED = { hammer: 'h', pull: 'p', slide: 's' } as const;
const KEPT_MARKS = marksThat((m) => m.tablature !== null);

/** A bar as columns of letters: six strings, chords above, letters of the right hand below. */
interface Columns {
  readonly chords: string;
  readonly counts: string;
  readonly strings: readonly string[];
  readonly letters: string;
}
/**
 * A score as tablature in plain text, as players type it: string 1 on top, a column a step, bars by `|`, chords and counts
 * above, letters of the right hand below, `h p s` before what the left hand alone sounds, `x` for a dead string, `v` and `^`
 * under strums down and up.
 * @param from the first bar, counted from 0
 * @param to behind the last
 */
export function tablatureText(
  score: Score,
  cycle: AccentCycle,
  stepsPerCount: number,
  from = 0,
  to = score.bars.length,
): string {
  const step = stepOf(stepsPerCount);
  const played = byBar(score);
  const bars = score.bars.slice(from, to).map((bar, n) => {
    const own = played[from + n] ?? [];
    const chords = score.chords.filter((c) => c.name !== '' && c.at >= bar.at && c.at < bar.at + bar.length);
    return columnsOf({ bar, own, chords, step, cycle });
  });
  const names = [...STRINGS].reverse().map((s) => nameOf(score, s));
  const wide = Math.max(...names.map((n) => n.length));
  const head = names.map((n) => n.padEnd(wide));
  const systems: Columns[][] = [];
  let width = Infinity;
  for (const bar of bars) {
    const own = (bar.strings[0] ?? '').length + 1;
    if (width + own > WIDTH) {
      systems.push([]);
      width = wide + 1;
    }
    systems.at(-1)?.push(bar);
    width += own;
  }
  const pad = ' '.repeat(wide + 1);
  return systems
    .map((system) => {
      const line = (of: (c: Columns) => string) => `${pad}${system.map(of).join(' ')}`.trimEnd();
      return [
        line((c) => c.chords),
        line((c) => c.counts),
        ...head.map((name, i) => `${name}|${system.map((c) => c.strings[i]).join('|')}|`),
        line((c) => c.letters),
      ]
        .filter((text, n) => text !== '' || n === head.length + 2)
        .join('\n')
        .trimEnd();
    })
    .join('\n\n');
}
const stepOf = (stepsPerCount: number): Ticks => stepTicks(stepsPerCount) ?? ticks(TICKS_PER_COUNT / 2);
function byBar({ bars, events }: Score): ScoreEvent[][] {
  const played: ScoreEvent[][] = bars.map(() => []);
  for (const e of events) played[e.bar]?.push(e);
  return played;
}
/** A string by its open note; the thinnest in a small letter, so that two of a name differ. */
function nameOf({ instrument: { tuning } }: Score, string: StringNumber): string {
  const name = pitchName(tuning[STRINGS.indexOf(string)] ?? 0).replace(/-?\d+$/, '');
  return string === 1 ? name.toLowerCase() : name;
}

interface Bar {
  readonly bar: Score['bars'][number];
  readonly own: readonly ScoreEvent[];
  readonly chords: readonly Score['chords'][number][];
  readonly step: Ticks;
  readonly cycle: AccentCycle;
}
function columnsOf({ bar, own, chords, step, cycle }: Bar): Columns {
  const steps = Math.max(1, Math.round(bar.length / step));
  const cells = Array.from({ length: steps }, () => STRINGS.map(() => ''));
  const letters = Array.from({ length: steps }, () => '');
  for (const e of own) {
    const n = Math.min(steps - 1, Math.round(e.inBar / step));
    const { motion } = e;
    for (const note of e.notes) {
      const row = cells[n];
      const slur = motion.kind === 'ligado' ? (e.slur ? SLURRED[e.slur] : 'h') : '';
      if (row) row[note.string - 1] = `${slur}${fretText(e, note)}`;
    }
    letters[n] = lettersOf(e);
  }
  const width = 2 + Math.max(0, ...cells.flat().map((c) => c.length - 1), ...letters.map((l) => l.length - 1));
  const above = (of: (n: number) => string): string => {
    let text = ' ';
    for (let n = 0; n < steps; n++) {
      const own = of(n);
      const at = 1 + n * width;
      // What would run into the name before it is left out rather than moved.
      if (own !== '' && text.length <= at) text = text.padEnd(at) + own;
    }
    return text.slice(0, 1 + steps * width).padEnd(1 + steps * width);
  };
  const labelAt = (n: number): string => {
    const at = (bar.at + n * step) % cycleLength(cycle);
    return at % TICKS_PER_COUNT === 0 ? (cycle.labels[at / TICKS_PER_COUNT] ?? '') : '';
  };
  return {
    chords: above((n) => chords.find((c) => Math.round((c.at - bar.at) / step) === n)?.name ?? ''),
    counts: above(labelAt),
    strings: STRINGS.map((_, i) => `-${cells.map((c) => (c[i] ?? '').padEnd(width, '-')).join('')}`),
    letters: above((n) => letters[n] ?? ''),
  };
}
/** A fret with what its marks put behind it, or in its place. */
function fretText({ motion }: ScoreEvent, note: ScoreNote): string {
  const signs = marksOn(motion, note.string).flatMap((m) => markRow(m).tablature ?? []);
  const instead = signs.find((s) => s.instead)?.instead;
  return instead ?? `${note.fret}${signs.map((s) => s.behind ?? '').join('')}`;
}
/** Fingers thickest string first; a strum by its direction. */
function lettersOf({ motion, notes }: ScoreEvent): string {
  if (motion.kind !== 'stroke') return '';
  if (motion.dir !== null) return motion.dir === 'd' ? 'v' : '^';
  const own = [...notes].sort((a, b) => b.string - a.string).map((n) => n.right ?? '');
  return own.join('');
}

/** What bars of a score lose as tablature in plain text. */
export function tablatureLosses(score: Score, stepsPerCount: number, from = 0, to = score.bars.length): Loss[] {
  const step = stepOf(stepsPerCount);
  const count = (code: Loss['code'], is: (e: ScoreEvent, index: number) => boolean): Loss[] => {
    const n = score.events.filter((e, i) => e.bar >= from && e.bar < to && is(e, i)).length;
    return n > 0 ? [fact(code, n)] : [];
  };
  const sounds = (e: ScoreEvent) => e.notes.length > 0;
  return [
    ...count('strokes without strings', (e) => !sounds(e)),
    ...count('between steps', (e) => e.inBar % step !== 0),
    // What is over before the next begins: tablature says when, not how long.
    ...count('lengths', (e, i) => sounds(e) && e.at + e.duration < (score.events[i + 1]?.at ?? score.length)),
    ...count('left fingers', (e) => e.notes.some((n) => n.left !== null && n.left !== 0)),
    ...count('strum fingers', (e) => e.motion.kind === 'stroke' && e.motion.dir !== null),
    ...count('marks', (e) => MARKS.some((m) => !KEPT_MARKS.includes(m) && hasMarkAnywhere(e.motion, m))),
  ];
}
