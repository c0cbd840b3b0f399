import { drawings as english } from './en/drawings';
import { inLanguage } from './language';

/** What drawings say to whom they can't be seen. */
export const drawings = inLanguage(english);
