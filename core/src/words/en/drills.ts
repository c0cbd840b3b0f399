import type { ChangeWay, Drill, FigureWay, SectionDrill, Variant } from '../../drill/index.js';
import { type BurstExtent, burstExtent } from '../how-much.js';
import { sayChange } from './left-hand/say-change.js';
import { ordinal, plural } from './numbers.js';
import { FINGER_NAME } from './strokes.js';

/** A drill's name and, in a line, what it is for. */
export interface SaidDrill {
  readonly name: string;
  readonly why: string;
}
const said = (name: string, why: string): SaidDrill => ({ name, why });

const RHYTHMS: Record<Extract<Variant, { kind: 'rhythm' }>['shape'], SaidDrill> = {
  'long-short': said('Long, short', 'Every second joint comes fast.'),
  'short-long': said('Short, long', 'The other joints come fast.'),
  triplets: said('In threes', 'The accent wanders through the fingers.'),
};
function sayBurst({ from, strokes }: Extract<Variant, { kind: 'burst' }>, extent: BurstExtent): SaidDrill {
  switch (extent) {
    case 'all':
      return said('All of it, then rest', 'Every burst joined, landing on the beginning.');
    case 'two':
      return said(
        `Bursts from step ${from + 1} and ${from + strokes / 2 + 1} joined`,
        'Two bursts in one, landing after the second.',
      );
    case 'one':
      return said(`Burst from step ${from + 1}`, 'One count fast, land on the next, rest.');
  }
}
function sayOrder({ fingers, planted }: Extract<Variant, { kind: 'order' }>): SaidDrill {
  const all = planted === fingers;
  const why = all ? 'All are set on their strings at once' : `${[...planted].join(' ')} are set at once`;
  return said(`In the order ${[...fingers].join(' ')}`, `${why}; or each as the one before it plays.`);
}
function sayLeftPairs({ right, slurs, way }: Extract<Variant, { kind: 'left pairs' }>): SaidDrill {
  const name = `Left pairs against ${[...right].join(' ')}`;
  if (way === 'pulled off') return said(`${name}, pulled off`, 'Fingers 4 3, 3 2, 2 1 and back, each twice.');
  if (way === 'into the beat')
    return said(`${name}, into the beat`, 'The lower finger leads from before the beat, the upper one lands on it.');
  if (slurs) return said(`${name}, hammered`, 'Fingers 1 2, 2 3, 3 4 and back, each twice, in fifth position.');
  return said(name, 'Fingers 1 2, 2 3, 3 4, then back 4 3, 3 2, 2 1, each twice, in fifth position.');
}
const PLECTRUM: Record<Extract<Variant, { kind: 'plectrum' }>['what'], SaidDrill> = {
  rests: said('Rest strokes alone', 'Each comes to rest on the next string; the last leaps off.'),
  whips: said('Whips alone', 'From thin to thick, each leaping off.'),
  changes: said('A new string after every two', 'Each begins with a down stroke.'),
};
function sayVariant(v: Variant, strokesToABeat: number): SaidDrill {
  switch (v.kind) {
    case 'open strings':
      return said('Open strings', 'Right hand alone until it runs by itself.');
    case 'layer':
      return v.layer === 'bass'
        ? said('Bass alone', 'The thumb’s own line first.')
        : said('Figure alone', 'Then the fingers’.');
    case 'rhythm':
      return RHYTHMS[v.shape];
    case 'finger accent':
      return said(
        `Only ${v.finger} sounds full`,
        `All others are held down; the ${FINGER_NAME[v.finger]} stays as it is.`,
      );
    case 'accent through':
      return said(
        'The accent goes through the fingers',
        'A pass for each, up and back: one loud, all others very soft.',
      );
    case 'muted':
      return v.what === 'all'
        ? said('All on muted strings', 'The right hand alone takes up the pattern.')
        : said('Press and let go', 'The left hand’s own rhythm: only what is pressed, let go at once.');
    case 'left pairs':
      return sayLeftPairs(v);
    case 'string skips':
      return said(
        `Strings ${v.from} and ${v.to} in turn`,
        'The line’s own notes with a string passed over between them; the fingers alternate on.',
      );
    case 'first strokes':
      return said(`Its first ${v.strokes} strokes`, 'The bar is as long as they are.');
    case 'gallop':
      return said(
        `Gallop, the ${ordinal(v.long)} of three long`,
        `It lands on the same finger again after ${plural(v.passes, 'pass', 'passes')}.`,
      );
    case 'crossing':
      return v.turned
        ? said('The crossing turned round', 'The fingers change places: the awkward way becomes the natural one.')
        : said('The awkward crossing alone', 'Two strokes on either side, round and round.');
    case 'order':
      return sayOrder(v);
    case 'plectrum':
      return PLECTRUM[v.what];
    case 'string accent':
      return said(`Only string ${v.string} sounds full`, 'All others are held down.');
    case 'start finger':
      return said(`Order begun ${v.by} later`, 'The rhythm and strings stay; another finger begins.');
    case 'rotation':
      return said(`From the ${ordinal(v.start + 1)} step`, 'Another stroke begins; the order stays.');
    case 'pair':
      return said(`${v.from} and ${v.to} change places`, 'The weak pair does the work.');
    case 'fewer strings':
      return said(`Through ${v.strings} strings`, 'The change of direction comes sooner.');
    case 'burst':
      return sayBurst(v, burstExtent(v.strokes, strokesToABeat));
  }
}
/** A drill of a pattern in words. @param all the drills it stands among: single bursts are told from joined ones by them */
export function sayPatternDrill({ variant, tight }: Drill, all: readonly Drill[]): SaidDrill {
  if (tight) {
    const [first, second] = tight.fingers;
    const who = second ? `${first} → ${second}` : first ? `${first} again` : 'the plectrum again';
    return said(
      `Weakest joint: ${who}`,
      `It takes ${Math.round(tight.share * 100)} % of the time there is at ${tight.bpm}: alone, with the stroke before and the landing after.`,
    );
  }
  const bursts = all.flatMap((d) => (d.variant.kind === 'burst' && !d.tight ? [d.variant.strokes] : []));
  return sayVariant(variant, Math.min(...bursts));
}
const CHANGES: Record<ChangeWay, SaidDrill> = {
  alone: said('Change alone', ''),
  'in the line': said('The move alone', ''),
  'each group': said('Change with every group', 'The pattern as written; the change comes sooner than it has to.'),
  half: said('Change after half the pattern', 'The change comes in the middle of the figure.'),
  'among 6': said('Change after 6 strokes', 'The bar shrinks, without a rest.'),
  'among 5': said('Change after 5 strokes', 'The bar shrinks, without a rest.'),
  'among 4': said('Change after 4 strokes', 'The bar shrinks, without a rest.'),
};
const FIGURES: Record<FigureWay, SaidDrill> = {
  cell: said('Its first cell', 'Until it runs by itself.'),
  'cell 2': said('Its second cell', 'Until it runs by itself.'),
  'cell 3': said('Its third cell', 'Until it runs by itself.'),
  'cell 4': said('Its fourth cell', 'Until it runs by itself.'),
  'bar 1': said('Its first bar', 'Round and round under its own chords.'),
  'bar 2': said('Its second bar', 'Round and round under its own chords.'),
  'seam 1 2': said('The seam from bar 1 to bar 2', 'Half a bar before the line, half a bar behind it.'),
  'seam 2 1': said('The seam from bar 2 to bar 1', 'What is tied over is the hardest of it.'),
  'one chord': said('Both bars on one chord', 'The whole figure, the left hand still.'),
  'two bars a chord': said('Two bars a chord', 'The harmony changes with the figure.'),
  'one bar a chord': said('One bar a chord', 'The harmony changes within the figure.'),
  'from bar 2': said('Begun with bar 2', 'The same turned round under the chords.'),
};
const sayRange = (from: number, to: number): SaidDrill =>
  said(from === to ? `Bar ${from + 1} alone` : `Bars ${from + 1} to ${to + 1}`, 'These bars round and round.');
const BLOCK_CHORDS = said('Block chords', 'The left hand alone: which fingers stay, which move.');
/** Drills of a section, each with its name and what it is for. */
export function sayDrills<D extends SectionDrill>(drills: readonly D[]): (D & SaidDrill)[] {
  const ofPattern = drills.flatMap((d) => (d.matter.kind === 'pattern' ? [d.matter.drill] : []));
  return drills.map((d) => {
    if (d.matter.kind === 'pattern') return { ...d, ...sayPatternDrill(d.matter.drill, ofPattern) };
    if (d.matter.kind === 'range') return { ...d, ...sayRange(d.matter.from, d.matter.to) };
    if (d.matter.kind === 'round')
      return {
        ...d,
        ...said(`From bar ${d.matter.from + 1} round into bar 1`, 'Where it goes round it is lost first.'),
      };
    if (d.matter.kind === 'join')
      return { ...d, ...said(`The way into ${d.matter.into}`, 'The last count before it, then its first bar.') };
    if (d.matter.kind === 'block chords') return { ...d, ...BLOCK_CHORDS };
    if (d.matter.kind === 'figure') return { ...d, ...FIGURES[d.matter.way] };
    const { way, change } = d.matter;
    const { name, why } = CHANGES[way];
    return { ...d, name: `${name}: ${change.from.name} → ${change.to.name}`, why: why || sayChange(change).join(' ') };
  });
}
