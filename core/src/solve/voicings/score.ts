import { pointsOf } from '../../search/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { fingeringCost, fingeringFaults, type HoldRefusal } from '../../left-hand/index.js';
import { type Ask, settled } from '../../player/index.js';
import { readAsk, soundCost, soundFault } from './ask.js';
import {
  type FrettedShape,
  VOICING_TERMS,
  type VoicingAnswer,
  type VoicingRefusal,
  type VoicingRequest,
} from './model.js';

/** What a shape costs as an answer to a request, apart from any search; why not when it is none. */
export function scoreVoicing(
  ask: Ask<VoicingRequest>,
  shape: FrettedShape,
): VoicingAnswer | { readonly faults: readonly Fact<VoicingRefusal | HoldRefusal>[] } {
  const request = settled<VoicingRequest>(ask);
  const reading = readAsk(request);
  if ('faults' in reading) return reading;
  const { asked } = reading;
  const sound = soundFault(asked, shape.frets);
  const faults = [...(sound ? [sound] : []), ...fingeringFaults(shape.frets, shape.fingers, asked.hand)];
  if (request.barre === false && fingeringCost(shape.frets, shape.fingers, asked.hand).barre > 0)
    faults.push(fact('no barre wanted'));
  if (faults.length) return { faults };
  const parts = { ...soundCost(asked, shape.frets), ...fingeringCost(shape.frets, shape.fingers, asked.hand) };
  const cost = Object.fromEntries(VOICING_TERMS.map((t) => [t, parts[t] ?? 0])) as VoicingAnswer['cost'];
  return {
    steps: [{ frets: shape.frets, fingers: shape.fingers }],
    cost,
    total: pointsOf(cost),
  };
}
