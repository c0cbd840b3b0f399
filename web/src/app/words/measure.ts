import { measure as english } from './en/measure';
import { inLanguage } from './language';

/** Measuring a left hand step by step. */
export const measure = inLanguage(english);
