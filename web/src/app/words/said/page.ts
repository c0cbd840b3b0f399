import { sayBar as englishSayBar, saySigns as englishSaySigns } from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Bars of the page, read aloud. */
export const sayBar = inLanguage(englishSayBar);
export const saySigns = inLanguage(englishSaySigns);
