import { chart as english } from './en/chart';
import { inLanguage } from './language';

/** The chart of a section, wherever it is written. */
export const chart = inLanguage(english);
