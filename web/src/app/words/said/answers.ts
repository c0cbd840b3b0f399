import {
  sayBass as englishSayBass,
  sayComp as englishSayComp,
  sayCompChord as englishSayCompChord,
  sayFit as englishSayFit,
  sayLineRemark as englishSayLineRemark,
  sayNote as englishSayNote,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** What an answer of a solver is like to play. */
export const sayFit = inLanguage(englishSayFit);
export const sayLineRemark = inLanguage(englishSayLineRemark);
export const sayNote = inLanguage(englishSayNote);
export const sayBass = inLanguage(englishSayBass);
export const sayComp = inLanguage(englishSayComp);
export const sayCompChord = inLanguage(englishSayCompChord);
