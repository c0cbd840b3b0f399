import { choose, expect, leaveFields, test, sounds, markPass } from './player.js';

test('a drill is made of the section, heard, practised on its own line, and leaves the script as it was', async ({
  player: page,
}) => {
  const script = await page.getByRole('textbox', { name: 'Hand script' }).innerText();
  await page.keyboard.press('4');
  await choose(page, 'Drill', 'From the 3rd step');
  await expect(page.locator('.script code')).toContainText(/^ad md id iu/);
  await expect(page.getByText('Begin at 140')).toBeVisible();
  await leaveFields(page);
  await page.keyboard.press('c');
  await page.keyboard.press('Space');
  await sounds(page);
  await markPass(page, 'PageDown');
  await page.getByLabel('Step', { exact: true }).fill('12');
  await page.getByLabel('Step', { exact: true }).press('Enter');
  await expect(page.locator('.script code')).toContainText(/^ad md id iu/);
  await leaveFields(page);
  await page.keyboard.press('Space');
  await expect(page.getByText(/Written to the logbook: .* 1 pass\b/)).toBeVisible();
  await page.keyboard.press('6');
  await expect(
    page.getByRole('row', { name: /Lantern Stair · Rasgueado · From the 3rd step .* 1 of 1/ }),
  ).toBeVisible();
  await page.keyboard.press('1');
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText(script);
});
