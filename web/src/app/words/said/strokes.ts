import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Steps, strokes and marks. */
export const sayStep = inLanguage(english.sayStep);
export const sayMet = inLanguage(english.sayMet);
export const MARK_SAID = inLanguage(english.MARK_SAID);
export const whoLimits = inLanguage(english.whoLimits);
export const sayLayers = inLanguage(english.sayLayers);
export const sayComeRound = inLanguage(english.sayComeRound);
