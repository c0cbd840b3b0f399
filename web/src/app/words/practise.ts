import { practise as english } from './en/practise';
import { inLanguage } from './language';

/** Practise. */
export const practise = inLanguage(english);
