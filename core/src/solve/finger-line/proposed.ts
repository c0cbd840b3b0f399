import type { LineAnswer } from './model.js';

/** Whether the hand minds a way: a finger twice in a row, one that is not taught there, a ring that is touched. */
export const isMinded = ({ cost }: LineAnswer): boolean => cost.repeat > 0 || cost.taught > 0 || cost.rest > 0;
/**
 * The ways that are put before a player: those that the hand does not mind. Where it minds every one, the best alone;
 * what it minds is said of it.
 */
export function proposed(answers: readonly LineAnswer[]): readonly LineAnswer[] {
  const good = answers.filter((a) => !isMinded(a));
  return good.length ? good : answers.slice(0, 1);
}
