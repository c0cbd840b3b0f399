import { expect, leaveFields, test, sounds } from './player.js';

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
  await sounds(page);
  await press('Enter');
  await expect(dialog.getByRole('option', { name: 'My hand' })).toBeFocused();
  await press('Enter');
  await expect(dialog.getByRole('option', { name: /^Rolls that land on the accents/ })).toBeFocused();
  await press('Enter');
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('spinbutton', { name: /Counts a minute/ })).toHaveValue('115');
  await expect(page.getByRole('tabpanel')).toContainText('Every accent is carried');
  await press('Space');
  await sounds(page);
  expect(keys).toHaveLength(6);
  await press('Space');
});

test('what a letter or mark means: under the cursor, in the key to the letters, and what could come next', async ({
  player: page,
}) => {
  await leaveFields(page);
  await page.keyboard.press('s');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('p:b ima:t!');
  await expect(page.locator('.hint')).toContainText(
    /index, middle and ring pluck the chord’s treble set( \d)+, with an accent/,
  );
  await page.keyboard.type(' i:');
  const offered = page.getByRole('listbox', { name: 'Completions' });
  await expect(offered.getByRole('option', { name: /^t ?the chord’s treble set/ })).toBeVisible();
  // Typing goes on as if nothing were offered.
  await page.keyboard.type('3 ');
  await expect(offered).toHaveCount(0);
  await page.keyboard.type('i:');
  await expect(offered).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(offered.getByRole('option', { selected: true })).toHaveText(/^b ?the chord’s bass/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText('p:b ima:t! i:3 i:b');
  await page.keyboard.press('Escape');

  await page.keyboard.press('x');
  const letters = page.getByRole('dialog', { name: 'The letters' });
  await expect(letters.getByRole('row', { name: /^i índice: index plucks its home string 3/ })).toBeVisible();
  await letters.getByRole('button', { name: 'Hear i:2!' }).click();
  await sounds(page);
  await page.keyboard.press('Escape');
  await expect(letters).toHaveCount(0);
  await expect(page.locator('.play.sounding')).toHaveCount(0);
});
