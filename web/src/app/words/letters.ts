import { letters as english } from './en/letters';
import { inLanguage } from './language';

/** The letters of the script, what could come, and their dialog. */
export const letters = inLanguage(english);
