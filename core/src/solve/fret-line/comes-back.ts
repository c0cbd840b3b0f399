import type { FretLineRequest } from './model.js';

/** Events over which a note is waited for. */
const WITHIN = 4;
/** Semitones of a step; wider ones are leaps, and what leaps back and forth is a shape that is held. */
const STEP = 3;

/**
 * For every event the pitches that come soon after it, where the line leaps back and forth about it and notes come
 * back on strings that are given: it belongs to a shape that is held. Null elsewhere: in a scale fingers go on, and a
 * melody that looks for its strings yet is no shape.
 */
export function comingBack({ events }: Pick<FretLineRequest, 'events'>): (ReadonlySet<number> | null)[] {
  const top = events.map((e) => (e.notes.length ? Math.max(...e.notes.map((n) => n.midi)) : null));
  const leaps = top.map((midi, i) => {
    const next = top[i + 1];
    return midi === null || next === null || next === undefined ? false : Math.abs(next - midi) > STEP;
  });
  const last = (i: number) => Math.min(events.length - 1, i + WITHIN);
  const returns = events.map((e, i) => {
    if (e.notes.length === 0 || e.notes.length > 2 || e.notes.some((n) => n.string === undefined)) return false;
    for (let j = i + 2; j <= last(i); j++)
      if (e.notes.some((own) => events[j]?.notes.some((n) => n.midi === own.midi)))
        return leaps.slice(Math.max(0, i - 1), j + 1).some(Boolean);
    return false;
  });
  return events.map((_, i) =>
    returns[i] || returns[i - 1] || returns[i - 2]
      ? new Set(events.slice(i + 1, last(i) + 1).flatMap((x) => x.notes.map((n) => n.midi)))
      : null,
  );
}
