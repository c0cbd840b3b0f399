import { type HandProfile, plectrumTime } from '../player/index.js';
import type { FlatPattern } from '../script/index.js';
import { numberedStrings, type PlectrumWay } from '../stroke/index.js';
import { type Bpm, millis, type Millis, millisOf, type StringNumber, ticks } from '../time/index.js';

/** What a plectrum does at a tempo, by the two strokes that leave it least room. */
export interface PlectrumLoad {
  readonly strokesPerSecond: number;
  readonly leastMs: Millis;
  readonly neededMs: Millis;
  /** needed ÷ available; above 1 it is late. */
  readonly share: number;
  readonly ceiling: number;
  /** It answers, or falls through: half a return. */
  readonly onItsWay: boolean;
  /** The slots of the two strokes. */
  readonly slot: number;
  readonly next: number;
}
interface Pick {
  readonly at: number;
  readonly slot: number;
  readonly way: PlectrumWay;
  readonly string: StringNumber | null;
}

/** A stroke the other way, or one on the thinner string on which a rest stroke has just landed, is half done already. */
function isOnItsWay(from: Pick, to: Pick): boolean {
  if ((from.way === 'u') !== (to.way === 'u')) return true;
  return from.way === 'd' && from.string !== null && to.string === from.string - 1;
}

/** The pattern played round and round with a plectrum; null when none is used. */
export function plectrumLoad(flat: FlatPattern, tempo: Bpm, profile: HandProfile): PlectrumLoad | null {
  const picks = flat.events.flatMap(({ at, slot, motion }): Pick[] =>
    motion.kind === 'stroke' && motion.plectrum
      ? [{ at, slot, way: motion.plectrum, string: numberedStrings(motion)?.[0] ?? null }]
      : [],
  );
  let worst: PlectrumLoad | null = null;
  picks.forEach((from, i) => {
    const to = picks[(i + 1) % picks.length] as Pick;
    const gap = millisOf(ticks(to.at - from.at + (i + 1 < picks.length ? 0 : flat.length)), tempo);
    const onItsWay = isOnItsWay(from, to);
    const neededMs = millis(plectrumTime(profile, onItsWay));
    const share = neededMs / gap;
    if (worst && share <= worst.share) return;
    worst = {
      strokesPerSecond: (picks.length * 1000) / millisOf(flat.length, tempo),
      leastMs: gap,
      neededMs,
      share,
      ceiling: tempo / share,
      onItsWay,
      slot: from.slot,
      next: to.slot,
    };
  });
  return worst;
}
