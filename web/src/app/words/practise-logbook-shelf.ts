import { keep as english } from './en/practise-logbook-shelf';
import { inLanguage } from './language';

/** Practise, Logbook and Shelf. */
export const keep = inLanguage(english);
