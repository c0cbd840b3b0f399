import { glossary as english } from './en/glossary';
import { inLanguage } from './language';

/** What the terms of the page mean. */
export const glossary = inLanguage(english);
