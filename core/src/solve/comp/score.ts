import { addCost, pointsOf, zeroCost } from '../../search/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { type Ask, settled } from '../../player/index.js';
import { bassUnder } from './bass-part.js';
import type { PlayedBass } from '../bass-line/index.js';
import { scoreVoicing } from '../voicings/index.js';
import { layFigure, type Laid } from './laid.js';
import { COMP_TERMS, type CompAnswer, type CompChoice, type CompRefusal, type CompRequest } from './model.js';
import { symbolOf } from './sounding.js';
import { changeCost, type CompCost, ownCost } from './cost.js';
import { LEAST_STRINGS } from '../voicings/index.js';

/** What shapes and pushes cost as an accompaniment, apart from any search; why not when they are none. */
export function scoreComp(
  ask: Ask<CompRequest>,
  { shapes, pushes }: CompChoice,
): Omit<CompAnswer, 'names' | 'bass'> | { readonly faults: readonly Fact<CompRefusal>[] } {
  const request = settled<CompRequest>(ask);
  const laid = layFigure(request);
  if ('infeasible' in laid) return { faults: laid.infeasible };
  const { chords, names } = laid;
  const { tuning, neck, profile } = request;
  const own = names.map((name, n) => {
    const shape = shapes[n];
    if (!shape) return { faults: [fact('chord without shape' as const, n + 1, name)] };
    if (request.given?.[name]) return { total: 0 };
    const chord = symbolOf(request, name);
    return scoreVoicing({ chord, tuning, neck, profile, atLeast: LEAST_STRINGS, bass: 'root' }, shape);
  });
  const faults = own.flatMap((o) => ('faults' in o ? (o.faults as Fact<CompRefusal>[]) : []));
  if (faults.length) return { faults };
  const cost = zeroCost(COMP_TERMS);
  const add = (more: CompCost) => {
    addCost(cost, more);
  };
  chords.forEach((c, n) => {
    const shape = shapes[c.name];
    const before = shapes[chords[(n - 1 + chords.length) % chords.length]?.name ?? 0];
    const weighed = own[c.name];
    const next = shapes[chords[(n + 1) % chords.length]?.name ?? 0];
    if (!shape || !before || !next) return;
    add(ownCost(request, names[c.name] ?? '', shape, weighed && 'total' in weighed ? (weighed.total ?? 0) : 0));
    add(changeCost(request, laid, n, pushes, before, shape));
    add({ bass: bassUnder(request, laid, n, pushes, shape)(next).total });
  });
  return { shapes, pushes, cost, total: pointsOf(cost) };
}

/** The basses that go with shapes and pushes, stroke by stroke. */
export function bassOf(request: CompRequest, laid: Laid, { shapes, pushes }: CompChoice): PlayedBass[] {
  return laid.chords.flatMap((c, n) => {
    const next = laid.chords[(n + 1) % laid.chords.length];
    const [shape, after] = [shapes[c.name], shapes[next?.name ?? 0]];
    if (!shape || !after) return [];
    return bassUnder(
      request,
      laid,
      n,
      pushes,
      shape,
    )(after).notes.map(({ string, fret, finger, way }): PlayedBass => ({ string, fret, finger, way }));
  });
}
