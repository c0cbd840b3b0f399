import { logbook as english } from './en/logbook';
import { inLanguage } from './language';

/** The Logbook. */
export const logbook = inLanguage(english);
