import { shelf as english } from './en/shelf';
import { inLanguage } from './language';

/** The Shelf, its bin, hands and cells. */
export const shelf = inLanguage(english);
