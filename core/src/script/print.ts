import type { Step, Stop, StringChoice } from '../stroke/index.js';
import type { Item, Pattern } from './model.js';

/** The strings of a stroke as they are written: digits, or places with their frets and left fingers. */
export function stringsText(strings: StringChoice | null, stops: readonly (Stop | null)[] = []): string {
  if (strings === null) return '';
  if (strings === 'bass') return ':b';
  if (strings === 'treble') return ':t';
  if (stops.every((s) => s === null)) return `:${strings.join('')}`;
  const places = strings.map((string, i) => {
    const stop = stops[i] ?? null;
    if (!stop) return String(string);
    return `${string}f${stop.fret}${stop.finger === undefined ? '' : `=${stop.finger}`}`;
  });
  return `:${places.join('+')}`;
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
    case 'stroke': {
      const fingers = step.fingers.map((f) => (f === 'e' && step.dir ? little : f)).join('');
      return fingers + (step.dir ?? '') + stringsText(step.strings, step.stops) + step.marks.join('');
    }
  }
}

const printItems = (items: readonly Item[], little: string): string => items.map((i) => printItem(i, little)).join(' ');

function printItem(item: Item, little: string): string {
  if (item.kind === 'bar') return '|';
  if (item.kind === 'step') return printStep(item.step, little);
  const inner = printItems(item.items, little);
  if (item.kind === 'group') return `[${inner}]${item.steps === 1 ? '' : `:${item.steps}`}`;
  return `{${inner}}x${item.times}`;
}

/**
 * The canonical text of a pattern: parsing it gives the same pattern.
 * @example printScript(parseScript('id  iu', { stepsPerCount: 2 }).pattern) // 'id iu'
 */
export const printScript = (pattern: Pattern, little = 'e'): string => printItems(pattern.items, little);
