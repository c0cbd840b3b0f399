import type { LineRemark, LineRemarkFigures, NoteFacts, NoteFault } from '../../solve/finger-line/index.js';
import { few } from '../how-much.js';
import { byNumber, listed, plural } from './numbers.js';

/** So many notes are named. */
const NAMED = 8;
const numbers = (list: readonly number[]): string => {
  const { shown, more } = few(list, NAMED);
  const said = shown.map((n) => String(n + 1));
  return more ? `${said.join(', ')} …` : listed(said);
};
const REMARKS: { readonly [C in LineRemark['code']]: (figures: LineRemarkFigures[C]) => string } = {
  'no crossings': () => 'No crossing between fingers.',
  'crossings natural': ({ crossings }) => `All ${crossings} crossings go with the fingers.`,
  'crossings awkward': ({ awkward, crossings, before }) =>
    `${awkward} of ${plural(crossings, 'crossing')} awkward: before ${byNumber(awkward, 'note', 'notes')} ${numbers(before)}.`,
  'anchor changes': ({ at }) => `The thumb’s anchor changes at ${numbers(at)}: it lifts from string 4 on.`,
  'anchor stays': () => 'The thumb stays on 6.',
  'plays twice': ({ at, pinned }) =>
    `There is no good way${pinned ? ' with these fingers pinned' : ''}: a finger plays twice in a row at ${byNumber(at.length, 'note', 'notes')} ${numbers(at)}.`,
  'comes late': ({ bpm }) => `At ${bpm} a finger comes back late.`,
  'rests on a ring': () => 'A rest stroke lands on a string that must ring.',
  seam: ({ smooth }) => (smooth ? 'The seam is smooth.' : 'The seam is not smooth.'),
};
/**
 * What a fingering is like to play: crossings, anchor, rings that are touched, the seam.
 * @example sayLineRemark({ code: 'comes late', figures: { bpm: 120 } }) // 'At 120 a finger comes back late.'
 */
export const sayLineRemark = ({ code, figures }: LineRemark): string =>
  (REMARKS[code] as (figures: LineRemark['figures']) => string)(figures);
export interface NoteReason {
  readonly crossing: 'natural' | 'awkward' | null;
  readonly anchor: 'rests on 6' | 'lifts' | null;
  readonly faults: readonly string[];
  /** All of it in one sentence. */
  readonly text: string;
}
const NOTE_FAULTS: Record<NoteFault, string> = {
  'same finger': 'the same finger twice',
  late: 'the finger comes back late',
  'touches a ring': 'the rest stroke touches a ring',
};
/** What a note's finger does there, in a sentence. @param index from 0 */
export function sayNote({ fingers, strings, crossing, anchor, pinned, faults }: NoteFacts, index: number): NoteReason {
  const parts = [`${fingers.join(' ')} on ${byNumber(strings.length, 'string', 'strings')} ${strings.join(' ')}`];
  if (crossing) parts.push(`${crossing} crossing`);
  if (anchor) parts.push(anchor === 'lifts' ? 'the thumb lifts' : 'the thumb rests on 6 again');
  if (pinned) parts.push('pinned');
  const said = faults.map((f) => NOTE_FAULTS[f]);
  return { crossing, anchor, faults: said, text: `Note ${index + 1}: ${[...parts, ...said].join(', ')}.` };
}
