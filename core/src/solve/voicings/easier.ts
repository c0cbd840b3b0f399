import { type Fact, fact } from '../../fault/index.js';
import { fingeringCost, handOn, SHAPE_WEIGHTS, shapeSpan, totalOf } from '../../left-hand/index.js';
import { type Ask, settled } from '../../player/index.js';
import type { FrettedShape, VoicingRequest } from './model.js';
import { voicings } from './voicings.js';

/** What an easier chord goes without; ‘plain’: a seventh comes in; ‘root below’: the lowest note is another. */
export type LostChord =
  | 'thirteenth'
  | 'ninth'
  | 'flat ninth'
  | 'seventh'
  | 'sixth'
  | 'plain'
  | 'plain, major seventh'
  | 'root below'
  | 'low basses'
  | 'basses'
  | 'strings';
export interface Easier {
  /** The chord it is then; the same when nothing is lost but strings. */
  readonly chord: string;
  readonly shape: FrettedShape;
  /** Points of its fingers; the shape it stands in for has more. */
  readonly points: number;
  readonly lost: readonly Fact<LostChord>[];
}
/** Endings that leave a tone or two away, or put an easier one in; what that loses. */
const SIMPLER: readonly (readonly [RegExp, string, LostChord])[] = [
  [/13$/, '7', 'thirteenth'],
  [/maj9$/, 'maj7', 'ninth'],
  [/m9$/, 'm7', 'ninth'],
  [/7?b9$/, '7', 'flat ninth'],
  [/(?<!add|m|maj)9$/, '7', 'ninth'],
  [/add9$/, '', 'ninth'],
  [/69$/, '6', 'ninth'],
  [/m7$/, 'm', 'seventh'],
  [/maj7$/, '', 'seventh'],
  [/m6$/, 'm', 'sixth'],
  [/(?<!m)6$/, '', 'sixth'],
  [/(?<=^[A-G][#b]?)$/, 'maj7', 'plain, major seventh'],
  [/(?<=^[A-G][#b]?)$/, '7', 'plain'],
  [/(?<=^[A-G][#b]?m)$/, '7', 'plain'],
];

/** Points that easier fingers cost less at least: silence is better than a small gain. */
const WORTH = 6;
const LOOKED_AT = 6;
/** What a string that is lost counts against points of the fingers. */
const A_STRING = 4;
const stringsOf = ({ frets }: FrettedShape): number => frets.filter((f) => f !== null).length;
const highestOf = ({ frets }: FrettedShape): number => Math.max(0, ...frets.map((f) => f ?? 0));

/**
 * Substitutes for a shape that is too hard, easiest first: the same chord without barre, on fewer strings,
 * then simpler chords. Each tells what is lost, the root below too. Easier means easier: fingers that cost a good deal
 * less, no wider, no higher up the neck, and a form that is taught, or strings of one.
 */
export function easier(ask: Ask<VoicingRequest> & { readonly chord: string }, shape: FrettedShape): Easier[] {
  const request = { ...settled<VoicingRequest>(ask), chord: ask.chord };
  const hand = handOn(request.neck, request.profile);
  const cost = fingeringCost(shape.frets, shape.fingers, hand);
  const now = totalOf(cost);
  const [width, height] = [shapeSpan(shape, request.neck), highestOf(shape)];
  const untaught = (request.weights ?? SHAPE_WEIGHTS).untaught;
  const sounding = stringsOf(shape);
  const found: Easier[] = [];
  const offer = (chord: string, more: Partial<VoicingRequest>, lost: readonly LostChord[]) => {
    const result = voicings({ ...request, chord, ...more, k: LOOKED_AT });
    for (const a of result.infeasible ? [] : result.answers) {
      const own = a.steps[0];
      if (!own) continue;
      const points = totalOf(fingeringCost(own.frets, own.fingers, hand));
      const fewer = sounding - stringsOf(own);
      if (points > now - WORTH || found.some((e) => e.shape.frets.join() === own.frets.join())) continue;
      if (shapeSpan(own, request.neck) > width || highestOf(own) > height || a.cost.form === untaught) continue;
      // Under a barre another as long is no relief.
      if (cost.barre > 0 && a.cost.barre >= cost.barre) continue;
      const rootless: LostChord[] = a.cost.bass > 0 ? ['root below'] : [];
      found.push({
        chord,
        shape: own,
        points,
        lost: [
          ...[...lost, ...rootless].map((l) => fact(l)),
          ...(fewer > 0 ? [fact('strings' as const, fewer, sounding)] : []),
        ],
      });
    }
  };
  offer(request.chord, { barre: false, easy: true }, []);
  offer(request.chord, { barre: false, strings: [4, 3, 2, 1], atLeast: 3 }, ['low basses']);
  // A half barre is a shorter one.
  offer(request.chord, { strings: [4, 3, 2, 1], atLeast: 4 }, ['low basses']);
  offer(request.chord, { barre: false, strings: [3, 2, 1], atLeast: 3 }, ['basses']);
  const [head = '', bass] = request.chord.split('/');
  for (const [ending, to, lost] of SIMPLER)
    if (ending.test(head)) offer(head.replace(ending, to) + (bass ? `/${bass}` : ''), { easy: true }, [lost]);
  const lostOf = (e: Easier) => Math.max(0, sounding - stringsOf(e.shape));
  return found
    .sort((a, b) => a.lost.length - b.lost.length || a.points + A_STRING * lostOf(a) - b.points - A_STRING * lostOf(b))
    .slice(0, 6);
}
