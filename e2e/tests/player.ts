import { expect, test as base, type Page } from '@playwright/test';

/** Every test begins at the Wheel with the demo data, and fails when the console has complained. */
export const test = base.extend<{ player: Page }>({
  player: async ({ page }, use) => {
    const complaints: string[] = [];
    listen(page, complaints);
    await open(page);
    await notNow(page);
    await use(page);
    expect(complaints).toEqual([]);
  },
});
export { expect };

/** What the test runner says where it keeps the service worker away. */
const BLOCKED = /Service Worker registration blocked/;
export function listen(page: Page, complaints: string[]) {
  page.on('console', (m) => {
    if (BLOCKED.test(m.text())) return;
    if (m.type() === 'error' || m.type() === 'warning') complaints.push(m.text());
  });
  page.on('pageerror', (e) => complaints.push(e.message));
}
export async function open(page: Page) {
  await page.goto('/');
  await expect(page.getByRole('combobox', { name: 'Study', exact: true })).toHaveText('Lantern Stair');
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Ceiling/ })).toBeVisible();
}
/** The first screen is put away, once for all that is kept in this browser. */
export async function notNow(page: Page) {
  await page.getByRole('button', { name: 'Not now' }).click();
  await expect(page.getByRole('region', { name: 'Welcome' })).toHaveCount(0);
  await saved(page);
}
/** Loads the page again; keys are heard once the places are there. */
export async function reload(page: Page) {
  await page.reload();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
}
/** Puts another text into the script editor, as a player would: select all and type. */
export async function writeScript(page: Page, text: string) {
  await page.getByRole('textbox', { name: 'Hand script' }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await page.keyboard.type(text);
  await page.keyboard.press('Escape');
}
/** Takes an option of a choice, as a player would: opens it and presses the option. */
export async function choose(page: Page, name: string, option: string | RegExp) {
  await page.getByRole('combobox', { name, exact: true }).click();
  await page.getByRole('option', { name: option, exact: typeof option === 'string' }).click();
  await expect(page.getByRole('listbox')).toHaveCount(0);
}
/** Until something is loud enough to be seen on the play button: a click may be so for a moment only. */
export const sounds = (page: Page) =>
  page.waitForFunction(() => document.querySelector('.play.sounding') !== null, null, {
    polling: 'raf',
    timeout: 15_000,
  });
export const saved = (page: Page) => expect(page.locator('.saved')).toHaveText('Saved');
/**
 * Presses a key in each of two tabs before either’s change can reach the tables: these are held until both tabs
 * have begun to save, whatever else the machine is doing.
 */
export async function pressBeforeNews(a: Page, keyA: string, b: Page, keyB: string) {
  const holder = await a.evaluateHandle(async () => {
    const db = await new Promise<IDBDatabase>((done, failed) => {
      const asked = indexedDB.open('ruffle-wheel');
      asked.onsuccess = () => done(asked.result);
      asked.onerror = () => failed(new Error(asked.error?.message));
    });
    const held = { on: true };
    const tables = db.transaction('studies', 'readwrite').objectStore('studies');
    await new Promise<void>((begun) => {
      const again = () => {
        begun();
        if (held.on) tables.count().onsuccess = again;
        else db.close();
      };
      tables.count().onsuccess = again;
    });
    return held;
  });
  await Promise.all([a.keyboard.press(keyA), b.keyboard.press(keyB)]);
  for (const p of [a, b]) await expect(p.locator('.saved')).not.toHaveText('Saved');
  await holder.evaluate((held) => (held.on = false));
}
/** Marks the pass that sounds, as soon as it has come round: before that the key says that it goes on. */
export async function markPass(page: Page, key: 'PageDown' | 'PageUp') {
  const marks = page.locator('.mark');
  const before = await marks.count();
  await expect(async () => {
    await page.keyboard.press(key);
    expect(await marks.count()).toBe(before + 1);
  }).toPass({ timeout: 60_000, intervals: [400] });
}
/** Gives the keys back to the place, as a player does. */
export const leaveFields = (page: Page) => page.keyboard.press('Escape');
/** Tab, and the arrow keys' way out of a group, until the control with this name has the focus. */
export async function tabTo(page: Page, name: string | RegExp) {
  const wanted = page.getByRole('button', { name, exact: typeof name === 'string' }).first();
  await expect(wanted).toBeVisible();
  for (let n = 0; n < 60; n++) {
    if (await wanted.evaluate((e) => e === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab does not reach “${String(name)}”.`);
}
/** An empty study of one's own, by keys, seen from the Shelf. */
/** A study on a soleá with nothing in it, on the Shelf. */
export async function newStudy(page: Page) {
  await page.keyboard.press('0');
  const dialog = page.getByRole('dialog', { name: 'New study' });
  await dialog.getByRole('option', { name: 'Soleá', exact: true }).click();
  await dialog.getByRole('option', { name: 'Nothing' }).click();
  await dialog.getByRole('button', { name: 'Begin' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page).toHaveTitle('Wheel · Ruffle Wheel');
  await page.keyboard.press('7');
  await expect(page.getByRole('heading', { name: 'Soleá' })).toBeVisible();
}

/** An act of a study's menu on the Shelf. */
export async function ofStudy(page: Page, study: string, act: string) {
  await page.getByRole('button', { name: `More for ${study}`, exact: true }).click();
  await page.getByRole('menuitem', { name: act, exact: true }).click();
}
/** An act of the menu over the Shelf. */
export async function ofShelf(page: Page, act: string) {
  await page.getByRole('button', { name: 'More for all' }).click();
  await page.getByRole('menuitem', { name: act, exact: true }).click();
}
