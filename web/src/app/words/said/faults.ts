import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Facts and faults of what was written or asked. */
export const sayFact = inLanguage(english.sayFact);
export const sayFacts = inLanguage(english.sayFacts);
export const sayFault = inLanguage(english.sayFault);
export const sayFaults = inLanguage(english.sayFaults);
/** Everything wrong with an own cell, in sentences. */
export function sayCellFaults(cell: english.Cell): string[] {
  const { facts, script } = english.cellFaults(cell);
  return [...facts.map(sayFact), ...script.map(sayFault)];
}
