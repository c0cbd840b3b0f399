import { type Language, speak } from './language';

/** Languages besides English, each fetched when it is spoken. */
const OTHERS: Readonly<Record<string, () => Promise<Language>>> = {
  'en-x-marked': () => import('./marked').then((m) => m.MARKED),
};
/** Speaks the language that the address asks for (`?language=…`), English where it asks for none that is known. */
export async function speakAsAsked(search: string): Promise<string> {
  const language = await OTHERS[new URLSearchParams(search).get('language') ?? '']?.();
  if (language) speak(language);
  return language?.id ?? 'en';
}
