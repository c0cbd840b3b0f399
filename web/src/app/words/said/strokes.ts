import {
  MARK_SAID as ENGLISH_MARK_SAID,
  sayComeRound as englishSayComeRound,
  sayLayers as englishSayLayers,
  sayMet as englishSayMet,
  sayPlayed as englishSayPlayed,
  sayStep as englishSayStep,
  whoLimits as englishWhoLimits,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Steps, strokes and marks. */
export const sayStep = inLanguage(englishSayStep);
export const sayMet = inLanguage(englishSayMet);
export const MARK_SAID = inLanguage(ENGLISH_MARK_SAID);
export const whoLimits = inLanguage(englishWhoLimits);
export const sayLayers = inLanguage(englishSayLayers);
export const sayComeRound = inLanguage(englishSayComeRound);
export const sayPlayed = inLanguage(englishSayPlayed);
