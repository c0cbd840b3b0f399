import { type Fact, fact } from '../../fault/index.js';
import { type Ask, type HandProfile, settled } from '../../player/index.js';
import { kBest, type SearchWatch } from '../../search/index.js';
import { sixOf } from '../../time/index.js';
import { type Asked, readAsk, soundFault } from './ask.js';
import type { FrettedShape, VoicingLimit, VoicingRefusal, VoicingRequest, VoicingResult } from './model.js';
import { held, voicingProblem } from './voicing-problem.js';

/**
 * The k best shapes for a chord or for given notes, best first, each with its cheapest fingers.
 * @returns reasons when the chord is not known or no shape can be held
 * @throws SearchCancelled when the watch says so
 */
export function voicings(ask: Ask<VoicingRequest>, watch: SearchWatch = {}): VoicingResult {
  const request = settled<VoicingRequest>(ask);
  const reading = readAsk(request);
  if ('faults' in reading) return { infeasible: reading.faults };
  const { paths, looked } = kBest(voicingProblem(reading.asked), request.k ?? 5, watch);
  return paths.length ? { answers: paths, looked } : { infeasible: [nothing(reading.asked)] };
}

/** A shape that is weighed in a row. */
export interface WeighedShape {
  readonly shape: FrettedShape;
  readonly total: number;
}
/** Fingerings of the same frets that are weighed. */
const FINGERINGS = 3;
/**
 * What a row chooses from: the k best shapes, and every taught form in its places up the neck, each with its cheapest
 * fingerings; cheapest first.
 * @returns reasons when there are none
 */
export function shapesToWeigh(request: VoicingRequest): ShapesToWeigh {
  const { profile, weights, ...plain } = request;
  if (weights) return weighAnew(request);
  const own = weighed.get(profile) ?? new Map<string, ShapesToWeigh>();
  weighed.set(profile, own);
  const key = JSON.stringify(plain);
  const found = own.get(key) ?? weighAnew(request);
  if (own.size >= MOST_KEPT) own.clear();
  own.set(key, found);
  return found;
}
/** A row is asked for again with every turn of a knob: what one hand finds for a symbol stays the same. */
const weighed = new WeakMap<HandProfile, Map<string, ShapesToWeigh>>();
const MOST_KEPT = 200;
type ShapesToWeigh =
  { readonly weighed: readonly WeighedShape[] } | { readonly infeasible: readonly Fact<VoicingRefusal>[] };
function weighAnew(request: VoicingRequest): ShapesToWeigh {
  const found = voicings(request);
  if (found.infeasible) return { infeasible: found.infeasible };
  const reading = readAsk(request);
  if ('faults' in reading) return { infeasible: reading.faults };
  const { asked } = reading;
  const sets = new Map(
    [...found.answers.flatMap((a) => a.steps.map((s) => s.frets)), ...asked.forms.map((f) => sixOf(f.frets))]
      .filter((frets) => soundFault(asked, frets) === null)
      .map((frets) => [frets.join(), frets]),
  );
  const weighed = [...sets.values()].flatMap((frets) => held(asked, frets, FINGERINGS));
  return { weighed: weighed.map(({ shape, total }) => ({ shape, total })).sort((a, b) => a.total - b.total) };
}
function nothing({ request }: Asked): Fact<VoicingRefusal> {
  const limits: VoicingLimit[] = [];
  if (request.strings && request.strings.length < 6) limits.push('strings');
  if (request.open === 'none') limits.push('no open');
  if (request.open === 'some') limits.push('some open');
  if (request.barre === false) limits.push('no barre');
  if (request.bass === 'root') limits.push('root in the bass');
  if (request.easy) limits.push('easy');
  if ((request.highestFret ?? 12) < 12) limits.push('low');
  return fact('no shape', ...limits);
}
