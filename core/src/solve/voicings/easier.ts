import { fingeringCost, handOn, totalOf } from '../../left-hand/index.js';
import { type Ask, settled } from '../../player/index.js';
import type { FrettedShape, VoicingRequest } from './model.js';
import { voicings } from './voicings.js';

export interface Easier {
  /** The chord it is then; the same when nothing is lost but strings. */
  readonly chord: string;
  readonly shape: FrettedShape;
  /** Points of its fingers; the shape it stands in for has more. */
  readonly points: number;
  /** What is lost, in a few words each. */
  readonly lost: readonly string[];
}
/** Endings that leave a tone or two away, or put an easier one in; what that loses. */
const SIMPLER: readonly (readonly [RegExp, string, string])[] = [
  [/13$/, '7', 'the thirteenth'],
  [/maj9$/, 'maj7', 'the ninth'],
  [/m9$/, 'm7', 'the ninth'],
  [/7?b9$/, '7', 'the flat ninth'],
  [/(?<!add|m|maj)9$/, '7', 'the ninth'],
  [/add9$/, '', 'the ninth'],
  [/69$/, '6', 'the ninth'],
  [/m7$/, 'm', 'the seventh'],
  [/maj7$/, '', 'the seventh'],
  [/m6$/, 'm', 'the sixth'],
  [/(?<!m)6$/, '', 'the sixth'],
  [/(?<=^[A-G][#b]?)$/, '7', 'the plain sound, for a seventh comes in'],
  [/(?<=^[A-G][#b]?m)$/, '7', 'the plain sound, for a seventh comes in'],
];

/**
 * Substitutes for a shape that is too hard, easiest first: the same chord without barre, on fewer strings,
 * then simpler chords. Each says what is lost; none is offered whose fingers are no easier.
 */
export function easier(ask: Ask<VoicingRequest> & { readonly chord: string }, shape: FrettedShape): Easier[] {
  const request = { ...settled<VoicingRequest>(ask), chord: ask.chord };
  const hand = handOn(request.neck, request.profile);
  const now = totalOf(fingeringCost(shape.frets, shape.fingers, hand));
  const sounding = shape.frets.filter((f) => f !== null).length;
  const found: Easier[] = [];
  const offer = (chord: string, more: Partial<VoicingRequest>, lost: readonly string[]) => {
    const result = voicings({ ...request, chord, ...more, k: 3 });
    for (const a of result.infeasible ? [] : result.answers) {
      const own = a.steps[0];
      if (!own) continue;
      const points = totalOf(fingeringCost(own.frets, own.fingers, hand));
      const fewer = sounding - own.frets.filter((f) => f !== null).length;
      if (points >= now || found.some((e) => e.shape.frets.join() === own.frets.join())) continue;
      found.push({
        chord,
        shape: own,
        points,
        lost: [...lost, ...(fewer > 0 ? [`${fewer} of ${sounding} strings`] : [])],
      });
    }
  };
  offer(request.chord, { barre: false, easy: true }, []);
  offer(request.chord, { barre: false, strings: [4, 3, 2, 1], atLeast: 3 }, ['the low basses']);
  offer(request.chord, { barre: false, strings: [3, 2, 1], atLeast: 3 }, ['the basses']);
  const [head = '', bass] = request.chord.split('/');
  for (const [ending, to, lost] of SIMPLER)
    if (ending.test(head)) offer(head.replace(ending, to) + (bass ? `/${bass}` : ''), { easy: true }, [lost]);
  return found.sort((a, b) => a.lost.length - b.lost.length || a.points - b.points).slice(0, 6);
}
