import { readChord } from '../../chord/index.js';
import { openPitch } from '../../instrument/index.js';
import { bassString } from '../../left-hand/index.js';
import { type Ask, isLate, settled } from '../../player/index.js';
import { millisOf, type StringNumber, STRINGS, ticks, type Ticks } from '../../time/index.js';
import type { FrettedShape } from '../voicings/index.js';
import { ownStrokes } from './bass-part.js';
import { layFigure, type Laid } from './laid.js';
import type { CompAnswer, CompRequest } from './model.js';
import { fingerSet, heardTones, symbolOf } from './sounding.js';
import { type Room, roomAt } from './cost.js';

/** What an accompaniment makes of one chord in its place. */
export interface CompChordFacts {
  readonly name: string;
  readonly at: Ticks;
  /** Counted from 0, the figure's too. */
  readonly bar: number;
  readonly figureBars: readonly number[];
  /** This chord had the figure's other bar where it came before. */
  readonly turned: boolean;
  /** Its first stroke, and who plays it; before the chord's place when it is pushed. */
  readonly first: { readonly at: Ticks; readonly thumb: boolean; readonly fingers: boolean } | null;
  /** What becomes of the chord before that would ring into it. */
  readonly tie: 'push' | 'as written' | null;
  readonly thumb: StringNumber | null;
  readonly set: readonly StringNumber[];
  /** The block of the fingers moves to other strings here. */
  readonly moves: boolean;
  readonly unheard: readonly string[];
  readonly doubled: readonly string[];
  /** Open strings of the bass before that ring on into it and are no tone of it. */
  readonly ringsOn: readonly StringNumber[];
  /** The left hand's time as it stands, and the other way: pushed where it is not, and not where it is. */
  readonly room: Room | null;
  readonly otherRoom: Room | null;
  /** There is less time than it needs. */
  readonly late: boolean;
}
export interface CompFacts {
  readonly chords: readonly CompChordFacts[];
  /** The figure has another bar first when the chart comes round: it needs so many times. */
  readonly rounds: number;
  /** The tempo up to which the left hand is in time everywhere; null where nothing moves. */
  readonly leftCeiling: number | null;
  /** The least time between two strokes of the thumb. */
  readonly thumbMs: number | null;
}

/** Everything that is to be known of an accompaniment, chord by chord. */
export function compFacts(ask: Ask<CompRequest>, answer: CompAnswer): CompFacts {
  const request = settled<CompRequest>(ask);
  const laid = layFigure(request);
  if ('infeasible' in laid) return { chords: [], rounds: 0, leftCeiling: null, thumbMs: null };
  const seen = new Map<number, string>();
  const thumbs = laid.chords.flatMap((c) => c.strokes.filter((s) => s.thumb).map((s) => s.at));
  const chords = laid.chords.map((c, n): CompChordFacts => {
    const before = (n - 1 + laid.chords.length) % laid.chords.length;
    const name = laid.names[c.name] ?? '';
    const shape = answer.shapes[c.name];
    const from = answer.shapes[laid.chords[before]?.name ?? 0];
    const phase = c.figureBars.join();
    const turned = (seen.get(c.name) ?? phase) !== phase;
    if (!seen.has(c.name)) seen.set(c.name, phase);
    const { thumb, fingers } = ownStrokes(laid, n, answer.pushes);
    const strokes = [...thumb, ...fingers].sort((a, b) => a.at - b.at);
    const first = strokes[0] ? (c.strokes.find((s) => s.at === strokes[0]?.at) ?? strokes[0]) : null;
    const set = shape ? fingerSet(request, name, shape) : [];
    const other = answer.pushes.map((p, i) => (i === n ? !p : p));
    const moving = shape && from && before !== n;
    const room = moving ? roomAt(request, laid, n, answer.pushes, from, shape) : null;
    return {
      name,
      at: ticks(c.at),
      bar: c.bar,
      figureBars: c.figureBars,
      turned,
      first: first ? { at: ticks(first.at), thumb: first.thumb, fingers: first.fingers } : null,
      tie: c.tied ? (answer.pushes[n] ? 'push' : 'as written') : null,
      thumb: shape && thumbs.length ? bassString(shape) : null,
      set,
      moves:
        !!from &&
        before !== n &&
        fingerSet(request, laid.names[laid.chords[before]?.name ?? 0] ?? '', from).join() !== set.join(),
      ...(shape ? heardTones(request, name, shape) : { unheard: [], colours: 0, doubled: [] }),
      ringsOn: moving ? ringingInto(request, laid, n, answer, shape) : [],
      room,
      late: room !== null && isLate(room),
      otherRoom: moving && c.tied ? roomAt(request, laid, n, other, from, shape) : null,
    };
  });
  const rooms = chords.flatMap((c) => (c.room && c.room.neededMs > 0 ? [c.room] : []));
  const share = Math.min(...rooms.map((r) => r.thereMs / r.neededMs));
  const gaps = thumbs.slice(1).map((at, i) => at - (thumbs[i] ?? 0));
  return {
    chords,
    rounds: laid.bars.length / laid.chartBars,
    leftCeiling: rooms.length ? Math.floor(request.tempo * share) : null,
    thumbMs: gaps.length ? Math.round(millisOf(ticks(Math.min(...gaps)), request.tempo)) : null,
  };
}

/** The last bass before a chord, where it is an open string, is struck no more, and does not belong to it. */
function ringingInto(
  request: CompRequest,
  laid: Laid,
  n: number,
  answer: CompAnswer,
  shape: FrettedShape,
): StringNumber[] {
  const before = (n - 1 + laid.chords.length) % laid.chords.length;
  if (request.bassLength === 'short') return [];
  const counts = laid.chords.map((c) => c.strokes.filter((s) => s.thumb).length);
  const end = counts.slice(0, before + 1).reduce((a, b) => a + b, 0);
  const last = answer.bass[end - 1];
  const read = readChord(symbolOf(request, laid.names[laid.chords[n]?.name ?? 0] ?? ''));
  if (!last || last.fret !== 0 || (counts[before] ?? 0) === 0 || !read.ok) return [];
  const i = STRINGS.indexOf(last.string);
  // A finger that comes down on it, or the thumb that strikes it, ends it.
  if ((shape.frets[i] ?? 0) > 0 || bassString(shape) === last.string) return [];
  const pitch = openPitch(request.tuning, last.string, request.neck.capo) % 12;
  return read.chord.tones.some((t) => t.pitchClass === pitch) ? [] : [last.string];
}
