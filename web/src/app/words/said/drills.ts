import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Drills. */
export const sayDrills = inLanguage(english.sayDrills);
