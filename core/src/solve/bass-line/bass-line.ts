import { type Fact, fact, factBecause } from '../../fault/index.js';
import { readChord } from '../../chord/index.js';
import { openPitch } from '../../instrument/index.js';
import { bassString } from '../../left-hand/index.js';
import { type Ask, settled, isLate } from '../../player/index.js';
import { kBest, type Move, type SearchWatch, withExactBound, pointsOf } from '../../search/index.js';
import { STRINGS } from '../../time/index.js';
import { type AskedBass, askedBass, type BassChoice, choicesFor, isSame, thumbBetween, wayOn } from './cost.js';
import {
  BASS_TERMS,
  type BassFacts,
  type BassRefusal,
  type BassRequest,
  type BassResult,
  type BassTerm,
  type PlayedBass,
} from './model.js';

interface State {
  readonly n: number;
  /** The place before, and the first one where the line goes round. */
  readonly last: BassChoice | null;
  readonly first: BassChoice | null;
}
const placeOf = (c: BassChoice | null): number => (c ? 100 * c.string + c.fret : 0);

/** What can't be asked of a line. */
export function bassFaults({ strokes, chords }: BassRequest): Fact<BassRefusal>[] {
  if (strokes.length === 0) return [fact('no bass strokes')];
  return chords.flatMap((c, i) => {
    const read = readChord(c.symbol);
    return read.ok ? [] : [factBecause(read.refusal, 'chord unread' as const, i + 1, c.symbol)];
  });
}

/**
 * The k best bass lines: for every stroke of the thumb string, fret and finger of the root, the fifth or a note that leads
 * on, against the shape that is held and what the fingers play over it.
 * @returns reasons when a chord is not known, or a bass lies nowhere on its strings
 * @throws SearchCancelled when the watch says so
 * @example bassLine({ tuning: STANDARD_TUNING, profile: DEFAULT_PROFILE, tempo: bpm(60), chords: [{ symbol: 'Am', shape: readShape('x02210', 'x02310') }], strokes: [{ at: 0, until: 5040, chord: 0 }], habit: 'root' }).answers[0].steps[0].way // 'open'
 */
export function bassLine(ask: Ask<BassRequest>, watch: SearchWatch = {}): BassResult {
  const request = settled<BassRequest>(ask);
  const faults = bassFaults(request);
  if (faults.length) return { infeasible: faults };
  const asked = askedBass(request);
  const k = request.k ?? 1;
  const choices = request.strokes.map((_, n) => cheapestInPlace(choicesFor(asked, n), k));
  const nowhere = choices.findIndex((c) => c.length === 0);
  if (nowhere >= 0) return { infeasible: [fact('bass nowhere', nowhere + 1)] };
  const N = choices.length;
  const round = !!request.round && N > 1;
  const { paths } = kBest(
    withExactBound<State, PlayedBass, BassTerm>(
      {
        terms: BASS_TERMS,
        start: { n: 0, last: null, first: null },
        key: (s) => `${s.n} ${placeOf(s.last)} ${round ? placeOf(s.first) : 0}`,
        stage: (s) => s.n,
        isEnd: (s) => s.n === N + 1,
        moves: (s): Move<State, PlayedBass, BassTerm>[] => {
          if (s.n === N) {
            const way = round && s.last && s.first ? wayOn(asked, N - 1, s.last, 0, s.first) : {};
            return [{ to: { ...s, n: N + 1 }, step: null, total: pointsOf(way), cost: () => way }];
          }
          /** All ways to have a place are reached alike. */
          const ways = new Map<number, ReturnType<typeof wayOn>>();
          return (choices[s.n] ?? []).map((c) => {
            const way = ways.get(placeOf(c)) ?? (s.last ? wayOn(asked, s.n - 1, s.last, s.n, c) : {});
            ways.set(placeOf(c), way);
            return {
              to: { n: s.n + 1, last: c, first: s.first ?? c },
              step: { string: c.string, fret: c.fret, finger: c.finger, way: c.way },
              total: c.own + pointsOf(way),
              cost: () => ({ ...c.cost, ...way, line: (c.cost.line ?? 0) + (way.line ?? 0) }),
            };
          });
        },
      },
      N + 1,
      watch,
    ),
    k,
    watch,
  );
  return { answers: paths };
}

/** What the ways of one place cost apart is theirs alone: beyond the k cheapest none can be in a line of the k best. */
function cheapestInPlace(choices: readonly BassChoice[], k: number): BassChoice[] {
  const seen = new Map<number, number>();
  return choices.filter((c) => {
    const n = seen.get(placeOf(c)) ?? 0;
    seen.set(placeOf(c), n + 1);
    return n < k;
  });
}

/** Everything that is to be known of each note of a line. */
export function bassFacts(ask: Ask<BassRequest>, notes: readonly PlayedBass[]): BassFacts[] {
  const request = settled<BassRequest>(ask);
  const asked = askedBass(request);
  return notes.flatMap((note, stroke): BassFacts[] => {
    const choice = choicesFor(asked, stroke).find((c) => isSame(c, note));
    const chord = request.strokes[stroke]?.chord ?? 0;
    if (!choice) return [];
    const before = stroke > 0 ? stroke - 1 : request.round ? notes.length - 1 : stroke;
    return [
      {
        ...note,
        stroke,
        role: asked.roles[stroke] ?? 'root',
        suffers: choice.suffers,
        muddy: choice.muddy,
        underRoot: choice.pitch < rootPitch(asked, chord),
        ...thumbTime(thumbBetween(request, before, stroke)),
      },
    ];
  });
}
/** Where the shape has its lowest root; nowhere, as high as anything. */
function rootPitch({ request, tones }: AskedBass, chord: number): number {
  const shape = request.chords[chord]?.shape;
  const bass = shape ? bassString(shape) : null;
  if (!shape || bass === null) return Infinity;
  const i = STRINGS.indexOf(bass);
  const pitch = openPitch(request.tuning, bass, request.neck.capo) + (shape.frets[i] ?? 0);
  return pitch % 12 === tones[chord]?.root ? pitch : Infinity;
}

const thumbTime = (thumb: BassFacts['thumb']): Pick<BassFacts, 'thumb' | 'thumbLate'> => ({
  thumb,
  thumbLate: thumb.thereMs !== null && isLate({ neededMs: thumb.neededMs, thereMs: thumb.thereMs }),
});
