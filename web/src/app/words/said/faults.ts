import {
  type Cell,
  cellFaults as englishCellFaults,
  sayFact as englishSayFact,
  sayFacts as englishSayFacts,
  sayFault as englishSayFault,
  sayFaults as englishSayFaults,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Facts and faults of what was written or asked. */
export const sayFact = inLanguage(englishSayFact);
export const sayFacts = inLanguage(englishSayFacts);
export const sayFault = inLanguage(englishSayFault);
export const sayFaults = inLanguage(englishSayFaults);
/** Everything wrong with an own cell, in sentences. */
export function sayCellFaults(cell: Cell): string[] {
  const { facts, script } = englishCellFaults(cell);
  return [...facts.map(sayFact), ...script.map(sayFault)];
}
