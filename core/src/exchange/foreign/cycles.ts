import { CYCLES } from '../../catalogue/index.js';
import { type AccentCycle, barTicks, type CountNote, makeCycle, MOST_COUNTS } from '../../cycle/index.js';
import { gcd, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import { quartersInCount } from '../../notation/index.js';
import { cycleText, cycleWord } from '../written/cycle-text.js';
import { type ForeignBar, PER_QUARTER } from './model.js';

/** Ticks of a part of a quarter. */
export const ticksPerPart = (cycle: AccentCycle): number => TICKS_PER_COUNT / (PER_QUARTER * quartersInCount(cycle));

/** Whether bars are as long as a cycle’s, from the turn’s beginning on. */
function fits(bars: readonly ForeignBar[], cycle: AccentCycle): boolean {
  const [own, part] = [barTicks(cycle), ticksPerPart(cycle)];
  return bars.every((b, n) => Math.round(b.length * part) === own[n % own.length]);
}
/**
 * The cycle that bars are laid on: the one that a direction names, else that of the bars before, else beats as the
 * time signature has them.
 * @param known own cycles, which go before the catalogue's
 * @returns null where the bars are of several lengths and no turn
 */
export function cycleFor(
  bars: readonly ForeignBar[],
  before: AccentCycle | null,
  known: readonly AccentCycle[],
): AccentCycle | null {
  const words = bars[0]?.words ?? [];
  const all = [...known, ...CYCLES];
  // Several schools count one name: an id says which is meant.
  const named = [
    ...all.filter((c) => words.includes(cycleWord(c.id))),
    ...all.filter((c) => words.includes(cycleText(c))),
  ];
  const said = [...named, ...(words.length === 0 && before ? [before] : [])].find((c) => fits(bars, c));
  if (said) return said;
  const [first] = bars;
  if (!first) return null;
  const even = bars.every((b) => b.beats === first.beats && b.beatType === first.beatType);
  return even ? beatsOf(first) : turnOf(bars);
}
/** Whether a turn can be as long as a time signature says. */
export function isTime(beats: number, beatType: number): boolean {
  if (!Number.isInteger(beats) || beats < 1 || ![1, 2, 4, 8, 16, 32, 64].includes(beatType)) return false;
  return countsOf(beats, beatType).counts <= MOST_COUNTS;
}
/** A time signature as a cycle. */
function beatsOf({ beats, beatType }: ForeignBar): AccentCycle {
  const plain = CYCLES.find((c) => c.family === 'plain' && c.counts === beats && c.countNote === 'quarter');
  if (plain && beatType === 4) return plain;
  const { counts, countNote, bars } = countsOf(beats, beatType);
  if (bars > 1) {
    const bar = ticks((counts * TICKS_PER_COUNT) / bars);
    return {
      ...own(`${beats}/${beatType}`, counts, countNote, [0], [counts]),
      bars: Array.from({ length: bars }, () => bar),
    };
  }
  // Three eighths are a beat.
  const threes = countNote === 'eighth' && counts % 3 === 0 && counts > 3;
  const starts = threes ? Array.from({ length: counts / 3 }, (_, n) => 3 * n) : [0];
  return own(`${beats}/${beatType}`, counts, countNote, starts, starts.length > 1 ? starts.map(() => 3) : [counts]);
}
/** Bars of several lengths that are short enough together, as one turn. */
function turnOf(bars: readonly ForeignBar[]): AccentCycle | null {
  const type = Math.max(...bars.map((b) => b.beatType));
  const countNote: CountNote = type <= 2 ? 'half' : type === 4 ? 'quarter' : 'eighth';
  const lengths = bars.map((b) => b.length / (PER_QUARTER * quartersInCount({ countNote })));
  const period = lengths.findIndex((_, p) => p > 0 && lengths.every((l, n) => l === lengths[n % p]));
  const turn = period > 0 ? lengths.slice(0, period) : lengths;
  const counts = turn.reduce((sum, l) => sum + l, 0);
  if (counts > MOST_COUNTS || !turn.every(Number.isInteger)) return null;
  const starts = turn.map((_, n) => turn.slice(0, n).reduce((sum, l) => sum + l, 0));
  return { ...own(turn.join('+'), counts, countNote, starts, turn), bars: turn.map((l) => ticks(l * TICKS_PER_COUNT)) };
}
/** What a time signature counts; bars that are no whole number of eighths are a turn of several. */
function countsOf(beats: number, type: number): { counts: number; countNote: CountNote; bars: number } {
  if (type <= 2) return { counts: (beats * 2) / type, countNote: 'half', bars: 1 };
  if (type === 4) return { counts: beats, countNote: 'quarter', bars: 1 };
  const bars = type / gcd(beats * 8, type);
  return { counts: (bars * beats * 8) / type, countNote: 'eighth', bars };
}
function own(
  name: string,
  counts: number,
  countNote: CountNote,
  starts: readonly number[],
  groups: readonly number[],
): AccentCycle {
  return makeCycle({
    id: `beats-${name.replace(/\W/g, '-')}-${countNote}`,
    name,
    family: 'plain',
    counts,
    accents: starts.map((at, n) => [at, n === 0 ? 1 : 0.6] as const),
    groups,
    countNote,
    tempo: [40, 100, 200],
  });
}
