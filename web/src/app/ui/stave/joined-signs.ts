import { beamGroups, isNumbered, type NotatedBar, type Sign } from '@ruffle-wheel/core';
import { Beam, StaveNote, StaveTie, Tuplet } from 'vexflow/core';
import { type DrawnSign, type DrawnVoice, keysOf } from './drawn-signs';
import type { Drawn } from './system-layout';

export function tupletsOf(drawn: readonly DrawnSign[]): DrawnSign[][] {
  const groups = new Map<number, DrawnSign[]>();
  for (const d of drawn)
    if (d.sign.tuplet) groups.set(d.sign.tuplet.group, [...(groups.get(d.sign.tuplet.group) ?? []), d]);
  return [...groups.values()];
}
/** So many signs in the time of so many. */
export function shorten(group: readonly DrawnSign[]) {
  const { notes = 3, inSpaceOf = 2 } = group[0]?.sign.tuplet ?? {};
  return new Tuplet(
    group.map((d) => d.note),
    { numNotes: notes, notesOccupied: inSpaceOf },
  );
}
/** The numbers of tuplets, beyond the ends of their stems. */
export function numbersOf(bar: NotatedBar, voices: readonly DrawnVoice[]): Drawn['tuplets'] {
  return voices.flatMap(({ voice, drawn }) =>
    tupletsOf(drawn).flatMap((group) => {
      const seen = group.flatMap(({ note }) => (note instanceof StaveNote && !note.isRest() ? [note] : []));
      const [first, last] = [seen[0], seen[seen.length - 1]];
      const sign = group[0]?.sign;
      const tuplet = sign?.tuplet;
      if (!first || !last || !tuplet || !isNumbered(bar, voice, sign)) return [];
      const ends = seen.map((n) => n.getStemExtents().topY);
      const y = voice === 'fingers' ? Math.min(...ends) - 4 : Math.max(...ends) + 12;
      const x = (first.getAbsoluteX() + last.getAbsoluteX()) / 2 + 5;
      return [{ key: `${bar.n} ${voice} ${tuplet.group}`, x, y, text: String(tuplet.notes) }];
    }),
  );
}
export const beamsOf = (bar: NotatedBar, drawn: readonly DrawnSign[]): Beam[] => {
  const notes = new Map(
    drawn.map(({ sign, note }) => [sign, note instanceof StaveNote && !note.isRest() ? note : null]),
  );
  const signs = drawn.map((d) => d.sign);
  return beamGroups(bar, signs, (s) => s.event !== null && !!notes.get(s)).map(
    (group) => new Beam(group.flatMap((n) => notes.get(signs[n] as Sign) ?? [])),
  );
};
/** Ties inside a bar, and halves of those that come over its lines. */
export function tiesOf(bar: NotatedBar, drawn: readonly DrawnSign[]): StaveTie[] {
  const ties: StaveTie[] = [];
  const tie = (first: StaveNote | null, last: StaveNote | null) => {
    const keys = (last ?? first)?.keys.length ?? 0;
    const indexes = Array.from({ length: keys }, (_, i) => i);
    ties.push(new StaveTie({ firstNote: first, lastNote: last, firstIndexes: indexes, lastIndexes: indexes }));
  };
  let before: StaveNote | null = null;
  /** What was played last on every string: a ligado is bound to it. */
  const last = new Map<number, { note: StaveNote; event: number }>();
  const lastOn = (string: number) => last.get(string);
  for (const { sign, note } of drawn) {
    const event = bar.events[sign.event ?? -1];
    if (!event || !(note instanceof StaveNote)) continue;
    const { motion } = event;
    if (motion.kind === 'ligado' && !sign.tied) {
      const from = lastOn(motion.string);
      const index = (n: number) => keysOf(bar, 'fingers', n).findIndex((k) => k.note.string === motion.string);
      if (from) {
        // Where all is one head there is one to be tied.
        const firstIndexes = [Math.max(0, Math.min(index(from.event), from.note.keys.length - 1))];
        ties.push(new StaveTie({ firstNote: from.note, lastNote: note, firstIndexes, lastIndexes: [0] }));
      }
    }
    if (sign.tied) tie(before?.keys.length === note.keys.length ? before : null, note);
    before = note;
    for (const n of event.notes) last.set(n.string, { note, event: sign.event ?? 0 });
    if (sign.goesOver) tie(note, null);
  }
  return ties;
}
