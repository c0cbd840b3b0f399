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

test('drills come in two lists: the piece’s own by mouse and Space, a group of exercises in one go', async ({
  player: page,
}) => {
  await choose(page, 'Study', 'Salt Rope');
  await page.getByRole('tab', { name: 'Drills' }).click();
  const panel = page.locator('app-drills-panel');
  await expect(panel.getByRole('heading', { name: /^From the piece \d+$/ })).toBeVisible();
  await expect(panel.getByRole('heading', { name: /^Exercises \d+$/ })).toBeVisible();
  const script = await page.getByRole('textbox', { name: 'Hand script' }).innerText();
  // A click shows the first on the wheel and plays it; Space stops it and plays it again.
  await panel.getByRole('button', { name: /^Show/ }).first().click();
  await sounds(page);
  await page.keyboard.press('Space');
  await expect(page.locator('.play.sounding')).toHaveCount(0);
  await page.keyboard.press('Space');
  await sounds(page);
  await page.keyboard.press('Space');
  // What is written comes back.
  await panel.locator('button[aria-pressed=true]').click();
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText(script);
  await panel.locator('summary', { hasText: 'Other fingers' }).last().click();
  await panel
    .getByRole('button', { name: /^Practise these \d+ one after another$/ })
    .last()
    .click();
  await expect(page.getByText(/^1 of \d+$/)).toBeVisible();
  await leaveFields(page);
  await page.keyboard.press('n');
  await expect(page.getByText(/^2 of \d+$/)).toBeVisible();
});
