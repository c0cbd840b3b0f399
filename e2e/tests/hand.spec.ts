import { expect, tabTo, test } from './player.js';

test('a hand is measured by keys; what it can’t hold is not for it, and shapes it can hold are found', async ({
  player: page,
}) => {
  const { keyboard } = page;
  await keyboard.press('7');
  await expect(page).toHaveTitle('Shelf · Ruffle Wheel');
  await keyboard.press('m');
  const task = page.locator('app-measure-hand .task');
  for (const [a, b] of ['12', '23', '34', '13', '24', '14']) {
    await expect(task).toContainText(new RegExp(`Lay finger ${a} [^]* finger ${b} `));
    // A narrow hand: the first place is just reached, and one below it easily where there is one.
    const before = (await task.textContent()) ?? '';
    await keyboard.press('j');
    await expect(task).not.toHaveText(before);
    const on = (await task.textContent())?.replace(/\s+/g, ' ') ?? '';
    if (on.includes(`finger ${a} `) && on.includes(`finger ${b} `)) await keyboard.press('e');
  }
  await expect(task).toContainText('Lay a barre');
  await expect(page.getByRole('button', { name: 'Start' })).toBeFocused();
  await keyboard.press('Enter');
  await keyboard.press('Enter');
  await expect(task).toContainText('10 times, to and fro between fret 5 and 6');
  await tabTo(page, 'Leave as it was');
  await keyboard.press('Enter');
  await expect(task).toContainText('between fret 2 and 9');
  await tabTo(page, 'Leave as it was');
  await keyboard.press('Enter');
  await expect(task).toContainText('thumb over the neck');
  await tabTo(page, 'No');
  await keyboard.press('Enter');
  await tabTo(page, 'Keep these measures');
  await keyboard.press('Enter');
  await expect(page.getByText('Measures kept')).toBeVisible();
  await keyboard.press('Escape');
  await keyboard.press('2');
  await expect(page.getByText('not for this hand')).toBeVisible();
  await keyboard.press('f');
  await expect(page.getByLabel('Chord symbol')).toBeFocused();
  await keyboard.type('G7');
  // The open form is too wide for it.
  await expect(page.locator('app-find-panel .shape').first()).toContainText(/G7 (?!3-2-0-0-0-1)[x\d]/);
  await expect(page.locator('app-find-panel .shape').filter({ hasText: '3-2-0-0-0-1' })).toHaveCount(0);
  await keyboard.press('Escape');
  await keyboard.press('7');
  await page.getByRole('button', { name: 'Forget the measures' }).click();
  await expect(page.getByText('Measures forgotten')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(page.getByRole('button', { name: 'Forget the measures' })).toBeVisible();
});

test('the right hand is tapped from the first key to a hand of one’s own', async ({ player: page }) => {
  await page.keyboard.press('7');
  await page.keyboard.press('t');
  await expect(page.getByRole('button', { name: 'I am warm' })).toBeFocused();
  await page.keyboard.press('Enter');
  const task = page.locator('app-tap-hand .task');
  await expect(task).toContainText('with p alone');
  await expect(async () => {
    for (let n = 0; n < 14; n++) {
      await page.keyboard.press('k');
      await page.waitForTimeout(120);
    }
    await expect(task).toContainText('with i alone', { timeout: 500 });
  }).toPass();
  await expect(page.locator('app-tap-hand [role=status]')).toHaveText(/^p: \d+ ms from tap to tap\.$/);
  for (let n = 0; n < 7; n++) await page.getByRole('button', { name: 'Leave as it was' }).click();
  await page.getByRole('button', { name: 'Keep these figures' }).click();
  await expect(page.locator('app-header').getByText('for My hand')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.locator('app-header').getByText('for Inés')).toBeVisible();
});
