import type { PlannedBlock } from '../records.js';
import { allot, HALVES, type Wanted } from './allot.js';
import { MINUTES_WITHOUT_BREAK } from './breaks.js';
import { ROOM, type Room } from './room.js';

/** What a kind of block needs where a plan is fitted into less time than it was made for. */
const OF_KIND: Readonly<Record<PlannedBlock['kind'], Room>> = {
  'warm-up': ROOM.warmUp,
  'right hand': ROOM.hand,
  'block chords': ROOM.chords,
  together: ROOM.together,
  course: ROOM.together,
  'hard change': ROOM.change,
  'weak pair': ROOM.pair,
  burst: ROOM.burst,
  check: ROOM.check,
  form: ROOM.form,
  break: ROOM.break,
  own: ROOM.together,
};

/**
 * What is left of a plan, fitted into the minutes that are left: none becomes longer than it was, and what there is no
 * time for is left out, of the least worth first.
 * @param minutes in half minutes, half a minute or more
 * @example restOf([{ kind: 'form', bpm: null, minutes: 6, why: { code: 'form last', about: [] } }], 2)[0].minutes // 2
 */
export function restOf(blocks: readonly PlannedBlock[], minutes: number): PlannedBlock[] {
  // So little is played without a rest; after pain there is one all the same.
  const needed = blocks.filter((b) => minutes >= MINUTES_WITHOUT_BREAK || b.why.code !== 'rest the hands');
  const wanted = needed.map(({ minutes: planned, ...block }, n): Wanted => {
    const most = Math.round(planned * HALVES);
    const { least, worth } = OF_KIND[block.kind];
    // Of two of a kind the earlier matters more.
    return { block, least: Math.min(least, most), want: most, most, worth: worth - n / 1_000 };
  });
  return allot(wanted, Math.max(1, Math.floor(minutes * HALVES)));
}
