import type { AccentMeeting } from '../../round/index.js';
import { type AccentPlace, type Finding, finding, type FindingMatter, placeIn } from '../model.js';

const placeOf = ({ label, turn }: AccentMeeting): AccentPlace => ({ label, turn });
/** The same finger the same way carries its accents together. */
const whoOf = ({ by }: AccentMeeting): string => (by ? `${by.kind} ${by.fingers.join('')} ${by.dir}` : '');

/** Who meets the accents of the cycle, which of them are met weakly, and which by nothing. */
export function accents(m: FindingMatter): Finding[] {
  const { layout, section } = m;
  const { meetings, missed, turns } = layout;
  const whole = placeIn(m);
  const first = meetings.filter((m) => m.turn === 0);
  if (first.length === 0) return [];
  const found: Finding[] = [
    finding('accents met', 'plain', whole, { first: first.map(({ label, by }) => ({ label, by })), turns }),
  ];
  const weak = meetings.filter((m) => m.weak);
  if (weak.length > 0) {
    const who = new Map<string, AccentMeeting[]>();
    for (const m of weak) who.set(whoOf(m), [...(who.get(whoOf(m)) ?? []), m]);
    found.push(
      finding('accents weak', 'watch', whole, {
        weak: weak.length,
        all: meetings.length,
        turns,
        who: [...who.values()].map((list) => ({ by: list[0]?.by ?? null, places: list.map(placeOf) })),
      }),
    );
  } else if (missed.length === 0)
    found.push(finding('accents carried', 'good', whole, { accents: section.cycle.accents.length }));
  if (missed.length > 0) found.push(finding('accents missed', 'watch', whole, { missed: missed.map(placeOf), turns }));
  return found;
}
