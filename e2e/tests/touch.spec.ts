import type { Page } from '@playwright/test';
import { choose, expect, listen, open, sounds, test as base, notNow } from './player.js';

/** A tablet without keyboard and mouse. */
const test = base.extend<{ tablet: Page }>({
  tablet: async ({ browser, baseURL }, use) => {
    const context = await browser.newContext({
      ...{ baseURL, hasTouch: true, isMobile: true, viewport: { width: 1024, height: 768 } },
    });
    const page = await context.newPage();
    const complaints: string[] = [];
    listen(page, complaints);
    await open(page);
    await notNow(page);
    await use(page);
    expect(complaints).toEqual([]);
    await context.close();
  },
});

const TARGETS =
  'button, a, summary, input, [role="tab"], [role="combobox"], [role="switch"], [role="option"], [role="checkbox"]';
/** What is pressed and is smaller than a finger. */
const small = (page: Page) =>
  page.evaluate((targets) => {
    const seen = (e: Element) => e.checkVisibility({ opacityProperty: true, visibilityProperty: true });
    const all = [...document.querySelectorAll(targets)].filter(seen);
    const found = all.flatMap((e) => {
      // A field is pressed anywhere in its frame, a box and its words are one.
      const whole = e.matches('input, mat-form-field [role="combobox"]')
        ? (e.closest('.mat-mdc-form-field, mat-checkbox, mat-slide-toggle, mat-slider, label') ?? e)
        : e;
      const { width, height } = whole.getBoundingClientRect();
      if (width < 2 || (width >= 43.5 && height >= 43.5)) return [];
      return [
        `${Math.round(width)}x${Math.round(height)} ${e.localName} ${e.getAttribute('aria-label') ?? e.textContent?.trim().slice(0, 30) ?? ''}`,
      ];
    });
    return { of: all.length, found: [...new Set(found)] };
  }, TARGETS);

const PLACES: Record<string, readonly string[]> = {
  Wheel: ['Findings', 'Accents', 'Fit', 'Line', 'Drills', 'Shape', 'Cycle'],
  Neck: ['Changes', 'Find', 'Row', 'Melody'],
  Weave: ['Chart', 'Falseta', 'Comping', 'Bass', 'Form', 'Conflicts', 'Keys', 'Files'],
  Practise: [],
  Logbook: [],
  Shelf: [],
};
for (const [place, panels] of Object.entries(PLACES))
  test(`everything that is pressed is 44 px wide and high: ${place}`, async ({ tablet: page }) => {
    test.setTimeout(120_000);
    await page.getByRole('link', { name: place }).tap();
    await expect(page).toHaveTitle(`${place} · Ruffle Wheel`);
    await expect(page.locator('main h1')).toHaveCount(1);
    for (const panel of panels.length ? panels : ['']) {
      if (panel) await page.getByRole('tab', { name: panel, exact: true }).tap();
      await page.waitForTimeout(600);
      const { of, found } = await small(page);
      expect(of).toBeGreaterThan(9);
      expect({ panel, found }).toEqual({ panel, found: [] });
    }
  });

test('by touch alone a stroke and its marks are written on the wheel, and heard', async ({ tablet: page }) => {
  const script = page.getByRole('textbox', { name: 'Hand script' });
  const before = await script.innerText();
  await page.getByRole('button', { name: 'step after: →' }).tap();
  await page.getByRole('button', { name: /^finger.*: p$/ }).tap();
  await page.getByRole('button', { name: /^mark.*: ~$/ }).tap();
  await expect(script).not.toHaveText(before);
  await expect(script).toContainText('pd!~');
  await page.getByRole('button', { name: 'Undo' }).tap();
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect(script).toHaveText(before);
  await page.getByRole('button', { name: 'Play' }).tap();
  await sounds(page);
});
test('on a phone the page is chosen and words are written by touch, with the buttons shown', async ({
  tablet: page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('link', { name: 'Weave' }).tap();
  const system = page.locator('app-stave-system').first();
  await page.getByRole('button', { name: /^Page:/ }).tap();
  await page.getByRole('menuitemradio', { name: 'right hand' }).tap();
  await expect(system.locator('.sweep').first()).toBeAttached();
  await page.getByRole('button', { name: /^what the page shows/ }).tap();
  await expect(system.locator('.frets-held').first()).toBeAttached();
  // The panels stand below the buttons, as high as what is in them.
  await page.getByRole('textbox', { name: 'Words under the counts' }).tap();
  await page.keyboard.insertText('la voz');
  await expect(system.locator('.word')).toHaveText(['la', 'voz']);
  await page.getByRole('tab', { name: 'Files', exact: true }).tap();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the file' }).tap();
  expect((await download).suggestedFilename()).toBe('Lantern Stair Rasgueado.pdf');
});
test('by touch alone a fret is set in the Weave, a bar repeated and a range begun', async ({ tablet: page }) => {
  await choose(page, 'Section', 'Falseta');
  await page.getByRole('link', { name: 'Weave' }).tap();
  const script = page.getByRole('textbox', { name: 'Hand script' });
  await expect(script).toBeVisible();
  const before = await script.innerText();
  await page.getByRole('button', { name: /^thicker string/ }).tap();
  await page.getByRole('button', { name: /^fret on the string: 1$/ }).tap();
  await page.getByRole('button', { name: /^fret on the string: 2$/ }).tap();
  await expect(script).toContainText('1f12');
  await page.getByRole('button', { name: 'Undo' }).tap();
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect(script).toHaveText(before);
  await page.getByRole('button', { name: /^begin, end a range/ }).tap();
  await expect(page.locator('.range b')).toHaveText(/Bar 1/);
});
test('without a keyboard no key is spoken of; buttons can be put away', async ({ tablet: page }) => {
  for (const place of ['Neck', 'Weave', 'Practise', 'Wheel']) {
    await page.getByRole('link', { name: place }).tap();
    await expect(page).toHaveTitle(`${place} · Ruffle Wheel`);
    await expect(page.locator('main h1')).toHaveCount(1);
    await expect(page.getByText(/\((Space|[A-Z]|Page(Up|Down)|Ctrl\+.)\)/).locator('visible=true')).toHaveCount(0);
  }
  const own = page.getByRole('button', { name: /^finger.*: p$/ });
  await expect(own).toBeVisible();
  await page.getByRole('button', { name: 'Buttons', exact: true }).tap();
  await expect(own).toHaveCount(0);
});
