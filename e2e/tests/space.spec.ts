import type { Page } from '@playwright/test';
import { expect, sounds, test } from './player.js';

/** What the pointer presses and what stays there: not fields of text, not what leads to another place. */
const CONTROLS = [
  'button:not([disabled])',
  'summary',
  '[role="tab"]',
  '[role="switch"]',
  'input[type="checkbox"]',
  'input[type="range"]',
  'mat-select:not([aria-disabled="true"])',
].join(',');
/** What takes the page away from the place: tried by their own tests. */
const LEAVING =
  /^(Play|Stop|Begin|Stop and write down|New study.*|Import.*|Keys \(\?\)|Letters.*|Score files.*|More.*|.*stand view|Open|Practise.*|To practise.*|Measure.*|Print.*|Delete.*|Remove the demo|Export.*|.*\.(json|mid|musicxml|wav|csv|pdf|txt).*)$/i;

/** Clicks each control as a player would and presses Space after it: the music begins, the control stays as it is. */
async function spaceAfterEach(page: Page, part: string): Promise<string[]> {
  const play = page.locator('button.play');
  const wrong: string[] = [];
  const seen = new Set<string>();
  // The first time sound is fetched.
  await page.keyboard.press('Space');
  await sounds(page);
  await page.keyboard.press('Space');
  for (let n = 0; n < 40; n++) {
    const all = page.locator(part).locator(CONTROLS).locator('visible=true');
    if (n >= (await all.count())) break;
    const control = all.nth(n);
    const name = await control.evaluate((e) => {
      const labelled = e.getAttribute('aria-label') ?? e.textContent ?? '';
      return `${e.closest('nav, app-header, main')?.tagName ?? ''} ${e.localName} ${labelled.trim().replace(/\s+/g, ' ')}`;
    });
    const bare = name.replace(/^\S* \S+ /, '');
    if (seen.has(name) || LEAVING.test(bare)) continue;
    seen.add(name);
    try {
      await control.click({ timeout: 3_000 });
    } catch {
      continue;
    }
    if (await page.getByRole('dialog').count()) {
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
      continue;
    }
    // A choice that was opened is closed with the pointer, as it was opened.
    await expect(async () => {
      const open = page.locator('.cdk-overlay-backdrop');
      if (await open.count()) await page.mouse.click(640, 795);
      await expect(open).toHaveCount(0, { timeout: 300 });
    }).toPass({ timeout: 10_000 });
    if (!(await control.isVisible())) continue;
    if (await page.evaluate(() => document.activeElement?.matches('input:not([type]), textarea, .cm-content')))
      await page.keyboard.press('Escape');
    const before = await play.getAttribute('aria-label');
    await page.evaluate(() => {
      const heard = window as unknown as { clicks: number };
      heard.clicks = 0;
      document.addEventListener('click', () => heard.clicks++, { capture: true, once: true });
    });
    await page.keyboard.press('Space');
    const turned = await expect(play)
      .not.toHaveAttribute('aria-label', before ?? '', { timeout: 4_000 })
      .then(() => true)
      .catch(() => false);
    const clicks = await page.evaluate(() => (window as unknown as { clicks: number }).clicks);
    if (!turned || clicks) wrong.push(`${name}: ${turned ? '' : 'silent'} ${clicks ? 'pressed again' : ''}`);
    if (turned) {
      await page.keyboard.press('Space');
      await expect(play).toHaveAttribute('aria-label', before ?? '');
    }
  }
  expect(seen.size).toBeGreaterThan(1);
  return wrong;
}

for (const [place, key, part] of [
  ['Wheel', '1', 'app-header'],
  ['Wheel', '1', 'main'],
  ['Neck', '2', 'main'],
  ['Weave', '3', 'main'],
  ['Practise', '4', 'main'],
  ['Shelf', '7', 'main'],
] as const)
  test(`Space plays after a click on whatever stays on screen: ${place}, ${part}`, async ({ player: page }) => {
    test.setTimeout(300_000);
    await page.keyboard.press(key);
    await expect(page).toHaveTitle(`${place} · Ruffle Wheel`);
    await expect(page.locator('main h1')).toHaveCount(1);
    expect(await spaceAfterEach(page, part)).toEqual([]);
  });
