import { type Fact, fact } from '../../fault/index.js';
import { openPitch, pitchName } from '../../instrument/index.js';
import { type FingeringHand, fingerShape, type Frets, handOn, type LeftFinger } from '../../left-hand/index.js';
import { perString, STRINGS } from '../../time/index.js';
import { type FrettedShape, voicings } from '../voicings/index.js';
import { canHold } from './grip.js';
import {
  type FretEvent,
  type FretLineRequest,
  type FretRefusal,
  LONGEST_FRET_LINE,
  type Placed,
  SHAPES_FOR_CHORD,
} from './model.js';

/** What can't be a line, with the event it is about. */
export function lineFaults({ events, highestFret = 12 }: FretLineRequest): Fact<FretRefusal>[] {
  if (events.length === 0) return [fact('no notes')];
  if (events.length > LONGEST_FRET_LINE) return [fact('too many events', events.length, LONGEST_FRET_LINE)];
  const faults: Fact<FretRefusal>[] = [];
  if (!Number.isInteger(highestFret) || highestFret < 0 || highestFret > 19)
    faults.push(fact('highest fret', 19, highestFret));
  events.forEach((e, i) => {
    const before = events[i - 1];
    const chords = (e.shapes ? 1 : 0) + (e.chord === undefined ? 0 : 1);
    if (before && e.at <= before.at) faults.push(fact('events out of order', i + 1, i));
    if (e.notes.length === 0 && chords === 0) faults.push(fact('event without note', i + 1));
    if (chords > 1 || (chords > 0 && e.notes.length > 0)) faults.push(fact('chord and something else', i + 1));
    if (e.notes.length > 6) faults.push(fact('more notes than strings', i + 1, e.notes.length));
    const given = e.notes.flatMap((n) => n.string ?? []);
    if (new Set(given).size !== given.length) faults.push(fact('two notes on one string', i + 1));
  });
  return faults.slice(0, 20);
}

/** Every way to place an event's notes, or why there is none. */
export type Ways = { readonly ways: readonly Way[] } | { readonly fault: Fact };
export interface Way {
  readonly placed: readonly Placed[];
  /** Points of what a shape lacks of its chord: tones, strings, the bass. */
  readonly sound: number;
}
const looked = new WeakMap<FretLineRequest, (event: FretEvent) => Ways>();

/** Looks up the ways of an event; events of the same notes share them, and who scores a request many times does too. */
export function waysOf(request: FretLineRequest): (event: FretEvent) => Ways {
  const there = looked.get(request) ?? waysAnew(request);
  looked.set(request, there);
  return there;
}
function waysAnew(request: FretLineRequest): (event: FretEvent) => Ways {
  const hand = handOn(request.neck, request.profile);
  const known = new Map<string, Ways>();
  return (event) => {
    const shapes = event.shapes?.map((s) => `${s.frets.join()} ${s.fingers.join()}`).join('/');
    const notes = event.notes.map((n) => `${n.midi}.${n.string ?? ''}.${n.finger ?? ''}`).join();
    const key = `${event.chord ?? ''}|${shapes ?? ''}|${notes}`;
    const there = known.get(key) ?? placings(request, event, hand);
    known.set(key, there);
    return there;
  };
}

function placings(request: FretLineRequest, event: FretEvent, hand: FingeringHand): Ways {
  if (event.chord !== undefined) {
    const { tuning, neck, profile, highestFret } = request;
    const ask = { chord: event.chord, tuning, neck, profile, k: SHAPES_FOR_CHORD };
    const found = voicings(highestFret === undefined ? ask : { ...ask, highestFret: Math.min(15, highestFret) });
    if (found.infeasible) return { fault: found.infeasible[0] ?? fact('no shape') };
    return {
      ways: found.answers.flatMap((a) =>
        a.steps.map((shape): Way => ({
          placed: placedFrom(shape, shape.fingers),
          sound: a.cost.mutes + a.cost.missing + a.cost.bass + a.cost.thin + a.cost.form,
        })),
      ),
    };
  }
  const { shapes } = event;
  const ways = shapes ? shapesPlaced(shapes, hand) : notesPlaced(request, event, hand);
  if (ways.length) return { ways: ways.map((placed) => ({ placed, sound: 0 })) };
  return {
    fault: shapes ? fact('shape can’t be held') : cantPlay(request, event),
  };
}

const placedFrom = ({ frets }: FrettedShape, fingers: FrettedShape['fingers']): Placed[] =>
  STRINGS.flatMap((string, i): Placed[] => {
    const fret = frets[i] ?? null;
    return fret === null ? [] : [{ string, fret, finger: fingers[i] ?? 0 }];
  });

/** Shapes as they stand, or with every set of fingers that holds their frets and keeps those that are given; each once. */
function shapesPlaced(shapes: readonly FrettedShape[], hand: FingeringHand): Placed[][] {
  const ways = shapes.flatMap((shape) => {
    const given = shape.frets.every((f, i) => !f || (shape.fingers[i] ?? null) !== null);
    // Fingers that are given are taken at their word.
    const sets = given
      ? [shape.fingers]
      : fingerShape(shape.frets, hand, Infinity)
          .map((f) => f.fingers)
          .filter((set) => shape.fingers.every((g, i) => !g || !shape.frets[i] || g === set[i]));
    return sets.map((set) => placedFrom(shape, set)).filter((placed) => placed.length > 0 && canHold(placed, hand));
  });
  return [...new Map(ways.map((way) => [way.map((p) => Object.values(p).join()).join(), way])).values()];
}

/** Every string, fret and finger for notes that begin together. */
function notesPlaced(request: FretLineRequest, event: FretEvent, hand: FingeringHand): Placed[][] {
  let places: { string: (typeof STRINGS)[number]; fret: number }[][] = [[]];
  for (const note of event.notes)
    places = places.flatMap((before) =>
      placesFor(request, note.midi, note.string)
        .filter((p) => !before.some((b) => b.string === p.string))
        .map((p) => [...before, p]),
    );
  return places.flatMap((list) => {
    const frets: Frets = perString((s) => list.find((p) => p.string === s)?.fret ?? null);
    return fingerShape(frets, hand, Infinity)
      .map(({ fingers }) => list.map((p): Placed => ({ ...p, finger: fingers[STRINGS.indexOf(p.string)] ?? 0 })))
      .filter((placed) => placed.every((p, n) => isPinned(event.notes[n]?.finger, p.finger)));
  });
}
const isPinned = (wanted: LeftFinger | undefined, finger: LeftFinger) => wanted === undefined || wanted === finger;

function cantPlay(request: FretLineRequest, event: FretEvent): Fact<FretRefusal> {
  const lost = event.notes.find((n) => placesFor(request, n.midi, n.string).length === 0);
  if (lost) return fact('note out of reach', pitchName(lost.midi), lost.string ?? '', request.highestFret ?? 12);
  return fact('notes can’t be held together');
}

function placesFor({ tuning, neck, highestFret = 12 }: FretLineRequest, midi: number, string?: number) {
  return STRINGS.filter((s) => string === undefined || s === string).flatMap((s) => {
    const fret = midi - openPitch(tuning, s, neck.capo);
    return fret >= 0 && fret <= highestFret ? [{ string: s, fret }] : [];
  });
}
