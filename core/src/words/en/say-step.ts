import {
  HOME_STRING,
  type Finger,
  type FromBass,
  type Ligado,
  type Mark,
  numberedStrings,
  type Step,
  type Stroke,
} from '../../stroke/index.js';
import type { StringNumber } from '../../time/index.js';
import { isMany, isOpen } from '../how-much.js';
import { byNumber, listed } from './numbers.js';
import { FINGER_NAME, WAY } from './strokes.js';

/** What each mark says of its stroke. */
export const MARK_SAID: Readonly<Record<Mark, string>> = {
  '!': 'with an accent',
  ',': 'softly',
  '*': 'with a golpe',
  _: 'as a rest stroke, landing on the next string',
  '~': 'left to ring',
  "'": 'cut short by the right hand',
  '^': 'the left hand lets go after it',
  x: 'muted by the left hand',
  '%': 'muted by the palm',
  '>': 'belonging to the next chord already',
  o: 'as a harmonic, touched and not pressed',
};
const FROM_BASS: Record<FromBass, string> = {
  'bass 2': '2',
  'bass 3': '3',
  'bass 4': '4',
  'bass 5': '5',
  'bass 6': '6',
};
const PLECTRUM_SAID = {
  d: 'the plectrum goes down and rests on the next string',
  u: 'the plectrum comes back up',
  w: 'the plectrum goes down and leaps off',
};

/**
 * A step as one would tell it to somebody who does not know the letters.
 * @param treble the treble set of the chord that is held, where one is known
 * @example sayStep(readStep('ima:t!').step, [4, 3, 2]) // 'index, middle and ring pluck the chord’s treble set 4 3 2, with an accent'
 */
export function sayStep(step: Step, treble: readonly StringNumber[] | null = null): string {
  switch (step.kind) {
    case 'rest':
      return 'silence';
    case 'hold':
      return 'the stroke before goes on sounding';
    case 'ghost':
      return `a ghost: the hand goes ${WAY[step.dir]} and misses the strings on purpose`;
    case 'golpe':
      return ['a golpe: the ring finger taps the soundboard', ...marksSaid(step.marks)].join(', ');
    case 'slap':
      return ['a slap: the flat hand falls on the strings', ...marksSaid(step.marks)].join(', ');
    case 'ligado':
      return [ligadoSaid(step), ...marksSaid(step.marks)].join(', ');
    case 'stroke':
      return [
        `${doerSaid(step)} ${stringsSaid(step, treble)}`,
        ...(squeezes(step) ? ['the thumb leaving outward, never into i'] : []),
        ...marksSaid(step.marks, step.golpe),
      ].join(', ');
  }
}
/** Thumb and fingers together, plucked. */
const squeezes = ({ fingers, dir }: Stroke): boolean => dir === null && fingers.includes('p') && isMany(fingers.length);
const marksSaid = (marks: readonly Mark[], golpe?: Finger): string[] =>
  marks.map((m) => (m === '*' && golpe ? `with a golpe by ${golpe}` : MARK_SAID[m]));

function ligadoSaid({ string, stop }: Ligado): string {
  const where = stop ? ` at fret ${stop.fret}${stop.finger ? ` with finger ${stop.finger}` : ''}` : '';
  return `the left hand alone sounds string ${string}${where}`;
}
/** Who does what: “thumb strums down”, “index and middle pluck”. */
function doerSaid({ fingers, plectrum, dir, open }: Stroke): string {
  if (plectrum) return `${PLECTRUM_SAID[plectrum]},`;
  const many = isMany(fingers.length + (open ?? 0));
  const names = [
    ...fingers.map((f) => FINGER_NAME[f]),
    ...(open ? [many ? 'fingers to be worked out' : 'a finger to be worked out'] : []),
  ];
  const does = dir ? `${many ? 'strum' : 'strums'} ${WAY[dir]}` : many ? 'pluck' : 'plucks';
  return `${listed(names)} ${does}`;
}
function stringsSaid(stroke: Stroke, treble: readonly StringNumber[] | null): string {
  const { strings, fingers, dir } = stroke;
  const numbered = numberedStrings(stroke);
  if (numbered) {
    const places = numbered.map((s, i) => {
      const stop = stroke.stops?.[i];
      const fret = stop ? (isOpen(stop) ? ' open' : ` at fret ${stop.fret}`) : '';
      const own = (stroke.placeMarks?.[i] ?? []).map((m) => ` (${MARK_SAID[m]})`).join('');
      return `${s}${fret}${stop?.finger ? ` with finger ${stop.finger}` : ''}${own}`;
    });
    const plain = places.every((p) => /^\d$/.test(p));
    return `${byNumber(numbered.length, 'string', 'strings')} ${plain ? places.join(' ') : listed(places)}`;
  }
  switch (strings) {
    case 'bass':
      return 'the chord’s bass string';
    case 'treble':
      return `the chord’s treble set${treble?.length ? ` ${treble.join(' ')}` : ''}`;
    case 'fifth':
      return 'the chord’s fifth in the bass';
    case 'lead':
      return 'a note that leads on to the next bass';
    case null:
      break;
    default:
      return typeof strings === 'string' ? `${FROM_BASS[strings]} strings from the chord’s bass on` : '';
  }
  if (dir || stroke.plectrum) return 'the strings of the chord';
  const homes = fingers.flatMap((f) => (f === 'p' ? [] : HOME_STRING[f]));
  const home = homes.length
    ? `${byNumber(homes.length, 'its home string', 'their home strings')} ${homes.join(' ')}`
    : '';
  const places = [fingers.includes('p') ? 'the chord’s bass string' : '', home].filter((place) => place !== '');
  return places.length ? listed(places) : 'a string';
}
