import {
  TECHNIQUES as ENGLISH_TECHNIQUES,
  TUNINGS as ENGLISH_TUNINGS,
  sayCell as englishSayCell,
  sayCycle as englishSayCycle,
  sayFamily as englishSayFamily,
  sayFigure as englishSayFigure,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Cycles, cells and figures: shipped ones by their ids, a player's own as they were named. */
export const sayCycle = inLanguage(englishSayCycle);
export const sayCell = inLanguage(englishSayCell);
export const sayFigure = inLanguage(englishSayFigure);
export const sayFamily = inLanguage(englishSayFamily);
/** What each technique is, and what must be worked out. */
export const techniques = inLanguage(ENGLISH_TECHNIQUES);
/** Tunings by the names they are called by. */
export const tunings = inLanguage(ENGLISH_TUNINGS);
