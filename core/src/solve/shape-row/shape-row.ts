import { type Fact, fact, factBecause } from '../../fault/index.js';
import { changeBetween, type Shape } from '../../left-hand/index.js';
import { type Ask, settled } from '../../player/index.js';
import { type CostSplit, kBest, type Move, type SearchWatch } from '../../search/index.js';
import { type FrettedShape, type VoicingRequest, voicings } from '../voicings/index.js';

export const ROW_TERMS = ['shapes', 'changes'] as const;
export type RowTerm = (typeof ROW_TERMS)[number];
export interface RowRequest extends Omit<VoicingRequest, 'chord' | 'notes' | 'k'> {
  /** Chord symbols in the order they are held. */
  readonly chords: readonly string[];
  /** Shapes that are held already, by their symbols: the others are chosen to go with them. */
  readonly given?: Readonly<Record<string, FrettedShape>>;
  /** The row is played round and round: the last change leads to the first shape. */
  readonly round?: boolean;
  readonly k?: number;
}
export interface RowAnswer {
  readonly shapes: readonly FrettedShape[];
  readonly total: number;
  readonly cost: CostSplit<RowTerm>;
}
export type RowResult =
  | { readonly answers: readonly RowAnswer[]; readonly infeasible?: undefined }
  | { readonly infeasible: readonly Fact<RowRefusal>[] };
/** Why a row has no shapes. */
export type RowRefusal = 'no chords' | 'too many chords' | 'chord without shape';
/** Shapes weighed for each symbol. */
export const SHAPES_A_CHORD = 12;
export const LONGEST_ROW = 256;

const named = (chord: string, s: FrettedShape): Shape => ({ id: chord, name: chord, ...s });
/** What the way between two shapes costs, whatever the right hand plays. */
const wayCost = (request: RowRequest, a: FrettedShape, b: FrettedShape): number =>
  changeBetween({ from: named('a', a), to: named('b', b), neck: request.neck, profile: request.profile, strokes: [] })
    .difficulty;

/** What a row of shapes costs: each shape for itself, and each change. Shapes must answer their chords. */
export function scoreRow(request: RowRequest, shapes: readonly FrettedShape[], own: readonly number[]): RowAnswer {
  let changes = 0;
  shapes.forEach((s, i) => {
    const next = shapes[i + 1] ?? (request.round && shapes.length > 1 ? shapes[0] : undefined);
    if (next) changes += wayCost(request, s, next);
  });
  const sum = own.reduce((a, b) => a + b, 0);
  return { shapes, cost: { shapes: sum, changes }, total: sum + changes };
}

/**
 * Shapes for a row of chord symbols so that they and the changes between them cost least together, from
 * the best twelve shapes of each chord.
 */
export function shapeRow(ask: Ask<RowRequest>, watch: SearchWatch = {}): RowResult {
  const request = settled<RowRequest>(ask);
  const { chords, round, given = {}, k = 5 } = request;
  if (chords.length === 0) return { infeasible: [fact('no chords')] };
  if (chords.length > LONGEST_ROW) return { infeasible: [fact('too many chords', chords.length, LONGEST_ROW)] };
  const known = new Map<string, ReturnType<typeof voicings>>();
  const choices = chords.map((chord) => {
    if (given[chord]) return null;
    const there = known.get(chord) ?? voicings({ ...request, chord, k: SHAPES_A_CHORD });
    known.set(chord, there);
    return there;
  });
  const faults = choices.flatMap((c, i) =>
    c?.infeasible ? [factBecause(c.infeasible[0], 'chord without shape', i + 1, chords[i] ?? '')] : [],
  );
  if (faults.length) return { infeasible: faults.slice(0, 20) };
  const options = choices.map((c, i) =>
    c === null
      ? [{ shape: given[chords[i] ?? ''] as FrettedShape, total: 0 }]
      : c.infeasible
        ? []
        : c.answers.map((a) => ({ shape: a.steps[0] as FrettedShape, total: a.total })),
  );
  const ways = new Map<string, number>();
  const way = (a: FrettedShape, b: FrettedShape): number => {
    const key = `${a.frets.join()} ${a.fingers.join()} ${b.frets.join()} ${b.fingers.join()}`;
    const there = ways.get(key) ?? wayCost(request, a, b);
    ways.set(key, there);
    return there;
  };
  interface State {
    readonly n: number;
    readonly last: number;
    readonly first: number;
  }
  const N = chords.length;
  const closing = (s: State): number =>
    round && N > 1
      ? way(options[N - 1]?.[s.last]?.shape as FrettedShape, options[0]?.[s.first]?.shape as FrettedShape)
      : 0;
  const { paths } = kBest<State, FrettedShape, RowTerm>(
    {
      terms: ROW_TERMS,
      start: { n: 0, last: 0, first: 0 },
      key: (s) => `${s.n} ${s.last} ${round ? s.first : 0}`,
      stage: (s) => s.n,
      isEnd: (s) => s.n === N + 1,
      moves: (s): Move<State, FrettedShape, RowTerm>[] => {
        if (s.n === N) {
          const total = closing(s);
          return [{ to: { ...s, n: N + 1 }, step: null, total, cost: () => ({ changes: total }) }];
        }
        return (options[s.n] ?? []).map((o, i) => {
          const changes = s.n === 0 ? 0 : way(options[s.n - 1]?.[s.last]?.shape as FrettedShape, o.shape);
          return {
            to: { n: s.n + 1, last: i, first: s.n === 0 ? i : s.first },
            step: o.shape,
            total: o.total + changes,
            cost: () => ({ shapes: o.total, changes }),
          };
        });
      },
    },
    k,
    watch,
  );
  return { answers: paths.map((p) => ({ shapes: p.steps, total: p.total, cost: p.cost })) };
}
