import { listed as englishListed } from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Lists and numbers of things. */
export const listed = inLanguage(englishListed);
