import { acts as english } from './en/acts';
import { inLanguage } from './language';

/** What each act is called, and where it can be done. */
export const acts = inLanguage(english);
