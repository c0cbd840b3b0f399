import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Lists and numbers of things. */
export const listed = inLanguage(english.listed);
