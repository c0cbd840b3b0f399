import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Changes, fingers, keys, and what both hands do at a note. */
export const sayFinger = inLanguage(english.sayFinger);
export const sayChange = inLanguage(english.sayChange);
export const sayRightHand = inLanguage(english.sayRightHand);
export const sayBorrowed = inLanguage(english.sayBorrowed);
export const sayFretting = inLanguage(english.sayFretting);
export const sayHandNote = inLanguage(english.sayHandNote);
export const sayNotes = inLanguage(english.sayNotes);
export const sayPlace = inLanguage(english.sayPlace);
export const sayKey = inLanguage(english.sayKey);
