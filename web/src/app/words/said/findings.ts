import {
  sayAll as englishSayAll,
  sayFinding as englishSayFinding,
  sayRaise as englishSayRaise,
  sayRemedy as englishSayRemedy,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Findings, and what would end them. */
export const sayAll = inLanguage(englishSayAll);
export const sayFinding = inLanguage(englishSayFinding);
export const sayRemedy = inLanguage(englishSayRemedy);
export const sayRaise = inLanguage(englishSayRaise);
