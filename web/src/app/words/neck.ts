import { neck as english } from './en/neck';
import { inLanguage } from './language';

/** The Neck, its panels, and what any place says of a neck. */
export const neck = inLanguage(english);
