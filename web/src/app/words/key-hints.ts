let shown = true;
/** Chosen once, before any part that has texts is fetched: where the pointer is a finger no key is spoken of. */
export function showKeyHints(on: boolean): void {
  shown = on;
}
/** The key of an act, behind its name. @example keyHint('K') // ' (K)' */
export const keyHint = (key: string): string => (shown ? ` (${key})` : '');
