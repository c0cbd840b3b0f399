import type { Page } from '@playwright/test';
import { expect, leaveFields, test, writeScript } from './player.js';

const said = (page: Page, text: string | RegExp) =>
  expect(page.locator('.cdk-live-announcer-element').filter({ hasText: text })).toHaveCount(1);

test('place, tempo, play and stop are said, saving is not', async ({ player: page }) => {
  await leaveFields(page);
  await page.keyboard.press('2');
  await expect(page).toHaveTitle('Neck · Ruffle Wheel');
  // What says it comes when the page rests.
  await expect(async () => {
    await page.keyboard.press('1');
    await said(page, 'Wheel');
  }).toPass();
  await page.keyboard.press(']');
  await said(page, /^\d+ counts a minute$/);
  await page.keyboard.press(' ');
  await said(page, 'Playing');
  await page.keyboard.press(' ');
  await said(page, 'Stopped');
  await expect(page.locator('.saved')).not.toHaveAttribute('role', 'status');
});

test('faults are tied to the field; Neck and Weave say each step', async ({ player: page }) => {
  await writeScript(page, 'p zz');
  const script = page.getByRole('textbox', { name: 'Hand script' });
  await expect(script).toHaveAttribute('aria-invalid', 'true');
  await expect(script).toHaveAccessibleDescription(/“zz” is no stroke/);
  await page.keyboard.press('Control+z');
  await expect(script).toHaveAttribute('aria-invalid', 'false');
  await leaveFields(page);
  await page.keyboard.press('3');
  const live = page.locator('app-weave-place p.unseen[aria-live]');
  await expect(live).toHaveText(/^12, F♯ open: i down accented/);
  await page.keyboard.press('ArrowRight');
  await expect(live).toHaveText(/^12 &, F♯ open: i up: string 1 .*string 6/);
  await page.keyboard.press('2');
  await expect(page.locator('app-neck-place p.unseen[aria-live]')).toHaveText(/^F♯ open/);
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('app-neck-place p.unseen[aria-live]')).toHaveText(/finger/);
});

test('Ctrl+P makes the stand page and opens it; the browser’s own print says where it is', async ({ player: page }) => {
  await leaveFields(page);
  const shown = page.waitForEvent('popup');
  await page.keyboard.press('Control+p');
  expect((await shown).url()).toMatch(/^blob:|^about:blank|^$/);
  await page.bringToFront();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('This is no sheet to play from: press Ctrl+P')).toBeVisible();
  await expect(page.locator('nav')).toBeHidden();
});
