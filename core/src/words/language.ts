import type * as english from './en/index.js';

/**
 * Everything that a language says: for each code a sentence made of its figures, for each id its name. English is the
 * measure: another language is a folder beside `en` whose index has the same names with the same arguments, and the
 * compiler says what it lacks (`import * as es from './es/index.js'; es satisfies Language`).
 */
export type Language = { readonly [Name in keyof typeof english]: (typeof english)[Name] };
