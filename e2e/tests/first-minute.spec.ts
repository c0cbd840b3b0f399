import { expect, test } from './player.js';

test('from the start to a first pattern that sounds and suits its cycle in six keys', async ({ player: page }) => {
  const keys: string[] = [];
  const press = async (key: string) => {
    keys.push(key);
    await page.keyboard.press(key);
  };
  await press('0');
  const dialog = page.getByRole('dialog', { name: 'New study' });
  await expect(dialog.getByRole('option', { name: 'Bulería counted from 12' })).toBeFocused();
  // A letter finds the cycle; its claps are heard.
  await press('r');
  await expect(dialog.getByRole('option', { name: 'Rumba' })).toBeFocused();
  await expect(dialog.getByText('Three, three and two eighths: 1, the and of 2, 4.')).toBeVisible();
  await expect(page.locator('.play.sounding')).toHaveCount(1);
  await press('Enter');
  await expect(dialog.getByRole('option', { name: 'Inés' })).toBeFocused();
  await press('Enter');
  await expect(dialog.getByRole('option', { name: /^Rolls that land on the accents/ })).toBeFocused();
  await press('Enter');
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('spinbutton', { name: /Counts a minute/ })).toHaveValue('115');
  await expect(page.getByRole('heading', { name: 'Every accent is carried' })).toBeVisible();
  await press('Space');
  await expect(page.locator('.play.sounding')).toHaveCount(1);
  expect(keys).toHaveLength(6);
  await press('Space');
});
