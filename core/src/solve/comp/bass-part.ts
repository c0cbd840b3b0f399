import { ticks } from '../../time/index.js';
import {
  type AskedBass,
  askedBass,
  type BassChoice,
  bassPoints,
  bassTones,
  type BassRequest,
  choicesFor,
  ownBass,
  wayOn,
} from '../bass-line/index.js';
import type { FrettedShape } from '../voicings/index.js';
import type { FigureBeat } from './figure.js';
import type { Laid } from './laid.js';
import type { CompRequest, PushPlan } from './model.js';
import { fingerSet, symbolOf } from './sounding.js';

/** The bass under one chord. */
export interface BassPart {
  readonly notes: readonly BassChoice[];
  readonly total: number;
}

/** A chord of the laid figure with the strokes that are its own once chords are pushed or not. */
export interface OwnStrokes {
  readonly thumb: readonly FigureBeat[];
  readonly fingers: readonly FigureBeat[];
}
export function ownStrokes({ chords, length }: Laid, n: number, plan: PushPlan): OwnStrokes {
  const chord = chords[n];
  const next = chords[(n + 1) % chords.length];
  if (!chord) return { thumb: [], fingers: [] };
  const after = (n + 1) % chords.length;
  const shift = n + 1 === chords.length ? length : 0;
  const gone = plan[after] && next?.tied ? next.tied.at + shift : Infinity;
  const come = plan[n] && chord.tied ? [chord.tied] : [];
  return {
    thumb: chord.strokes.filter((s) => s.thumb),
    fingers: [...come, ...chord.strokes.filter((s) => s.fingers && s.at < gone)],
  };
}

/** A way through the basses of a chord up to its last, the cheapest that ends there. */
interface WayThrough {
  readonly choice: BassChoice;
  readonly total: number;
  readonly notes: readonly BassChoice[];
}
/**
 * The cheapest basses of one chord under a shape: its first is the shape's own, and the last leads to the own bass of
 * whichever shape comes next. A chord whose name is no symbol keeps its own bass.
 * @returns what they are, by the shape that follows
 */
export function bassUnder(
  request: CompRequest,
  laid: Laid,
  n: number,
  plan: PushPlan,
  shape: FrettedShape,
): (next: FrettedShape) => BassPart {
  const { tuning, neck, profile, tempo, approach } = request;
  const { chords, names, length } = laid;
  const after = (n + 1) % chords.length;
  const [own, next] = [chords[n], chords[after]].map((c) => names[c?.name ?? 0] ?? '');
  const { thumb, fingers } = ownStrokes(laid, n, plan);
  if (thumb.length === 0) return () => ({ notes: [], total: 0 });
  const shift = after <= n ? length : 0;
  const first = chords[after]?.strokes.find((s) => s.thumb);
  const set = fingerSet(request, own ?? '', shape);
  const symbols = [symbolOf(request, own ?? ''), symbolOf(request, next ?? '')];
  const plain = symbols.some((s) => bassTones(s) === null);
  const asking = (following: FrettedShape): BassRequest => ({
    tuning,
    neck,
    profile,
    tempo,
    habit: plain ? 'root' : request.habit,
    ...(approach ? { approach } : {}),
    chords: [
      { symbol: symbols[0] ?? '', shape },
      { symbol: symbols[1] ?? '', shape: following },
    ],
    strokes: [
      ...thumb.map((s) => ({ at: ticks(s.at), until: ticks(s.until), chord: 0 })),
      ...(first && chords.length > 1
        ? [{ at: ticks(first.at + shift), until: ticks(first.until + shift), chord: 1 }]
        : []),
    ],
    figure: fingers.map((s) => ({ at: ticks(s.at), strings: set })),
  });
  const asked = askedBass(asking(shape));
  let ways: WayThrough[] = [];
  thumb.forEach((_, stroke) => {
    const found = stroke === 0 || plain ? [] : onePerPlace(choicesFor(asked, stroke));
    // Where the fingers leave nothing else the shape's own bass stays.
    const choices = found.length ? found : [ownBass(asked, stroke)];
    ways = choices.map((choice) => cheapestTo(asked, stroke, choice, ways, choice.own));
  });
  return (following) => {
    if (!first || chords.length === 1) return cheapest(ways);
    const then = askedBass(asking(following));
    const end = cheapestTo(then, thumb.length, ownBass(then, thumb.length), ways, 0);
    return { notes: end.notes.slice(0, -1), total: end.total };
  };
}
function cheapestTo(
  asked: AskedBass,
  stroke: number,
  choice: BassChoice,
  ways: readonly WayThrough[],
  own: number,
): WayThrough {
  if (stroke === 0) return { choice, total: own, notes: [choice] };
  let best: WayThrough = { choice, total: Infinity, notes: [] };
  for (const w of ways) {
    const total = w.total + own + bassPoints(wayOn(asked, stroke - 1, w.choice, stroke, choice));
    if (total < best.total) best = { choice, total, notes: [...w.notes, choice] };
  }
  return best;
}
const cheapest = (ways: readonly WayThrough[]): BassPart =>
  ways.reduce<BassPart>((a, b) => (b.total < a.total ? b : a), ways[0] ?? { notes: [], total: 0 });

function onePerPlace(choices: readonly BassChoice[]): BassChoice[] {
  const seen = new Set<number>();
  return choices.filter((c) => !seen.has(c.pitch * 10 + c.string) && seen.add(c.pitch * 10 + c.string));
}
