/**
 * A language of the page. Texts are written in English beside this file, and sentences in core; a language gives its own
 * for each of them, found by the English one itself: `of(wheel)` are the texts of the Wheel, `of(sayFact)` says facts.
 */
export interface Language {
  /** As the page's `lang` says it. */
  readonly id: string;
  readonly of: <T>(english: T) => T;
}
export const ENGLISH: Language = { id: 'en', of: (english) => english };

let spoken = ENGLISH;
/** Chosen once, before any part that has texts is fetched: they are taken as those parts load. */
export function speak(language: Language): void {
  spoken = language;
}
/** A text, a dictionary or a function that makes sentences, in the language of the page. */
export const inLanguage = <T>(english: T): T => spoken.of(english);
