/** How the end of an address begins that holds a study. */
export const STUDY_IN = '#study=';
/** What mail and messages let through. */
export const LONGEST_LINK = 8_000;
