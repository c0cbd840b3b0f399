import { wheel as english } from './en/wheel';
import { inLanguage } from './language';

/** The Wheel and the panels beside it; what every answer of a solver has. */
export const wheel = inLanguage(english);
