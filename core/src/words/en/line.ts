import {
  lineRemarks,
  noteFacts,
  type LineAnswer,
  type LineRemark,
  type LineRemarkFigures,
  type LineRequest,
  type NoteFault,
} from '../../solve/finger-line/index.js';
import { listed, plural } from './strokes.js';

/** So many notes are named. */
const NAMED = 8;
const numbers = (list: readonly number[]): string => {
  const shown = list.slice(0, NAMED).map((n) => String(n + 1));
  return list.length > NAMED ? `${shown.join(', ')} …` : listed(shown);
};
const REMARKS: { readonly [C in LineRemark['code']]: (figures: LineRemarkFigures[C]) => string } = {
  'no crossings': () => 'No crossing between fingers.',
  'crossings natural': ({ crossings }) => `All ${crossings} crossings go with the fingers.`,
  'crossings awkward': ({ awkward, crossings, before }) =>
    `${awkward} of ${plural(crossings, 'crossing')} awkward: before ${awkward === 1 ? 'note' : 'notes'} ${numbers(before)}.`,
  'anchor changes': ({ at }) => `The thumb’s anchor changes at ${numbers(at)}: it lifts from string 5 on.`,
  'anchor stays': () => 'The thumb stays on 6.',
  'plays twice': () => 'A finger plays twice in a row somewhere.',
  'comes late': ({ bpm }) => `At ${bpm} a finger comes back late.`,
  'rests on a ring': () => 'A rest stroke lands on a string that must ring.',
  seam: ({ smooth }) => (smooth ? 'The seam is smooth.' : 'The seam is not smooth.'),
};
const sayRemark = ({ code, figures }: LineRemark): string =>
  (REMARKS[code] as (figures: LineRemark['figures']) => string)(figures);
/** What a fingering is like to play: crossings, anchor, rings that are touched, the seam. */
export const explainLine = (request: LineRequest, answer: LineAnswer): string[] =>
  lineRemarks(request, answer).map(sayRemark);
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
/** For every note what its finger does there, in a sentence. */
export function explainNotes(request: LineRequest, answer: LineAnswer): NoteReason[] {
  return noteFacts(request, answer).map(({ fingers, strings, crossing, anchor, pinned, faults }, i) => {
    const parts = [`${fingers.join(' ')} on ${strings.length > 1 ? 'strings' : 'string'} ${strings.join(' ')}`];
    if (crossing) parts.push(`${crossing} crossing`);
    if (anchor) parts.push(anchor === 'lifts' ? 'the thumb lifts' : 'the thumb rests on 6 again');
    if (pinned) parts.push('pinned');
    const said = faults.map((f) => NOTE_FAULTS[f]);
    return { crossing, anchor, faults: said, text: `Note ${i + 1}: ${[...parts, ...said].join(', ')}.` };
  });
}
