import { sayDrills as englishSayDrills } from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Drills. */
export const sayDrills = inLanguage(englishSayDrills);
