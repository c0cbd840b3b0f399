import chordLibrary from '@tonaljs/chord';
import { readChord } from '../../chord/index.js';
import { pitchClassOf } from '../../instrument/index.js';
import type { Shape } from '../../left-hand/index.js';
import type { ScoreChord } from '../../score/index.js';
import { STRINGS } from '../../time/index.js';
import { el, type Xml } from './xml.js';

/** The kinds of chord that the format has, with their intervals; the plainest first. */
export const KINDS: readonly (readonly [kind: string, ending: string, intervals: string])[] = [
  ['major', '', '1P 3M 5P'],
  ['minor', 'm', '1P 3m 5P'],
  ['augmented', 'aug', '1P 3M 5A'],
  ['diminished', 'dim', '1P 3m 5d'],
  ['dominant', '7', '1P 3M 5P 7m'],
  ['major-seventh', 'maj7', '1P 3M 5P 7M'],
  ['minor-seventh', 'm7', '1P 3m 5P 7m'],
  ['diminished-seventh', 'dim7', '1P 3m 5d 7d'],
  ['augmented-seventh', 'aug7', '1P 3M 5A 7m'],
  ['half-diminished', 'm7b5', '1P 3m 5d 7m'],
  ['major-minor', 'mMaj7', '1P 3m 5P 7M'],
  ['major-sixth', '6', '1P 3M 5P 6M'],
  ['minor-sixth', 'm6', '1P 3m 5P 6M'],
  ['dominant-ninth', '9', '1P 3M 5P 7m 9M'],
  ['major-ninth', 'maj9', '1P 3M 5P 7M 9M'],
  ['minor-ninth', 'm9', '1P 3m 5P 7m 9M'],
  ['dominant-11th', '11', '1P 5P 7m 9M 11P'],
  ['minor-11th', 'm11', '1P 3m 5P 7m 9M 11P'],
  ['dominant-13th', '13', '1P 3M 5P 7m 9M 13M'],
  ['major-13th', 'maj13', '1P 3M 5P 7M 9M 13M'],
  ['minor-13th', 'm13', '1P 3m 5P 7m 9M 13M'],
  ['suspended-second', 'sus2', '1P 2M 5P'],
  ['suspended-fourth', 'sus4', '1P 4P 5P'],
  ['power', '5', '1P 5P'],
];
const ALTER: Readonly<Record<string, number>> = { M: 0, P: 0, m: -1, d: -1, A: 1 };
/** How far a tone is from the one that a dominant chord would have there. */
function alterOf(interval: string): number {
  const quality = interval.replace(/\d/g, '');
  if (/^7/.test(interval)) return quality === 'M' ? 1 : quality === 'd' ? -1 : 0;
  const perfect = /^(?:4|5|11)/.test(interval);
  return quality === 'd' && !perfect ? -2 : (ALTER[quality] ?? 0);
}
const step = (name: string, of: string, text?: string): Xml[] => [
  el(`${name}-step`, of.slice(0, 1), text === undefined ? undefined : { text }),
  ...(of.length > 1 ? [el(`${name}-alter`, of.endsWith('b') ? -1 : 1)] : []),
];

/**
 * A chord as the format has it, with its frets and fingers; a name that is no chord symbol stands as text.
 * @param offset divisions behind the sign that it is written before
 */
export function harmonyOf({ name, shape, known }: ScoreChord, offset: number): Xml {
  const tail = [...(known && name !== '' ? [frameOf(shape)] : []), ...(offset > 0 ? [el('offset', offset)] : [])];
  if (name === '')
    return el('harmony', [el('root', step('root', 'C', '')), el('kind', 'none', { text: 'N.C.' }), ...tail]);
  const symbol = name.replace(/♯/g, '#').replace(/♭/g, 'b').trim();
  const [, root, rest = '', , bass] = /^([A-G][#b]?)(.*?)(\/([A-G][#b]?))?$/.exec(symbol) ?? [];
  // A name that is no chord has no root: who reads it as a chord would read C.
  if (root === undefined || !readChord(name).ok)
    return el('harmony', [el('root', step('root', 'C', '')), el('kind', 'none', { text: name }), ...tail]);
  const { intervals } = chordLibrary.get(root + rest.replace(/[()\s]/g, ''));
  const fits = KINDS.map(([kind, , own]) => ({ kind, own: own.split(' ') }))
    .filter(({ own }) => own.every((i) => intervals.includes(i) || i === '5P'))
    .sort(
      (a, b) => b.own.filter((i) => intervals.includes(i)).length - a.own.filter((i) => intervals.includes(i)).length,
    );
  const best = fits[0] ?? { kind: 'other', own: intervals };
  const degree = (type: 'add' | 'subtract', interval: string) =>
    el('degree', [
      el('degree-value', Number.parseInt(interval)),
      el('degree-alter', type === 'add' ? alterOf(interval) : 0),
      el('degree-type', type),
    ]);
  return el('harmony', [
    el('root', step('root', root)),
    el('kind', best.kind, { text: rest }),
    ...(bass && pitchClassOf(bass) !== null ? [el('bass', step('bass', bass))] : []),
    ...intervals.filter((i) => !best.own.includes(i)).map((i) => degree('add', i)),
    ...best.own.filter((i) => !intervals.includes(i)).map((i) => degree('subtract', i)),
    ...tail,
  ]);
}
/** A shape as the format has it: frets from the capo on, a barre from its first string to its last. */
function frameOf({ frets, fingers }: Shape): Xml {
  const stopped = frets.filter((f): f is number => f !== null && f > 0);
  const [low, high] = [Math.min(...stopped), Math.max(0, ...stopped)];
  const first = high > 4 ? low : 1;
  const notes = STRINGS.flatMap((string, n): Xml[] => {
    const [fret, finger] = [frets[n] ?? null, fingers[n] ?? null];
    if (fret === null) return [];
    const same = STRINGS.flatMap((s, i) => (finger !== null && finger !== 0 && fingers[i] === finger ? [s] : []));
    const barre =
      same.length > 1 && string === same[0] ? 'start' : same.length > 1 && string === same.at(-1) ? 'stop' : '';
    return [
      el('frame-note', [
        el('string', string),
        el('fret', fret),
        ...(finger !== null && finger !== 0 ? [el('fingering', finger)] : []),
        ...(barre ? [el('barre', [], { type: barre })] : []),
      ]),
    ];
  });
  return el('frame', [
    el('frame-strings', STRINGS.length),
    el('frame-frets', Math.max(4, high - first + 1)),
    ...(first > 1 ? [el('first-fret', first)] : []),
    ...notes,
  ]);
}
