import { undone as english } from './en/undone';
import { inLanguage } from './language';

/** What undo and redo have done. */
export const undone = inLanguage(english);
