import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** What an answer of a solver is like to play. */
export const sayFit = inLanguage(english.sayFit);
export const sayLineRemark = inLanguage(english.sayLineRemark);
export const sayNote = inLanguage(english.sayNote);
export const sayBass = inLanguage(english.sayBass);
export const sayComp = inLanguage(english.sayComp);
export const sayCompChord = inLanguage(english.sayCompChord);
