import { BASS_STRINGS } from '../../stroke/index.js';
import { openPitch } from '../../instrument/index.js';
import { bassString, type FingeringHand, growls, handOn, OPEN_SHAPE } from '../../left-hand/index.js';
import { latePoints, returnTime } from '../../player/index.js';
import { type CostSplit, pointsOf } from '../../search/index.js';
import { millisOf, type StringNumber, STRINGS, ticks } from '../../time/index.js';
import type { FrettedShape } from '../voicings/index.js';
import { type Approach, type BassRequest, type BassRole, type BassTerm, type PlayedBass } from './model.js';
import { type BassTones, bassTones, rolesOf } from './roles.js';
import { type WayToBass, waysToBass } from './ways.js';
import { BASS_WEIGHTS, FIFTH, STEP } from './weights.js';

/** A place for a stroke with all that it costs by itself. */
export interface BassChoice extends WayToBass {
  readonly pitch: number;
  readonly suffers: readonly StringNumber[];
  readonly muddy: readonly StringNumber[];
  readonly cost: Readonly<Partial<Record<BassTerm, number>>>;
  readonly own: number;
}
/** A request with what every stroke is asked about worked out once. */
export interface AskedBass {
  readonly request: BassRequest;
  readonly hand: FingeringHand;
  readonly roles: readonly BassRole[];
  readonly tones: readonly (BassTones | null)[];
  /** What the fingers strike while a stroke's note lasts, and what rings on into it. */
  readonly meanwhile: readonly (readonly StringNumber[])[];
  /** What the fingers strike with it, or as the very next thing on its chord. */
  readonly next: readonly (readonly StringNumber[])[];
}
/** Frets from the capo on to which a bass is looked for. */
const HIGHEST_BASS = 12;

export function askedBass(request: BassRequest): AskedBass {
  return {
    request,
    hand: handOn(request.neck, request.profile),
    roles: rolesOf(request),
    tones: request.chords.map((c) => bassTones(c.symbol)),
    meanwhile: request.strokes.map((s) => meanwhile(request, s.at, s.until)),
    next: request.strokes.map((_, n) => struckNext(request, n)),
  };
}
/** A finger is not back for a stroke that comes with the bass, or right after it. */
function struckNext({ figure = [], strokes }: BassRequest, stroke: number): readonly StringNumber[] {
  const [own, after] = [strokes[stroke], strokes[stroke + 1]];
  const next = figure.find((f) => own && f.at >= own.at);
  return next && (!after || next.at < after.at) ? next.strings : [];
}
/** Strings of the figure that sound in a stretch: struck in it, or last struck before on the same chord. */
function meanwhile({ figure = [], strokes }: BassRequest, at: number, until: number): StringNumber[] {
  const chord = strokes.find((s) => s.at === at)?.chord;
  const began = strokes.find((s) => s.chord === chord)?.at ?? at;
  const sounding = new Set<StringNumber>();
  for (const f of figure) if (f.at < until && f.at >= Math.min(began, at)) for (const s of f.strings) sounding.add(s);
  return [...sounding].sort((a, b) => b - a);
}

/** Every place and finger that a stroke can have, cheapest first. */
export function choicesFor(asked: AskedBass, stroke: number): BassChoice[] {
  const { request, roles, tones } = asked;
  const role = roles[stroke] ?? 'root';
  const chord = request.strokes[stroke]?.chord ?? 0;
  const [tone, following] = [tones[chord], tones[nextChord(request, stroke)]];
  const shape = request.chords[chord]?.shape;
  if (!tone || !following || !shape) return [];
  const wanted = pitchClassesFor(role, tone, following);
  // No finger goes below the thumb: what they strike in the same moment is thinner.
  const at = request.strokes[stroke]?.at;
  const thickest = Math.max(0, ...(request.figure ?? []).flatMap((f) => (f.at === at ? f.strings : [])));
  const found = BASS_STRINGS.filter((s) => s > thickest).flatMap((string) => {
    const open = openPitch(request.tuning, string, request.neck.capo);
    const there: BassChoice[] = [];
    for (let fret = 0; fret <= HIGHEST_BASS; fret++)
      if (wanted.has((open + fret) % 12)) there.push(...choicesAt(asked, stroke, shape, string, fret));
    return there;
  });
  const next = asked.next[stroke] ?? [];
  const left = found.filter((c) => !c.leaves.some((s) => next.includes(s)));
  // Where no other note can be had, the shape's own bass stays.
  const own = ownBass(asked, stroke);
  return (left.length ? left : found.length && own.string > thickest ? [own] : found).sort(
    (a, b) => a.own - b.own || b.string - a.string || a.fret - b.fret,
  );
}
function pitchClassesFor(role: BassRole, own: BassTones, next: BassTones): ReadonlySet<number> {
  if (role === 'root') return new Set([own.root]);
  if (role === 'fifth') return new Set([own.fifth]);
  if (role === 'walk') return own.scale;
  return new Set([-STEP, -1, 1, STEP].map((by) => (next.root + by + 12) % 12));
}

/** Lines ask for the same places of the same shapes stroke after stroke. */
const known = new WeakMap<FrettedShape, Known>();
interface Known extends Pick<BassRequest, 'neck' | 'profile' | 'tuning'> {
  readonly choices: Map<string, readonly BassChoice[]>;
}
/** All ways to have one place for a stroke. */
function choicesAt(asked: AskedBass, stroke: number, shape: FrettedShape, string: StringNumber, fret: number) {
  const { neck, profile, tuning } = asked.request;
  const before = known.get(shape);
  const same = before?.neck === neck && before.profile === profile && before.tuning === tuning;
  const own = before && same ? before : { neck, profile, tuning, choices: new Map<string, readonly BassChoice[]>() };
  if (own !== before) known.set(shape, own);
  // Beside the place it is what sounds meanwhile that decides, and whether it is a root.
  const key = `${string}/${fret} ${asked.meanwhile[stroke]?.join('') ?? ''} ${asked.roles[stroke] === 'root'}`;
  const found =
    own.choices.get(key) ??
    waysToBass(shape, string, fret, asked.hand).map((way) => choiceOf(asked, stroke, shape, way));
  own.choices.set(key, found);
  return found;
}
/** The shape's own bass for a stroke, whatever tone of the chord it is. */
export function ownBass(asked: AskedBass, stroke: number): BassChoice {
  const shape = asked.request.chords[asked.request.strokes[stroke]?.chord ?? 0]?.shape ?? OPEN_SHAPE;
  const string = bassString(shape) ?? 6;
  const i = STRINGS.indexOf(string);
  const fret = shape.frets[i] ?? 0;
  const way = fret === 0 ? 'open' : 'there';
  const held = { string, fret, finger: shape.fingers[i] ?? 0, way, movement: 0, leaves: [] } as const;
  return choiceOf(asked, stroke, shape, held);
}
/** The chord of the stroke that follows; at the end of a line that does not go round, the same. */
export function nextChord({ strokes, round }: BassRequest, stroke: number): number {
  const own = strokes[stroke]?.chord ?? 0;
  return (strokes[stroke + 1] ?? (round ? strokes[0] : undefined))?.chord ?? own;
}

function choiceOf(
  { request, roles, meanwhile: all }: AskedBass,
  stroke: number,
  shape: FrettedShape,
  way: WayToBass,
): BassChoice {
  const sounding = all[stroke] ?? [];
  const pitchOn = (s: StringNumber, fret: number) => openPitch(request.tuning, s, request.neck.capo) + fret;
  const pitch = pitchOn(way.string, way.fret);
  const suffers = way.leaves.filter((s) => sounding.includes(s));
  const muddy = sounding.filter((s) => {
    const fret = shape.frets[STRINGS.indexOf(s)] ?? null;
    if (fret === null || s === way.string || suffers.includes(s)) return false;
    return growls(pitch, pitchOn(s, fret));
  });
  // The fingers' strings are theirs: the thumb stays on thicker ones.
  const thickest = Math.max(0, ...sounding);
  const cost = {
    movement: way.movement,
    suffers: BASS_WEIGHTS.suffers * suffers.length,
    mud: BASS_WEIGHTS.mud * muddy.length,
    set: way.string <= thickest ? BASS_WEIGHTS.set : 0,
    line: roles[stroke] === 'root' && way.string !== bassString(shape) ? BASS_WEIGHTS.otherRoot : 0,
  };
  return { ...way, pitch, suffers, muddy, cost, own: pointsOf(cost) };
}

/** What the way from one bass to the next costs. */
export function wayOn(asked: AskedBass, from: number, a: Placed, to: number, b: Placed): Partial<CostSplit<BassTerm>> {
  const { request, roles, tones } = asked;
  const apart = Math.abs(a.pitch - b.pitch);
  const role = roles[from] ?? 'root';
  let line = 0;
  if (role === 'approach')
    line = approachPoints(
      a.pitch,
      b.pitch - a.pitch,
      request.approach ?? USUAL,
      tones[request.strokes[from]?.chord ?? 0]?.scale,
    );
  const walks = WALKS.has(roles[to] ?? 'root');
  if (walks && apart === 0) line += BASS_WEIGHTS.stays;
  if (role === 'walk' || roles[to] === 'walk') line += BASS_WEIGHTS.skip * Math.max(0, apart - STEP);
  const own = tones[request.strokes[to]?.chord ?? 0];
  if (roles[to] === 'walk' && !own?.tones.has(b.pitch % 12)) line += BASS_WEIGHTS.passing;
  const { neededMs, thereMs } = thumbBetween(request, from, to);
  return {
    leap: BASS_WEIGHTS.leap * Math.max(0, apart - FIFTH),
    thumb:
      BASS_WEIGHTS.thumbString * Math.max(0, Math.abs(a.string - b.string) - 1) +
      (thereMs === null ? 0 : latePoints(BASS_WEIGHTS.thumbLate, neededMs, thereMs)),
    line,
  };
}
/** Notes of a walk: those on the way, and the one that leads on. */
const WALKS: ReadonlySet<BassRole> = new Set(['walk', 'approach']);
type Placed = Pick<BassChoice, 'string' | 'pitch'>;

/** Points of a note that leads on to a root so many semitones above it, below it when negative. */
function approachPoints(pitch: number, up: number, { by, from }: Approach, scale?: ReadonlySet<number>): number {
  if (up === 0 || Math.abs(up) > STEP) return BASS_WEIGHTS.farFromRoot;
  const side = from === 'any' || (from === 'below') === up > 0 ? 0 : BASS_WEIGHTS.otherSide;
  const [semitone, inScale] = [Math.abs(up) === 1, scale?.has(pitch % 12) ?? true];
  const fits = by === 'any' ? semitone || inScale : by === 'chromatic' ? semitone : inScale;
  return side + (fits ? 0 : BASS_WEIGHTS.otherStep);
}
const USUAL: Approach = { by: 'any', from: 'any' };

/** What the thumb has from one stroke to the next, and needs; nothing is there where the line does not go round. */
export function thumbBetween({ strokes, tempo, profile }: BassRequest, from: number, to: number) {
  const [a, b] = [strokes[from], strokes[to]];
  const neededMs = returnTime(profile, 'p', false);
  const there = a && b && b.at > a.at ? millisOf(ticks(b.at - a.at), tempo) : null;
  return { neededMs, thereMs: there };
}
export const isSame = (a: PlayedBass, b: PlayedBass): boolean =>
  a.string === b.string && a.fret === b.fret && a.finger === b.finger && a.way === b.way;
