import type { PlannedBlock } from '../../practice/index.js';
import type { BlockReason, PlanNote } from '../../practice/plan/index.js';
import { plural } from './numbers.js';
import { present, type Sentences } from './refused/sentences.js';

const days = (n: string): string => plural(Number(n), 'day');
const ago = (n: string): string => `${days(n)} ago`;
const inDays = (n: string): string => `in ${days(n)}`;

const REASONS: Sentences<BlockReason['code']> = {
  'warm up': () => 'Slow and loose: each finger lets go as soon as it has played.',
  'right hand alone': () => 'Slow, until it runs by itself.',
  'hand first after a break': ([n]) => `${days(n)} without playing: the right hand first, slow. Expect tension.`,
  'shapes as blocks': () => 'The left hand alone: which fingers stay, which move.',
  'a part of what was lost': ([tempo]) => `Held at ${tempo} once: bar by bar, then the seam.`,
  'was not clean': ([n]) => `Not clean last time, ${ago(n)}.`,
  'was lost': ([tempo]) => `Held at ${tempo} once, missed when it was asked for cold.`,
  'goal by its date': ([name, n]) => `${name}, ${inDays(n)}.`,
  'goal’s tempo': ([name, tempo]) => `${name}, to ${tempo}.`,
  'goal’s piece': ([name]) => `${name}.`,
  'step of a course': ([name, n, all]) => `${name}, step ${n} of ${all}.`,
  'is open': () => 'It is open.',
  'longest ago': ([n]) => `Played ${ago(n)}.`,
  'never played': () => 'Not played yet.',
  'slow on a plateau': ([tempo, n]) =>
    `No further than ${tempo} in ${plural(Number(n), 'session')}: far below it, where control shows.`,
  'hardest change': ([from, to, needed, ...there]) =>
    `${from} → ${to} takes ${[needed, ...present(there)].join(' of ')} ms at its written tempo.`,
  'change was not clean': ([from, to]) => `${from} → ${to} was not clean last time.`,
  'weakest joint': (fingers) => `${present(fingers).join(' ')}: where this hand is tightest.`,
  'weak pair': (fingers) => `${present(fingers).join(' and ')} change places: the weak pair does the work.`,
  'goal’s pair': ([name, ...fingers]) => `${name}: ${present(fingers).join(' and ')}.`,
  'one burst': () => 'One count fast, land, rest; few of them.',
  'does it hold': ([, tempo, n]) => `Held at ${tempo}, ${ago(n)}: one pass, cold.`,
  'form last': () => 'From end to end, whatever happens.',
  'form before its date': ([name, n]) => `${name}, ${inDays(n)}: from end to end.`,
  'form from memory': ([name]) => `${name}: from end to end, without looking.`,
  'rest the hands': () => 'Hands down, shoulders loose.',
  'rest after pain': () => 'Hands down. Where it hurts again, stop for today.',
  'nothing written': () => 'Nothing is written yet: play what you like.',
  'in the set': ([tempo]) => `From end to end, at ${tempo}.`,
  'next in the set': ([name, tempo]) => `Next ${name}, at ${tempo}.`,
  'next, other capo': ([name, tempo, fret]) => `Capo at ${fret}. Next ${name}, at ${tempo}.`,
  'next, no capo': ([name, tempo]) => `Capo off. Next ${name}, at ${tempo}.`,
  'next, other strings': ([name, tempo, ...strings]) =>
    `Tune string ${present(strings).join(', ')}. Next ${name}, at ${tempo}.`,
  'next, other strings, no capo': ([name, tempo, ...strings]) =>
    `Capo off. Tune string ${present(strings).join(', ')}. Next ${name}, at ${tempo}.`,
  'next, other strings, other capo': ([name, tempo, fret, ...strings]) =>
    `Capo at ${fret}. Tune string ${present(strings).join(', ')}. Next ${name}, at ${tempo}.`,
};
const NOTES: Sentences<PlanNote['code']> = {
  'after a long break': ([n]) => `${days(n)} without playing: the right hand first, lower, no burst. Expect tension.`,
  'after pain': ([n, ...tempo]) =>
    [
      `Pain was noted ${ago(n)}: shorter, with rests, no burst and no barre`,
      ...present(tempo).map((t) => `nothing above ${t}`),
    ].join(', ') + '. Where it comes back, stop; a teacher or a clinician decides, not this program.',
  'hand was tense': () => 'The hand was tense last time: no burst today.',
  'before a date': ([name, n]) => `${name} is ${inDays(n)}: nothing new, more of the form.`,
  'checks left for later': ([n]) => `${plural(Number(n), 'more check')} due than there is time for.`,
  'time is short': () => 'Little time: what matters most, and no more.',
};
const ALL: Record<string, Sentences<string>[string]> = { ...REASONS, ...NOTES };
/**
 * Why a block stands in a plan, or what is said of the plan as a whole; '' for a reason of a later version.
 * @example sayPlanned({ code: 'was not clean', about: [1] }) // 'Not clean last time, 1 day ago.'
 */
export function sayPlanned({ code, about }: PlannedBlock['why']): string {
  const [a = '', b = '', c = '', d = '', ...rest] = about.map(String);
  return ALL[code]?.([a, b, c, d, ...rest]) ?? '';
}

const KINDS: Record<PlannedBlock['kind'], string> = {
  'warm-up': 'Warm up',
  'right hand': 'Right hand alone',
  'block chords': 'Block chords',
  together: 'Together',
  'hard change': 'Hardest change',
  'weak pair': 'Weak pair',
  burst: 'Burst',
  check: 'Does it hold?',
  form: 'The form',
  course: 'Course',
  break: 'Break',
  own: 'Your own',
};
/**
 * What a block of a plan is called.
 * @example sayBlockKind('check') // 'Does it hold?'
 */
export const sayBlockKind = (kind: PlannedBlock['kind']): string => KINDS[kind];
