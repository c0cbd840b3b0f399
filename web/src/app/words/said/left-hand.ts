import {
  sayBorrowed as englishSayBorrowed,
  sayChange as englishSayChange,
  sayFinger as englishSayFinger,
  sayFretting as englishSayFretting,
  sayHandNote as englishSayHandNote,
  sayKey as englishSayKey,
  sayNotes as englishSayNotes,
  sayPlace as englishSayPlace,
  sayRightHand as englishSayRightHand,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Changes, fingers, keys, and what both hands do at a note. */
export const sayFinger = inLanguage(englishSayFinger);
export const sayChange = inLanguage(englishSayChange);
export const sayRightHand = inLanguage(englishSayRightHand);
export const sayBorrowed = inLanguage(englishSayBorrowed);
export const sayFretting = inLanguage(englishSayFretting);
export const sayHandNote = inLanguage(englishSayHandNote);
export const sayNotes = inLanguage(englishSayNotes);
export const sayPlace = inLanguage(englishSayPlace);
export const sayKey = inLanguage(englishSayKey);
