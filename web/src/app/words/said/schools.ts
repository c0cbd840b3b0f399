import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Schools, and ways to begin. */
export const sayLineSchool = inLanguage(english.sayLineSchool);
export const sayFretSchool = inLanguage(english.sayFretSchool);
export const sayFitSchool = inLanguage(english.sayFitSchool);
export const sayWayToBegin = inLanguage(english.sayWayToBegin);
