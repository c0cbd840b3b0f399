/** The script that a page begins with carries a hash of the program in its name. */
const MAIN = /\bmain-[A-Z0-9]{8}\.js\b/;
const mainIn = (text: string): string | null => MAIN.exec(text)?.[0] ?? null;

/**
 * Whether the server has another build of the program than the one that runs in this page.
 * @param page the page as it was loaded
 */
export async function isUpdated(page: Document = document): Promise<boolean> {
  const own = [...page.scripts].map((s) => mainIn(s.src)).find((name) => name !== null);
  if (!own) return false;
  try {
    const now = mainIn(await (await fetch('index.html', { cache: 'no-store' })).text());
    return now !== null && now !== own;
  } catch {
    return false;
  }
}
