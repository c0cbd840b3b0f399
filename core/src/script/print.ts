import type { Mark, Step, Stop, Stroke, Strung } from '../stroke/index.js';
import type { Item, Pattern } from './model.js';

const SET: Readonly<Record<string, string>> = { bass: 'b', treble: 't', fifth: 'f', lead: 'n' };
const placeText = (string: number, stop: Stop | null, marks: readonly Mark[]): string =>
  `${string}${stop ? `f${stop.fret}${stop.finger === undefined ? '' : `=${stop.finger}`}` : ''}${marks.join('')}`;
const hasPlaces = ({ stops = [], placeMarks = [] }: Strung): boolean =>
  stops.some((s) => s !== null) || placeMarks.some((m) => m.length > 0);

/** The strings of a stroke as they are written: digits, or places with their frets, left fingers and marks. */
export function stringsText(strung: Strung): string {
  const { strings, stops = [], placeMarks = [] } = strung;
  if (strings === null) return '';
  if (typeof strings === 'string') return `:${SET[strings] ?? strings.replace('bass ', 'b')}`;
  if (!hasPlaces(strung)) return `:${strings.join('')}`;
  return `:${strings.map((s, i) => placeText(s, stops[i] ?? null, placeMarks[i] ?? [])).join('+')}`;
}

function strokeText(step: Stroke, little: string): string {
  const { fingers, open = 0, plectrum, dir, golpe } = step;
  const hand = plectrum
    ? `P${plectrum}`
    : open > 0
      ? '?'.repeat(open)
      : fingers.map((f) => (f === 'e' && dir ? little : f)).join('') + (dir ?? '');
  const marks = step.marks.map((m) => (m === '*' && golpe ? `*${golpe}` : m)).join('');
  const strings = stringsText(step);
  // Behind several places a mark would belong to the last of them.
  return hasPlaces(step) && (step.strings?.length ?? 0) > 1 ? hand + marks + strings : hand + strings + marks;
}

/**
 * The canonical text of one step. `little` is the player's own spelling of the little finger in strums.
 * @example printStep(readStep('mi:23').step) // 'im:32'
 */
export function printStep(step: Step, little = 'e'): string {
  switch (step.kind) {
    case 'rest':
      return '.';
    case 'hold':
      return '-';
    case 'ghost':
      return `(${step.dir})`;
    case 'golpe':
      return `G${step.marks.join('')}`;
    case 'slap':
      return `S${step.marks.join('')}`;
    case 'ligado':
      return `L:${placeText(step.string, step.stop, step.marks)}`;
    case 'stroke':
      return strokeText(step, little);
  }
}

const printItems = (items: readonly Item[], little: string): string => items.map((i) => printItem(i, little)).join(' ');

function printItem(item: Item, little: string): string {
  if (item.kind === 'bar') return '|';
  if (item.kind === 'level') return `@${item.level}`;
  if (item.kind === 'step') return printStep(item.step, little);
  if (item.kind === 'group' && item.cell !== undefined) return `<${item.cell}>`;
  const inner = printItems(item.items, little);
  if (item.kind === 'group') return `[${inner}]${item.steps === 1 ? '' : `:${item.steps}`}`;
  return `{${inner}}x${item.times}`;
}

/**
 * The canonical text of a pattern: parsing it gives the same pattern.
 * @example printScript(parseScript('id  iu', { stepsPerCount: 2 }).pattern) // 'id iu'
 */
export const printScript = (pattern: Pattern, little = 'e'): string => printItems(pattern.items, little);
