import { files as english } from './en/files';
import { inLanguage } from './language';

/** Score files, in and out: in the Weave and on the Shelf. */
export const files = inLanguage(english);
