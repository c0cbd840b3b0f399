import type { Page } from '@playwright/test';
import { choose, expect, test, writeScript } from './player.js';

/**
 * Texts of which something can't be seen: outside the page, or cut by a box that doesn't scroll. What is only read
 * aloud is left out.
 */
const cut = (page: Page) =>
  page.evaluate(() => {
    const found: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const e = node.parentElement;
      const text = node.textContent?.trim() ?? '';
      if (!e || text === '' || e.closest('.unseen, svg, script, style, noscript, .cdk-visually-hidden, [hidden]'))
        continue;
      if (!e.checkVisibility({ visibilityProperty: true, opacityProperty: true })) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      const boxes = [...range.getClientRects()].filter((r) => r.width > 0);
      if (boxes.length === 0) continue;
      const [left, right] = [Math.min(...boxes.map((r) => r.left)), Math.max(...boxes.map((r) => r.right))];
      const [top, bottom] = [Math.min(...boxes.map((r) => r.top)), Math.max(...boxes.map((r) => r.bottom))];
      let across = false;
      let down = false;
      for (let box: Element | null = e; box && box !== document.documentElement; box = box.parentElement) {
        const style = getComputedStyle(box);
        const r = box.getBoundingClientRect();
        if (style.clipPath !== 'none' && r.width <= 1) {
          across = true;
          break;
        }
        const hides = (o: string) => o === 'hidden' || o === 'clip';
        const rolls = (o: string) => o === 'auto' || o === 'scroll';
        if (!across && hides(style.overflowX) && (right > r.right + 1.5 || left < r.left - 1.5))
          found.push(`${text.slice(0, 60)} — cut at the side by ${box.localName}.${box.className}`);
        // Lines are a little higher than their letters.
        if (!down && hides(style.overflowY) && (bottom > r.bottom + 6 || top < r.top - 6))
          found.push(`${text.slice(0, 60)} — cut below by ${box.localName}.${box.className}`);
        across ||= rolls(style.overflowX);
        down ||= rolls(style.overflowY);
        if (style.position === 'fixed') break;
      }
      if (!across && (right > innerWidth + 1 || left < -1)) found.push(`${text.slice(0, 60)} — beyond the page`);
    }
    return [...new Set(found)];
  });

const SIZES = [
  [1280, 800],
  [1024, 768],
  [844, 390],
  [640, 400],
  [390, 844],
  [320, 256],
] as const;
async function whole(page: Page, where: string) {
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    await page.waitForTimeout(150);
    expect.soft({ where, width, height, cut: await cut(page) }).toEqual({ where, width, height, cut: [] });
    // Nothing lies beside the page.
    const beyond = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect.soft({ where, width, beyond }).toEqual({ where, width, beyond: 0 });
  }
  await page.setViewportSize({ width: 1280, height: 800 });
}

test('no text is cut beside the wheel', async ({ player: page }) => {
  test.setTimeout(180_000);
  await writeScript(page, 'p:5 i:3 mm a:1 iud p:7 e a m i');
  await expect(page.locator('.faults li').first()).toBeVisible();
  await whole(page, 'Findings with faults');
  await writeScript(page, 'p:5 i:3 m:2 a:1 iu p:6 e a m i');
  for (const tab of ['Findings', 'Accents', 'Fit', 'Line', 'Drills', 'Shape', 'Cycle']) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    await page.waitForTimeout(700);
    await whole(page, tab);
  }
});
test('no text is cut beside the neck, in Practise, Logbook and Shelf', async ({ player: page }) => {
  test.setTimeout(240_000);
  await page.keyboard.press('2');
  for (const tab of ['Changes', 'Find', 'Row', 'Melody']) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    await page.waitForTimeout(700);
    await whole(page, tab);
  }
  for (const [key, place] of [
    ['4', 'Practise'],
    ['6', 'Logbook'],
    ['7', 'Shelf'],
  ] as const) {
    await page.keyboard.press('Escape');
    await page.keyboard.press(key);
    await expect(page).toHaveTitle(`${place} · Ruffle Wheel`);
    await expect(page.locator('main h1')).toHaveCount(1);
    await page.waitForTimeout(700);
    await whole(page, place);
  }
});
test('no text is cut beside the weave', async ({ player: page }) => {
  test.setTimeout(240_000);
  await choose(page, 'Study', 'Harbour Lamps');
  await page.keyboard.press('3');
  for (const tab of ['Chart', 'Falseta', 'Comping', 'Bass', 'Form', 'Conflicts', 'Keys', 'Files']) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    await page.waitForTimeout(900);
    await whole(page, tab);
  }
});
