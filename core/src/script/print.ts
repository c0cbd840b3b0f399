import type { Step, StringChoice } from '../stroke/index.js';
import type { Item, Pattern } from './model.js';

const stringsText = (s: StringChoice | null): string => {
  if (s === null) return '';
  if (s === 'bass') return ':b';
  return s === 'treble' ? ':t' : `:${s.join('')}`;
};

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
      return fingers + (step.dir ?? '') + stringsText(step.strings) + step.marks.join('');
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
