import { openPitch } from '../../instrument/index.js';
import { pedalPitches } from '../../passage/index.js';
import { midi, type Midi, STRINGS } from '../../time/index.js';
import type { FretEvent, FretLineRequest, Placed } from './model.js';

/** For every event the pitch that is a pedal in it, or null. Strings that are asked for stay the player's. */
export function pedalsIn({
  events,
  tuning,
  neck,
}: Pick<FretLineRequest, 'events' | 'tuning' | 'neck'>): (Midi | null)[] {
  const open = STRINGS.map((s) => openPitch(tuning, s, neck.capo));
  const asked = (n: FretEvent['notes'][number]): boolean =>
    n.string !== undefined && open[STRINGS.indexOf(n.string)] !== n.midi;
  return pedalPitches(
    events.map(({ notes }) => (notes.some(asked) ? [] : notes.map((n) => midi(n.midi)))),
    open.map(midi),
  );
}
/** What an event pays for a pedal that is stopped. */
export const pedalCost = ({ school }: FretLineRequest, pedal: Midi | null, placed: readonly Placed[]): number =>
  pedal !== null && placed.some((p) => p.fret > 0) ? school.weights.pedal : 0;
