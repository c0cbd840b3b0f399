import { welcome as english } from './en/welcome';
import { inLanguage } from './language';

/** The first screen, the tour and the guide. */
export const welcome = inLanguage(english);
