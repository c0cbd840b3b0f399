import { type AccentCycle, placeLabel } from '../../cycle/index.js';
import type { CompChordFacts, CompFacts } from '../../solve/comp/index.js';
import { isMany } from '../how-much.js';
import { byNumber, listed, plural, sentence } from './numbers.js';
import { sayTones } from './left-hand/tones.js';

/** Which bar of the figure a chord gets: `bar 1`, `bars 1 2`. */
const figureBars = (bars: readonly number[]): string =>
  `${byNumber(bars.length, 'bar', 'bars')} ${bars.map((b) => b + 1).join(' ')} of the figure`;

/**
 * What an accompaniment makes of one chord: its half of the figure, where it begins, who plays which strings, what
 * is not heard, what rings on, the time for the change.
 */
export function sayCompChord(f: CompChordFacts, cycle: AccentCycle): string[] {
  const lines: string[] = [];
  const turned = f.turned ? ', turned round against its first time' : '';
  lines.push(sentence(`${figureBars(f.figureBars)}${turned}`));
  if (f.first) {
    const at = placeLabel(cycle, f.first.at);
    const with_ =
      f.first.thumb && f.first.fingers ? 'with the whole hand' : f.first.thumb ? 'with the thumb' : 'with the fingers';
    const early = f.first.at < f.at ? ` before its bar` : '';
    lines.push(`Begins on ${at}${early} ${with_}.`);
  }
  if (f.tie === 'push')
    lines.push('The chord before it is pushed: what is tied over belongs to this one, the bass comes on its beat.');
  if (f.tie === 'as written') lines.push('The chord before it ends where this one begins.');
  lines.push(
    f.thumb === null
      ? `Strummed over ${f.set.join(' ')}.`
      : `Thumb on ${f.thumb}, fingers on ${f.set.join(' ')}${f.moves ? '; the fingers move to other strings' : ''}.`,
  );
  if (f.unheard.length) lines.push(`Not heard: ${sayTones(f.unheard)}.`);
  if (f.doubled.length) lines.push(`Doubled: ${sayTones(f.doubled)}.`);
  if (f.ringsOn.length)
    lines.push(
      `String ${listed(f.ringsOn.map(String))} rings on into it and is no tone of it: stop it with the thumb.`,
    );
  const { room, otherRoom } = f;
  if (room?.neededMs) {
    const here = `${f.late ? 'No room' : 'Room'}: the hand has ${Math.round(room.thereMs)} ms, needs about ${Math.round(room.neededMs)}`;
    const other = otherRoom
      ? `; ${f.tie === 'push' ? 'not pushed' : 'pushed'} it would have ${Math.round(otherRoom.thereMs)}`
      : '';
    lines.push(`${here}${other}.`);
  }
  return lines;
}

/** What holds for the accompaniment as a whole. */
export function sayComp(f: CompFacts): string[] {
  const lines: string[] = [];
  if (isMany(f.rounds))
    lines.push(
      `The figure has its other bar first when the chart comes again; both meet after ${plural(f.rounds, 'time')}.`,
    );
  const turned = [...new Set(f.chords.filter((c) => c.turned).map((c) => c.name))];
  if (turned.length) lines.push(`The figure lies the other way round under ${listed(turned)} here and there.`);
  if (f.leftCeiling !== null) lines.push(`The left hand is in time up to ${f.leftCeiling} counts a minute.`);
  return lines;
}
