import { type Fact } from '../../fault/index.js';
import { type Ask, settled } from '../../player/index.js';
import { kBest, type Move, type SearchWatch, pointsOf } from '../../search/index.js';
import { shapeChoices } from '../shape-row/index.js';
import { layFigure, type Laid } from './laid.js';
import {
  COMP_TERMS,
  type CompAnswer,
  type CompChoice,
  type CompRefusal,
  type CompRequest,
  type CompResult,
  type CompTerm,
  type PushPlan,
} from './model.js';
import { bassOf, scoreComp } from './score.js';
import { heldFor } from './sounding.js';
import { ownCost } from './cost.js';
import { added, leastAhead, type NameShape, tablesOf } from './tables.js';
import { SHAPES_A_NAME } from './weights.js';
import { LEAST_STRINGS } from '../voicings/index.js';

export type CompChoices =
  | { readonly laid: Laid; readonly choices: readonly (readonly NameShape[])[]; readonly plans: readonly PushPlan[] }
  | Extract<CompResult, { infeasible: readonly Fact<CompRefusal>[] }>;

/**
 * What an accompaniment is chosen from: for every name of the chart its cheapest shapes, one for each way to hold the
 * strings that are struck; and the plans of who is pushed.
 */
export function compChoices(ask: Ask<CompRequest>): CompChoices {
  const request = settled<CompRequest>(ask);
  const laid = layFigure(request);
  if ('infeasible' in laid) return laid;
  const { tuning, neck, profile, given = {} } = request;
  const row = shapeChoices({ tuning, neck, profile, chords: laid.names, given, atLeast: LEAST_STRINGS, bass: 'root' });
  if ('infeasible' in row) return { infeasible: row.infeasible };
  const choices = row.choices.map((list, n) => {
    const name = laid.names[n] ?? '';
    const seen = new Set<string>();
    return list
      .map((s) => ({ ...s, own: pointsOf(ownCost(request, name, s.shape, s.total)) }))
      .sort((a, b) => a.own - b.own)
      .filter(({ shape }) => {
        const held = heldFor(request, name, shape);
        const key = `${held.frets.join()} ${held.fingers.join()}`;
        return !seen.has(key) && seen.add(key);
      })
      .slice(0, SHAPES_A_NAME);
  });
  return { laid, choices, plans: plansOf(request, laid) };
}
function plansOf({ pushes }: CompRequest, { chords }: Laid): PushPlan[] {
  const all = (is: boolean) => chords.map((c) => is && c.tied !== null);
  if (pushes === 'none') return [all(false)];
  if (pushes === 'every') return [all(true)];
  if (pushes === 'either') return chords.some((c) => c.tied) ? [all(false), all(true)] : [all(false)];
  return [chords.map((c, n) => c.tied !== null && pushes.includes(n))];
}

interface State {
  readonly plan: number;
  /** A shape for each name so far. */
  readonly chosen: readonly number[];
}
/**
 * An accompaniment over a chart: shapes for its names so that all strokes of the figure cost both hands least, with the
 * basses that the habit asks for, and chords that would ring over a change pushed or cut.
 * @returns reasons when chart, figure or chords can't be read, or no shape is there for one
 * @throws SearchCancelled when the watch says so
 */
export function comp(ask: Ask<CompRequest>, watch: SearchWatch = {}): CompResult {
  const request = settled<CompRequest>(ask);
  const read = compChoices(request);
  if ('infeasible' in read) return read;
  const { laid, choices, plans } = read;
  const tables = plans.map((plan) => tablesOf(request, laid, choices, plan, watch));
  const N = choices.length;
  const { paths } = kBest<State, CompChoice, CompTerm>(
    {
      terms: COMP_TERMS,
      start: { plan: -1, chosen: [] },
      key: (s) => `${s.plan} ${s.chosen.join()}`,
      stage: (s) => (s.plan < 0 ? 0 : 1 + s.chosen.length),
      isEnd: (s) => s.plan >= 0 && s.chosen.length === N,
      bound: (s) => (s.plan < 0 ? 0 : leastAhead(tables[s.plan], choices, s.chosen)),
      moves: (s): Move<State, CompChoice, CompTerm>[] => {
        if (s.plan < 0)
          return plans.map((_, plan) => ({ to: { plan, chosen: [] }, step: null, total: 0, cost: () => ({}) }));
        const n = s.chosen.length;
        return (choices[n] ?? []).map((_, i) => {
          const chosen = [...s.chosen, i];
          const step =
            chosen.length === N
              ? { shapes: chosen.flatMap((c, m) => choices[m]?.[c]?.shape ?? []), pushes: plans[s.plan] ?? [] }
              : null;
          return { to: { plan: s.plan, chosen }, step, total: added(tables[s.plan], s.chosen, n, i), cost: () => ({}) };
        });
      },
    },
    request.k ?? 1,
    watch,
  );
  const answers = paths.flatMap((p): CompAnswer[] => {
    const [choice] = p.steps;
    if (!choice) return [];
    const scored = scoreComp(request, choice);
    return 'faults' in scored ? [] : [{ ...scored, names: laid.names, bass: bassOf(request, laid, choice) }];
  });
  return { answers };
}
