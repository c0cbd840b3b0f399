import { apart, fretWidth, touchPoint } from '../../instrument/index.js';
import type { HoldingFinger, Shape } from '../../left-hand/index.js';
import { type HandProfile, isLate, leftHandOf, moveMs, neckOf } from '../../player/index.js';
import type { Borrowed } from '../../score/index.js';
import { bpm, millisOf, STRINGS, ticks } from '../../time/index.js';
import { finding, type FindingOf, type GraveMatter, placeIn } from '../model.js';

/** What a borrowed finger needs for its way home; nothing where there is no finger, or an open string is its home. */
function wayHome({ to, from, finger }: Borrowed, shape: Shape, profile: HandProfile, capo: number): number {
  const neck = neckOf(profile, capo);
  const home = from[0] ?? to.string;
  const fret = shape.frets[STRINGS.indexOf(home)] ?? 0;
  if (finger === 0 || fret === 0) return 0;
  const mm = apart(touchPoint(to.string, to.fret, neck), touchPoint(home, fret, neck));
  return moveMs(mm, fretWidth(fret, neck), leftHandOf(profile));
}
/** When each finger leaves its place for a note, and by when it has to be back. */
function borrowings({ grips }: GraveMatter['score']) {
  const began = new Map<string, { at: number; due: number; b: Borrowed; chord: number }>();
  for (const { at, borrowed, chord } of grips)
    for (const b of borrowed) {
      const key = `${chord} ${b.finger} ${b.to.string} ${b.to.fret} ${b.due}`;
      if (b.due !== null && !began.has(key)) began.set(key, { at, due: b.due, b, chord });
    }
  return [...began.values()];
}
/**
 * Fingers that are not back in time even if they leave their note as soon as it has sounded; each where it is hardest.
 */
export function fingersAway(m: GraveMatter): FindingOf<'finger away'>[] {
  const worst = new Map<string, { found: FindingOf<'finger away'>; share: number }>();
  for (const { at, due, b, chord } of borrowings(m.score)) {
    const held = m.score.chords[chord];
    if (!held) continue;
    const thereMs = millisOf(ticks(due - at), bpm(m.section.bpm));
    const neededMs = wayHome(b, held.shape, m.profile, m.score.instrument.capo);
    const key = `${held.shape.id} ${b.finger} ${b.to.string} ${b.to.fret}`;
    const share = thereMs / neededMs;
    if (!isLate({ neededMs, thereMs }) || (worst.get(key)?.share ?? Infinity) <= share) continue;
    const figures = {
      ...{ name: held.name, finger: b.finger as HoldingFinger },
      ...{ string: b.to.string, fret: b.to.fret, thereMs, neededMs },
    };
    worst.set(key, { found: finding('finger away', 'late', placeIn(m, due), figures), share });
  }
  return [...worst.values()].map((w) => w.found);
}
