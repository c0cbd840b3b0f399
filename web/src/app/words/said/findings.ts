import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Findings, and what would end them. */
export const sayAll = inLanguage(english.sayAll);
export const sayFinding = inLanguage(english.sayFinding);
export const sayRemedy = inLanguage(english.sayRemedy);
export const sayRaise = inLanguage(english.sayRaise);
