import { expect, leaveFields, test, writeScript } from './player.js';

test('a chain for the bulería is found, understood, heard and taken over, with keys alone', async ({
  player: page,
}) => {
  await page.getByRole('tab', { name: 'Findings' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  const chains = page.locator('app-fit-panel ol > li');
  await expect(chains).toHaveCount(5);
  await expect(chains.first()).toContainText(/12 .* · 3 .* · 6 .* · 8 .* · 10 /);
  const written = await page.getByRole('textbox', { name: 'Hand script' }).innerText();

  const hear = chains.first().getByRole('button', { name: 'Show and hear' });
  await hear.focus();
  await page.keyboard.press('Enter');
  const script = page.getByRole('textbox', { name: 'Hand script' });
  await expect(script).not.toHaveText(written);
  await expect(page.locator('.play.sounding')).toBeVisible();
  await leaveFields(page);
  await page.keyboard.press('Space');
  await chains.first().getByRole('button', { name: 'Back to what is written' }).click();
  await expect(script).toHaveText(written);

  await chains.nth(1).getByRole('button', { name: 'Take over' }).click();
  await expect(script).not.toHaveText(written);
  await page.keyboard.press('Control+z');
  await expect(script).toHaveText(written);
});

test('rules bind the chain, contradictions come back in words, two chains are compared', async ({ player: page }) => {
  await page.getByRole('tab', { name: 'Fit' }).click();
  const chains = page.locator('app-fit-panel ol > li');
  await expect(chains).toHaveCount(5);
  await page.getByLabel('Own cell').fill('pd:54 pu:45 p:3_ G');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(chains.first()).toContainText('pd:54 pu:45 p:3_ G');
  await chains.nth(0).getByRole('button', { name: 'Compare' }).click();
  await chains.nth(1).getByRole('button', { name: 'Compare' }).click();
  await expect(page.locator('app-fit-panel table tbody tr')).toHaveCount(8);
  await page.getByText('School and rules').click();
  for (const name of ['half a count', 'a count', 'two counts'])
    await page.getByRole('button', { name, exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('can’t be spread evenly over any of the lengths');
  await page.getByLabel('Own cell').fill('ii');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('One finger stands here twice')).toBeVisible();
});

test('editing what is tried out keeps it', async ({ player: page }) => {
  await page.getByRole('tab', { name: 'Fit' }).click();
  await page.locator('app-fit-panel ol > li').first().getByRole('button', { name: 'Show and hear' }).click();
  await leaveFields(page);
  await page.keyboard.press('Space');
  await writeScript(page, 'id iu');
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText('id iu');
  await expect(page.getByRole('button', { name: 'Back to what is written' })).toHaveCount(0);
});

test('a 32-note picado is typed, fingered under every school, heard and taken over, with keys alone', async ({
  player: page,
}) => {
  await page.getByRole('tab', { name: 'Findings' }).focus();
  for (let n = 0; n < 3; n++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  const field = page.getByLabel('Line by strings');
  await field.focus();
  await page.keyboard.type('33332222111122223333222211112222');
  await expect(page.getByText('32 notes')).toBeVisible();
  const schools = page.locator('app-line-panel li');
  await expect(schools).toHaveCount(9);
  await expect(schools.first()).toContainText(/crossings? awkward|crossings go with/);
  await expect(schools.nth(1).locator('.other').first()).toBeVisible();
  await expect(schools.last()).toContainText('r u r u r u r u');
  await page.getByRole('button', { name: 'Take over: Fingering first' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText(/^[ima]:3_ [ima]:3_/);
  await page.getByLabel('Notes a string, or to an accent').fill('2');
  await expect(page.getByText('Comes round after 4 notes; groups begin on p, m.')).toBeVisible();
  await field.fill('37');
  await expect(page.getByRole('alert')).toContainText('strings are numbered 1 to 6');
});
