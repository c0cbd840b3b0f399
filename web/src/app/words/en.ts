import { shell } from './shell';

/**
 * Texts of the frame around every place, and of what stands in all of them. A place or panel takes its own from the file beside
 * this one that is named after it, so that the first download has none of them.
 */
export const words = shell;
