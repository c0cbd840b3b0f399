import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Cycles, cells and figures: shipped ones by their ids, a player's own as they were named. */
export const sayCycle = inLanguage(english.sayCycle);
export const sayCell = inLanguage(english.sayCell);
export const sayFigure = inLanguage(english.sayFigure);
export const sayFamily = inLanguage(english.sayFamily);
/** What each technique is, and what must be worked out. */
export const techniques = inLanguage(english.TECHNIQUES);
/** Tunings by the names they are called by. */
export const tunings = inLanguage(english.TUNINGS);
