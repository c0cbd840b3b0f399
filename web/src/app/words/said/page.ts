import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Bars of the page, read aloud. */
export const sayBar = inLanguage(english.sayBar);
export const saySigns = inLanguage(english.saySigns);
