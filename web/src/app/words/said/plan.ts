import {
  sayBlockKind as englishSayBlockKind,
  sayCourseStep as englishSayCourseStep,
  sayPlanned as englishSayPlanned,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Blocks of a session's plan, and why they stand in it. */
export const sayPlanned = inLanguage(englishSayPlanned);
export const sayBlockKind = inLanguage(englishSayBlockKind);
/** Steps of a course. */
export const sayCourseStep = inLanguage(englishSayCourseStep);
