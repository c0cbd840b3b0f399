import {
  sayHandChoice as englishSayHandChoice,
  sayHandRules as englishSayHandRules,
  sayHandWay as englishSayHandWay,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** What schools do not agree on, the ways to settle it, and what a hand has settled as short notes. */
export const sayHandChoice = inLanguage(englishSayHandChoice);
export const sayHandWay = inLanguage(englishSayHandWay);
export const sayHandRules = inLanguage(englishSayHandRules);
