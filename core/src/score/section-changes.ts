import { cycleLength, placeLabel } from '../cycle/index.js';
import type { Shape } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import { rightHandMove, type RightHandMove } from '../right-hand/index.js';
import { hasMark } from '../stroke/index.js';
import { bpm, type Ticks } from '../time/index.js';
import { changes, type TimedChange, type TimedShape, type TimedStrings } from './changes.js';
import type { Score } from './model.js';

/** One change of a section, in its place. */
export interface PlacedChange extends TimedChange {
  readonly turn: number;
  readonly bar: number;
  readonly label: string;
  readonly rightHand: RightHandMove;
}
/** Changes looked at; each pair of shapes is kept where it is hardest. */
const MOST_LOOKED_AT = 1_024;

/** The chords as they are played: one that a stroke takes early begins there. */
export function playedChords({ chords, events }: Pick<Score, 'chords' | 'events'>): { at: Ticks; chord: number }[] {
  const early = new Map<number, Ticks>();
  for (const e of events) {
    const c = chords[e.chord];
    if (c && hasMark(e.motion, '>') && !early.has(e.chord) && e.at < (c.at || Infinity)) early.set(e.chord, e.at);
  }
  return chords.map((c, chord) => ({ at: chord === 0 ? c.at : (early.get(chord) ?? c.at), chord }));
}

/** Strokes under which something is pressed: the others ask nothing of the left hand. */
export const pressingStrokes = ({ events }: Pick<Score, 'events'>): TimedStrings[] =>
  events.filter((e) => !hasMark(e.motion, 'x')).map((e) => ({ at: e.at, strings: e.notes.map((n) => n.string) }));

/**
 * Every change between two shapes that a section makes, the hardest first: each pair once, at the place
 * where the right hand leaves it least time.
 */
export const sectionChanges = (section: Section, score: Score, profile: HandProfile): PlacedChange[] =>
  placeChanges(section, score, profile);

/** Changes in their places of the section, each pair once; those between the chart's chords unless others are given. */
export function placeChanges(
  section: Section,
  score: Score,
  profile: HandProfile,
  given?: { readonly all: readonly TimedChange[]; readonly held: readonly TimedShape[] },
): PlacedChange[] {
  const { cycle } = section;
  const { all, held } = given ?? betweenChords(section, score, profile);
  const placed = new Map<string, PlacedChange>();
  const turnLength = cycleLength(cycle);
  for (const change of all) {
    const key = `${change.from.id} ${change.to.id}`;
    // The hardest of a pair comes first.
    if (placed.has(key)) continue;
    const until = held[change.index + 1]?.at ?? score.length;
    const under = given ? [] : score.events.filter((e) => e.at >= change.at && e.at < until).map((e) => e.motion);
    const turn = Math.floor(change.at / turnLength);
    placed.set(key, {
      ...change,
      turn,
      bar: score.bars.findIndex((b) => change.at >= b.at && change.at < b.at + b.length),
      rightHand: rightHandMove(change.from, change.to, under),
      label: placeLabel(cycle, change.at - turn * turnLength),
    });
  }
  return [...placed.values()];
}
function betweenChords(section: Section, score: Score, profile: HandProfile) {
  const held = playedChords(score)
    .slice(0, MOST_LOOKED_AT)
    .map((p): TimedShape => ({ at: p.at, shape: score.chords[p.chord]?.shape as Shape }));
  const neck = neckOf(profile, score.instrument.capo);
  const loop = score.loops ? { loop: score.length } : {};
  return { held, all: changes(held, pressingStrokes(score), bpm(section.bpm), profile, { neck, ...loop }) };
}
