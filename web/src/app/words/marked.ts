import type { Language } from './language';

/** Fields of what core says that are read by a player; the others are codes and places. */
const READ = new Set([
  'name',
  'note',
  'school',
  'title',
  'lines',
  'hint',
  'why',
  'text',
  'faults',
  'message',
  'first',
  'last',
]);
const CARDS = new Set(['what', 'workOut', 'caution']);
const mark = (text: string): string => (text === '' ? text : `⟦${text}⟧`);

/** Every text of a dictionary. */
function marked(entry: unknown): unknown {
  if (typeof entry === 'string') return mark(entry);
  if (typeof entry === 'function')
    return (...about: unknown[]) => markedAnswer((entry as (...about: unknown[]) => unknown)(...about));
  if (Array.isArray(entry)) return entry.map(marked);
  if (typeof entry !== 'object' || entry === null) return entry;
  const isCard = 'workOut' in entry;
  return Object.fromEntries(
    Object.entries(entry).map(([key, own]) => [key, isCard && !READ.has(key) && !CARDS.has(key) ? own : marked(own)]),
  );
}
/** What a function of core or of a dictionary answers: its sentences, and the sentences among its fields. */
function markedAnswer(answer: unknown): unknown {
  if (typeof answer === 'string') return mark(answer);
  if (Array.isArray(answer)) return answer.map(markedAnswer);
  if (typeof answer !== 'object' || answer === null) return answer;
  return Object.fromEntries(Object.entries(answer).map(([key, own]) => [key, READ.has(key) ? markedAnswer(own) : own]));
}
/**
 * English with every text between ⟦ and ⟧. What is seen without them did not come out of a dictionary: no second
 * language could say it. It is for tests, and for whoever adds a text.
 */
export const MARKED: Language = { id: 'en-x-marked', of: <T>(english: T): T => marked(english) as T };
