import { sayHandChoices as englishSayHandChoices, sayHandRules as englishSayHandRules } from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** What schools do not agree on, as it is offered, and as short notes of a hand. */
export const sayHandChoices = inLanguage(englishSayHandChoices);
export const sayHandRules = inLanguage(englishSayHandRules);
