import { shell as english } from './en/shell';
import { inLanguage } from './language';

/** Texts of the frame around every place, and of what stands in all of them. A place or panel takes its own from the file that is named after it, so that the first download has none of them. */
export const shell = inLanguage(english);
