import type { Fact } from '../../fault/index.js';

/** Why a block stands in a session's plan. */
export type BlockReason = Fact<
  | 'warm up'
  | 'right hand alone'
  | 'hand first after a break'
  | 'shapes as blocks'
  | 'a part of what was lost'
  | 'was not clean'
  | 'was lost'
  | 'goal by its date'
  | 'goal’s tempo'
  | 'goal’s piece'
  | 'step of a course'
  | 'is open'
  | 'longest ago'
  | 'never played'
  | 'slow on a plateau'
  | 'hardest change'
  | 'change was not clean'
  | 'weakest joint'
  | 'weak pair'
  | 'goal’s pair'
  | 'one burst'
  | 'does it hold'
  | 'form last'
  | 'form before its date'
  | 'form from memory'
  | 'rest the hands'
  | 'rest after pain'
  | 'nothing written'
  | 'in the set'
  | 'next in the set'
  | 'next, other capo'
  | 'next, no capo'
  | 'next, other strings'
  | 'next, other strings, no capo'
  | 'next, other strings, other capo'
>;
/** What is said of a plan as a whole. */
export type PlanNote = Fact<
  'after a long break' | 'after pain' | 'hand was tense' | 'before a date' | 'checks left for later' | 'time is short'
>;
