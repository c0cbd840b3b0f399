import { choose, expect, leaveFields, saved, sounds, test, writeScript } from './player.js';

test('a figure is read bar by bar, walked through, heard, and a note is changed, with keys alone', async ({
  player: page,
}) => {
  await choose(page, 'Study', 'Harbour Lamps');
  await leaveFields(page);
  await page.keyboard.press('3');
  await expect(page).toHaveTitle('Weave · Ruffle Wheel');
  // What the page shows is said too.
  await expect(page.getByRole('img', { name: /^Bar 1\. G maj 7\. 1 p i m a accented: / })).toBeVisible();
  await expect(page.getByRole('img', { name: /Bar 3\. Am 7\./ })).toBeVisible();
  await expect(page.locator('app-stave-system').first().locator('.signs svg path').first()).toBeAttached();
  await expect(page.locator('.fret').first()).toBeVisible();
  await expect(page.locator('.says')).toContainText('Bar 1 of 4 · pima:t!');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(page.locator('.says')).toContainText('Bar 2 of 4');
  // Another chord takes the page along, and is taken back.
  await page.keyboard.press('h');
  await expect(page.getByRole('textbox', { name: 'Chart: which chord when' })).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Am7 | Dm7');
  await expect(page.getByRole('img', { name: /Bar 2\. Dm7\. / })).toBeVisible();
  await page.keyboard.press('Escape');
  for (let n = 0; n < 3; n++) await page.keyboard.press('Control+z');
  await expect(page.getByRole('img', { name: /^Bar 1\. G maj 7\. / })).toBeVisible();
  await page.keyboard.press('c');
  await page.keyboard.press('Space');
  await sounds(page);
  await expect(page.locator('.says')).toContainText('Bar 3 of 4');
  await page.keyboard.press('Space');

  await choose(page, 'Section', 'Bass in fifths');
  await leaveFields(page);
  await page.keyboard.press('Home');
  const script = page.getByRole('textbox', { name: 'Hand script' });
  const before = await script.textContent();
  await page.keyboard.press('.');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('1');
  await page.keyboard.press('0');
  await expect(script).toContainText('?:1f10');
  await page.keyboard.press('Escape');
  await page.keyboard.press('m');
  await expect(script).toContainText('m:1f10');
  await expect(page.locator('.fret').getByText('10', { exact: true }).first()).toBeVisible();
  await saved(page);
  for (let n = 0; n < 4; n++) await page.keyboard.press('Control+z');
  await expect(script).toHaveText(before ?? '');
});

test('the form is written, faults and all, and leads to its sections', async ({ player: page }) => {
  await page.keyboard.press('3');
  await page.keyboard.press('f');
  const form = page.getByRole('textbox', { name: 'Form' });
  await expect(form).toBeFocused();
  await form.fill('{Rasgueado} Falseta');
  await expect(page.locator('app-form-panel app-fault-list')).toContainText('}x2');
  await page.getByRole('button', { name: 'Write }x2' }).click();
  await expect(form).toHaveValue('{Rasgueado}x2 Falseta');
  await expect(page.locator('app-form-panel li b')).toHaveText(['Rasgueado', 'Rasgueado', 'Falseta']);
  await page.getByRole('button', { name: 'Open Falseta' }).click();
  await expect(page.getByRole('combobox', { name: 'Section' })).toHaveText('Falseta');
  await expect(page.getByRole('img', { name: /^Bar 1\. 12 / })).toBeVisible();
});

test('of two hundred bars only those in sight are drawn', async ({ player: page }) => {
  await choose(page, 'Study', 'Harbour Lamps');
  await writeScript(page, '{p:b ima:t . ima:t p:f . ima:t .}x200');
  await leaveFields(page);
  await page.keyboard.press('3');
  await expect(page.locator('.says')).toContainText('Bar 1 of 200');
  await page.locator('cdk-virtual-scroll-viewport').evaluate((e) => (e.scrollTop = 9_000));
  await expect(page.getByRole('img', { name: /^Bar 6\d\./ }).first()).toBeVisible();
  expect(await page.locator('app-stave-system').count()).toBeLessThan(12);
  // The cursor fetches the page to itself.
  await page.keyboard.press('End');
  await expect(page.locator('.says')).toContainText('Bar 200 of 200');
  await expect(page.getByRole('img', { name: /Bar 200\./ })).toBeVisible();
});
