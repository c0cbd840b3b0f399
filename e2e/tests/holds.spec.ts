import { expect, leaveFields, markPass, sounds, test } from './player.js';

test('what was held falls due: one cold pass by mouse and keys, and the logbook says so', async ({ player: page }) => {
  await page.keyboard.press('4');
  await expect(page.getByRole('heading', { name: 'Does it hold?' })).toBeVisible();
  await page
    .getByRole('button', { name: /^Check it: / })
    .first()
    .click();
  await expect(page.getByText(/^One pass at \d+, cold/)).toBeVisible();
  await leaveFields(page);
  await page.keyboard.press('c');
  await page.keyboard.press('Space');
  await sounds(page);
  await markPass(page, 'PageDown');
  await expect(page.getByText(/Written to the logbook: .* 1 pass\b/)).toBeVisible();
  await expect(page.getByText(/^One pass at \d+, cold/)).toHaveCount(0);
  await page.keyboard.press('6');
  await expect(page.getByRole('row', { name: /cold/ }).first()).toBeVisible();
});

test('by keys alone Space begins the check that Enter has chosen; by touch it comes into view', async ({
  player: page,
}) => {
  await page.keyboard.press('4');
  const check = page.getByRole('button', { name: /^Check it: / }).first();
  await check.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Begin/ })).toBeFocused();
  await page.setViewportSize({ width: 390, height: 844 });
  await check.scrollIntoViewIfNeeded();
  await check.click();
  await expect(page.getByText(/One pass at \d+, cold/)).toBeInViewport();
  await page.keyboard.press('Space');
  await sounds(page);
});
