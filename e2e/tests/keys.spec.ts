import { expect, leaveFields, sounds, test } from './player.js';

test('what is typed as a dialog goes is heard by the place', async ({ player: page }) => {
  const play = page.locator('button.play');
  const loop = page.locator('.switches app-toggle button').nth(1);
  await leaveFields(page);
  await page.keyboard.press('Space');
  await sounds(page);
  await page.keyboard.press('Space');
  for (const open of ['?', 'x', '0'])
    for (const close of ['Escape', 'click']) {
      await page.keyboard.press(open);
      const dialog = page.getByRole('dialog');
      await expect(dialog.getByRole('button', { name: /^(Close|Cancel)$/ })).toBeVisible();
      const before = await loop.getAttribute('aria-pressed');
      if (close === 'click') await dialog.getByRole('button', { name: /^(Close|Cancel)$/ }).click();
      else await page.keyboard.press('Escape');
      await page.keyboard.press('l');
      await page.keyboard.press('Space');
      await expect(play, `${open} ${close}`).toHaveAttribute('aria-label', /^Stop/);
      await expect(loop, `${open} ${close}`).not.toHaveAttribute('aria-pressed', before ?? '');
      await page.keyboard.press('Space');
      await expect(play).toHaveAttribute('aria-label', /^Play/);
    }
  // From the last answer to the new study nothing is lost either.
  await page.keyboard.press('0');
  const dialog = page.getByRole('dialog', { name: 'New study' });
  for (const name of ['Bulería counted from 12', 'My hand', /^Rolls that land/]) {
    await expect(dialog.getByRole('option', { name })).toBeFocused();
    await page.keyboard.press('Enter');
  }
  await page.keyboard.press('Space');
  await expect(page.getByRole('combobox', { name: 'Study', exact: true })).toHaveText('Bulería');
  await expect(play).toHaveAttribute('aria-label', /^Stop/);
});

test('Esc does one thing at a time', async ({ player: page }) => {
  const script = page.getByRole('textbox', { name: 'Hand script' });
  const hint = page.locator('.hint');
  await leaveFields(page);
  await page.keyboard.press('ArrowRight');
  await expect(hint).toContainText('Step');
  await script.click();
  await page.keyboard.press('End');
  await page.keyboard.type(' i:');
  const offered = page.getByRole('listbox', { name: 'Completions' });
  await expect(offered).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Escape');
  await expect(offered).toHaveCount(0);
  await expect(script).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(script).not.toBeFocused();
  await expect(hint).toContainText('Step');
  // A choice closes and keeps the focus; the next one gives it up, the one after lets the slot go.
  const section = page.getByRole('combobox', { name: 'Section', exact: true });
  await section.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listbox')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await expect(section).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(section).not.toBeFocused();
  await expect(hint).toContainText('Step');
  await page.keyboard.press('Escape');
  await expect(hint).not.toContainText('Step');
});

test('Tab leads first past places and header; letters can be switched off', async ({ player: page }) => {
  // A click has moved the place from which Tab goes on; a page that is new begins at its top.
  await page.reload();
  await expect(page.getByRole('heading', { name: /^Ceiling/ })).toBeVisible();
  await page.keyboard.press('Tab');
  const skip = page.getByRole('link', { name: 'To the place itself' });
  await expect(skip).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('main')).toBeFocused();
  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Letters and digits are keys' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('7');
  await page.keyboard.press('x');
  await page.waitForTimeout(300);
  await expect(page).toHaveTitle('Wheel · Ruffle Wheel');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.hint')).toContainText('Step');
});
