import { answers as english } from './en/answers';
import { inLanguage } from './language';

/** What every answer of a solver has. */
export const answers = inLanguage(english);
