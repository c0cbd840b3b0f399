import {
  sayFitSchool as englishSayFitSchool,
  sayFretSchool as englishSayFretSchool,
  sayKind as englishSayKind,
  sayLineSchool as englishSayLineSchool,
  sayWayToBegin as englishSayWayToBegin,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Schools, and ways to begin. */
export const sayLineSchool = inLanguage(englishSayLineSchool);
export const sayKind = inLanguage(englishSayKind);
export const sayFretSchool = inLanguage(englishSayFretSchool);
export const sayFitSchool = inLanguage(englishSayFitSchool);
export const sayWayToBegin = inLanguage(englishSayWayToBegin);
