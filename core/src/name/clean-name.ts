/** Letters a name may have: of a study, a section, a shape, a cycle, a cell, a hand. */
export const LONGEST_NAME = 60;

/** Marks that turn the direction of the text after them, control letters, and halves of letters. */
const UNWANTED = /[\p{Cc}\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069\u2028\u2029\uFEFF]|\p{Cs}/gu;
/** Letters that take room or none and show nothing. */
const UNSEEN = /[\p{C}\p{Z}\p{M}\p{Default_Ignorable_Code_Point}\u2800]/gu;

/**
 * A name as it is kept: without marks that would turn the text beside it, on one line, at most 60 letters, no
 * white space at its ends. Empty when nothing of it can be seen.
 * @example cleanName('  Lantern \u202Estair ') // 'Lantern stair'
 */
export function cleanName(text: string): string {
  const line = text.replace(/\s+/gu, ' ').replace(UNWANTED, '').trim();
  if (line.replace(UNSEEN, '') === '') return '';
  if (line.length <= LONGEST_NAME) return line;
  let cut = '';
  // By whole letters: a pair of code units is never cut through.
  for (const letter of line) {
    if (cut.length + letter.length > LONGEST_NAME) break;
    cut += letter;
  }
  return cut.trim();
}
