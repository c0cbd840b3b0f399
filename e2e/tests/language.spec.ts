import type { Page } from '@playwright/test';
import { expect, listen, test as base } from './player.js';

/** The program in a language that is English with every text between ⟦ and ⟧. */
const test = base.extend<{ marked: Page }>({
  marked: async ({ page }, use) => {
    const complaints: string[] = [];
    listen(page, complaints);
    await page.goto('/?language=en-x-marked');
    await expect(page.getByRole('combobox', { name: 'Study' })).toHaveText('Lantern Stair');
    await expect(page.getByRole('heading', { name: /Ceiling/ })).toBeVisible();
    await use(page);
    expect(complaints).toEqual([]);
  },
});
/**
 * What is seen or read aloud and stands in no dictionary. Texts of the study, letters of strokes, names of chords and
 * keys stand in elements with `data-own`; what such an element says may be part of a label too.
 */
const unmarked = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const READ = ['aria-label', 'aria-description', 'title', 'placeholder', 'alt'];
    const all = [...document.querySelectorAll('body *:not(script, style, noscript)')];
    const text = (e: Element) => (e.textContent ?? '').trim();
    const own = all
      .filter((e) => e.hasAttribute('data-own'))
      .flatMap((e) => [text(e), e.textContent?.split(' · ') ?? []].flat());
    const known = [...new Set(own.map((t) => t.trim()).filter((t) => /\p{L}/u.test(t)))].sort(
      (a, b) => b.length - a.length,
    );
    const bare = (t: string): string => {
      const less = t.replace(/⟦[^⟦⟧]*⟧/g, '');
      return less === t ? t : bare(less);
    };
    const letters = (t: string) => /\p{L}{2,}/u.test(t);
    return all.flatMap((e) => {
      const labels = e.parentElement?.closest('[data-own]') ? [] : READ.map((a) => e.getAttribute(a) ?? '');
      const texts = e.closest('[data-own]')
        ? []
        : [...e.childNodes].filter((n) => n.nodeType === Node.TEXT_NODE).map((n) => n.textContent ?? '');
      const told = [...labels.map((l) => known.reduce((t, k) => t.replaceAll(k, ''), bare(l))), ...texts.map(bare)];
      return told.filter(letters).map((t) => `${e.tagName.toLowerCase()}: ${t.trim()}`);
    });
  });
/** Nothing unmarked, once it is there: parts come one after another. */
const allMarked = async (page: Page) => {
  await expect.poll(() => page.getByText('⟦').count()).toBeGreaterThan(0);
  await expect.poll(() => unmarked(page)).toEqual([]);
};
/** Every panel of a place. */
async function eachTab(page: Page) {
  for (const tab of await page.getByRole('tab').all()) {
    await tab.click();
    await expect(page.getByRole('tabpanel').getByText('⟦').first()).toBeVisible({ timeout: 15_000 });
    await allMarked(page);
  }
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
}

test('no text of any place stands outside the dictionary', async ({ marked: page }) => {
  test.setTimeout(180_000);
  expect(await page.evaluate(() => document.documentElement.lang)).toBe('en-x-marked');
  await allMarked(page);
  await eachTab(page);
  for (const [key, address] of [
    ['2', 'neck'],
    ['3', 'weave'],
    ['4', 'practise'],
    ['6', 'logbook'],
    ['7', 'shelf'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(`/${address}$`));
    await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
    await allMarked(page);
    if (key === '2' || key === '3') await eachTab(page);
  }
  for (const heading of await page.locator('summary').all()) await heading.click();
  await allMarked(page);
});
test('neither of what is told of a passage, a fault, an answer, nor of a dialog', async ({ marked: page }) => {
  test.setTimeout(120_000);
  const script = page.getByRole('textbox', { name: 'Hand script' });
  await script.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await page.keyboard.type('id! iu_ ed:7 p:5 i:3f6o ??');
  await page.keyboard.press('Escape');
  await expect(page.getByText('has no string to rest on').first()).toBeVisible();
  await allMarked(page);
  await page.getByRole('tab', { name: 'Line' }).click();
  await page.getByLabel('Line by strings').fill('33322211a1');
  await expect(page.getByRole('button', { name: /Note 9/ })).toBeVisible();
  await allMarked(page);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
  await allMarked(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('0');
  await expect(page.getByRole('dialog')).toBeVisible();
  await allMarked(page);
});
