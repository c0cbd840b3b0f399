import { weave as english } from './en/weave';
import { inLanguage } from './language';

/** The Weave and its panels. */
export const weave = inLanguage(english);
