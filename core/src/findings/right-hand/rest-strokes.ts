import { pedalsOf, type ScoreEvent } from '../../score/index.js';
import { type Finger, hasMarkAnywhere, marksOn } from '../../stroke/index.js';
import { isStringNumber, type StringNumber } from '../../time/index.js';
import { type Finding, finding, type FindingMatter, placeIn } from '../model.js';
import { firstPass, neighbours } from './first-pass.js';

/** Where a rest stroke comes to rest: the thumb on the next thinner string, a finger on the next thicker one. */
function landing(finger: Finger, string: StringNumber): StringNumber | null {
  const on = finger === 'p' ? string - 1 : string + 1;
  return isStringNumber(on) ? on : null;
}
/** Strings that ring on before each stroke of the first pass, as they are marked, or as a pedal does. */
function ringingBefore(events: readonly ScoreEvent[]): ReadonlyMap<ScoreEvent, ReadonlySet<StringNumber>> {
  const pedals = pedalsOf(events);
  const now = new Set<StringNumber>();
  const before = new Map<ScoreEvent, ReadonlySet<StringNumber>>();
  for (const e of events) {
    before.set(e, new Set(now));
    for (const { string } of e.notes) {
      const rings = marksOn(e.motion, string).includes('~') || pedals.has(e);
      if (rings) now.add(string);
      else now.delete(string);
    }
  }
  return before;
}
/** Rest strokes that land on a string that is to ring on, or on the one that another finger plays next. */
export function restStrokes(m: FindingMatter): Finding[] {
  const events = firstPass(m);
  const ringing = ringingBefore(events);
  const next = new Map(neighbours(m).map(({ from, to }) => [from, to]));
  const seen = new Set<string>();
  return events.flatMap((e): Finding[] => {
    if (!hasMarkAnywhere(e.motion, '_')) return [];
    return e.notes.flatMap(({ string, right }): Finding[] => {
      const on = right && marksOn(e.motion, string).includes('_') ? landing(right, string) : null;
      if (!right || on === null || e.notes.some((n) => n.string === on)) return [];
      const rings = ringing.get(e)?.has(on) ?? false;
      // In a run each finger leaves the string for the one that comes: only between thumb and fingers it is in the way.
      const by = next.get(e)?.notes.find((n) => n.string === on)?.right ?? null;
      const inTheWay = by !== null && (by === 'p') !== (right === 'p');
      const key = `${right} ${string} ${rings}`;
      if ((!rings && !inTheWay) || seen.has(key)) return [];
      seen.add(key);
      return [
        finding('rest stroke lands', 'watch', placeIn(m, e.at, e.slot), {
          ...{ finger: right, string, on, next: rings ? null : by },
        }),
      ];
    });
  });
}
