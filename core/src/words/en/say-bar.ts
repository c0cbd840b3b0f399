import type { FormSigns } from '../../piece/index.js';
import { type AccentCycle, cycleLength, placeLabel } from '../../cycle/index.js';
import type { NotatedBar } from '../../notation/index.js';
import type { ScoreEvent } from '../../score/index.js';
import { hasMark, hasMarkAnywhere, type Mark, MARKS } from '../../stroke/index.js';
import { syllableText } from '../../syllables/index.js';
import { ticks } from '../../time/index.js';
import { isNone, isOpen } from '../how-much.js';
import { byNumber, listed } from './numbers.js';
import { sayMotion } from './strokes.js';

/** How it is struck, by its marks; accent and golpe are said with the stroke. */
const STRUCK: Readonly<Record<Mark, string | null>> = {
  '!': null,
  '*': null,
  ',': 'soft',
  _: 'rest stroke',
  '~': 'ringing on',
  "'": 'cut short',
  '^': 'the left hand lets go',
  x: 'dead',
  '%': 'palm-muted',
  '>': 'of the next chord',
  o: 'as a harmonic',
};

/**
 * What is played at one place, both hands: who, which strings, which frets and left fingers.
 * @example sayPlayed({ motion: readStep('p:5').step, notes: [{ string: 5, fret: 3, left: 3 }] }) // 'p: string 5 fret 3 finger 3'
 */
export function sayPlayed({ motion, notes }: Pick<ScoreEvent, 'motion' | 'notes'>): string {
  const sounds = notes.map(
    (n) => `string ${n.string} ${isOpen(n) ? 'open' : `fret ${n.fret}${n.left ? ` finger ${n.left}` : ''}`}`,
  );
  const own = motion.kind === 'ligado' ? 'ligado' : sayMotion(motion);
  const accent = hasMark(motion, '!') ? ' accented' : '';
  const struck = MARKS.flatMap((m) => (hasMarkAnywhere(motion, m) ? (STRUCK[m] ?? []) : []));
  return `${[`${own}${accent}`, ...struck].join(', ')}${sounds.length ? `: ${sounds.join(', ')}` : ''}`;
}

/**
 * A bar as one would read it to somebody who does not see the page.
 * @example sayBar(notate(scoreOf(makeStudy('s', 'Stair').sections[0], makeStudy('s', 'Stair')), cycleById('solea'))[0], cycleById('solea')) // 'Bar 1. Silent.'
 */
export function sayBar(bar: NotatedBar, cycle: AccentCycle): string {
  const turn = cycleLength(cycle);
  const place = (at: number) => placeLabel(cycle, ticks((bar.inTurn + at) % turn));
  const chords = bar.chords.map((c) => {
    const own = c.goesOn || isNone(c.at) ? c.name : `${c.name} on ${place(c.at)}`;
    return c.cuts ? `${own}, within the figure` : own;
  });
  let level = bar.level;
  const played = bar.events
    .filter((e) => e.at >= bar.at)
    .map((e) => {
      const other = e.level === level ? '' : `level ${e.level}, `;
      level = e.level;
      return `${place(e.at - bar.at)} ${other}${sayPlayed(e)}`;
    });
  const held = chords.length ? ` ${chords.join(', ')}.` : '';
  const said = bar.words.map((w) => `${syllableText(w)} on ${place(w.at)}`);
  const words = said.length ? ` Words: ${said.join(', ')}.` : '';
  return `Bar ${bar.n + 1}.${held} ${played.length ? `${played.join('; ')}.` : 'Silent.'}${words}`;
}

/**
 * What stands at the edges of a section: at its first bar, and at its last.
 * @example saySigns({ opens: true, closes: 2, ending: null, ends: false }).last // 'From here back: the repeat is played 2 times.'
 */
export function saySigns({ opens, closes, ending, ends }: FormSigns): {
  readonly first: string;
  readonly last: string;
} {
  const first = [
    ...(opens ? ['A repeat begins.'] : []),
    ...(ending ? [`Ending of ${byNumber(ending.length, 'pass', 'passes')} ${listed(ending.map(String))}.`] : []),
  ];
  const last = [
    ...(closes ? [`From here back: the repeat is played ${closes} times.`] : []),
    ...(ends ? ['The piece ends here.'] : []),
  ];
  return { first: first.join(' '), last: last.join(' ') };
}
