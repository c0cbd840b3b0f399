import { choose, expect, leaveFields, newStudy, tabTo, test, writeScript, sounds, markPass } from './player.js';

test('from an empty study to a bulería at 200 and its weakest joint drilled, with keys alone', async ({
  player: page,
}) => {
  const begun = Date.now();
  const { keyboard } = page;
  await newStudy(page);
  await keyboard.press('1');
  await keyboard.press('y');
  await expect(page.getByLabel('Accent cycle')).toBeFocused();
  await keyboard.type('Bul');
  await expect(page.getByRole('img', { name: /^Bulería/ })).toBeVisible();
  await keyboard.press('Escape');
  const tempo = page.getByRole('spinbutton', { name: 'Counts a minute' });
  while (Number(await tempo.inputValue()) < 200) await keyboard.press(']');

  // The index cell stays out of it; three others may come, the fan must.
  await keyboard.press('f');
  const cell = (script: string) => page.getByRole('button', { name: script, exact: false }).first();
  await expect(page.locator('.cell').first()).toBeFocused();
  await keyboard.press('Enter');
  await keyboard.press('Enter');
  await expect(page.locator('.cell').first()).toContainText('not used');
  for (let n = 0; n < 5; n++) await keyboard.press('ArrowRight');
  await expect(page.locator('.cell').nth(5)).toBeFocused();
  await keyboard.press('Enter');
  await keyboard.press('Enter');
  await expect(cell('pu md pd')).toContainText('must come');
  const chains = page.locator('app-fit-panel ol > li');
  await expect(chains).toHaveCount(5);
  await expect(chains.first()).toContainText('pu md pd');
  // What meets each accent is said for every chain, 12 and 10 among them.
  await expect(chains.first()).toContainText(/12 .* · 3 .* · 6 .* · 8 .* · 10 /);

  await tabTo(page, 'Show and hear: 1');
  await keyboard.press('Enter');
  await sounds(page);
  await expect(page.getByRole('button', { name: 'Back to what is written: 1' })).toBeFocused();
  await keyboard.press('Escape');
  await keyboard.press('Space');
  await keyboard.press('f');
  await tabTo(page, 'Drill its weakest joint: 1');
  await keyboard.press('Enter');
  await expect(page).toHaveURL(/practise/);
  await expect(page.getByRole('combobox', { name: 'Drill' })).toHaveText(/^Weakest joint: /);
  await keyboard.press('Escape');
  await keyboard.press('c');
  await keyboard.press('Space');
  await sounds(page);
  await markPass(page, 'PageDown');
  await keyboard.press('Space');
  await expect(page.getByText(/Written to the logbook: .* 1 pass\b/)).toBeVisible();
  expect(Date.now() - begun).toBeLessThan(120_000);
});

test('a chain is shown in place of what is written, taken over, and undone', async ({ player: page }) => {
  const script = page.getByRole('textbox', { name: 'Hand script' });
  const written = await script.innerText();
  await page.keyboard.press('f');
  await tabTo(page, 'Show and hear: 1');
  await page.keyboard.press('Enter');
  await expect(script).not.toHaveText(written);
  await page.keyboard.press('Enter');
  await expect(script).toHaveText(written);
  await tabTo(page, 'Take over: 2');
  await page.keyboard.press('Enter');
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
  // The sum, and what at least one of the two pays.
  await expect(page.locator('app-fit-panel table tbody tr').nth(1)).toBeVisible();
  await page.getByText('School and rules').click();
  for (const name of ['half a count', 'a count', 'two counts'])
    await page.getByRole('button', { name, exact: true }).click();
  await expect(page.getByText('can’t be spread evenly over any of the lengths').first()).toBeVisible();
  await page.getByLabel('Own cell').fill('iid');
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

test('a 32-note picado is typed, fingered under three schools, pinned, heard and taken over, with keys alone', async ({
  player: page,
}) => {
  const begun = Date.now();
  const { keyboard } = page;
  await keyboard.press('n');
  const field = page.getByLabel('Line by strings');
  await expect(field).toBeFocused();
  await keyboard.type('33332222111122223333222211112222');
  await expect(page.getByText('32 notes')).toBeVisible();
  // What is given for a run stands in the first table, the taught fingers on top; the rest is folded away.
  await expect(page.getByText('Read as a run.', { exact: true })).toBeVisible();
  const rows = page.locator('app-line-panel .side-by-side').first().locator('tbody tr');
  await expect(rows).toHaveCount(8);
  await expect(rows.locator('.other').first()).toBeVisible();
  await expect(page.locator('app-line-panel details').first()).not.toHaveAttribute('open');
  await expect(rows.last()).toContainText(/Plectrum\s*r\s*u\s*r\s*u/);

  await keyboard.press('Tab');
  await keyboard.press('Tab');
  await expect(page.getByRole('button', { name: /^As taught/ })).toBeFocused();
  const heading = page.locator('app-line-panel .detail h3');
  for (const [school, key] of [
    ['Habit first', 'ArrowDown'],
    ['a m i', 'ArrowDown'],
    ['Fingering first', 'ArrowUp'],
  ] as const) {
    while (!(await page.locator(':focus').innerText()).startsWith(school)) await keyboard.press(key);
    await keyboard.press('Enter');
    await expect(heading).toHaveText(school);
    await expect(page.locator('app-line-panel .detail .why')).toContainText(
      /crossings? awkward|crossings go with|No crossing/,
    );
  }
  await tabTo(page, /Note 1: /);
  await keyboard.press('ArrowRight');
  await keyboard.press('a');
  await expect(page.getByRole('button', { name: /Note 2: a on string 3.*pinned/ })).toBeFocused();
  await expect(field).toHaveValue(/^3a3333?/);
  await tabTo(page, 'Take over: Fingering first');
  await keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText(/^[pima]:3_ a:3_ /);
  expect(Date.now() - begun).toBeLessThan(120_000);
  await field.fill('37');
  await expect(page.getByRole('alert')).toContainText('strings are numbered 1 to 6');
});

test('ten thousand notes are worked at while the page goes on, and cancelled', async ({ player: page }) => {
  await page.keyboard.press('n');
  await page.getByLabel('Line by strings').fill('332211223344556655443322'.repeat(417).slice(0, 10_000));
  const working = page.locator('app-working progress');
  await expect(working).toBeVisible();
  await page.getByRole('button', { name: 'Cancel', exact: true }).click();
  await expect(working).toHaveCount(0);
  await expect(page.getByText('Cancelled. Change something to ask again.')).toBeVisible();
  // Asked again it is answered; only the first notes are listed.
  await choose(page, 'Strokes', /free/i);
  await expect(page.getByText('9936 more; the wheel shows all.')).toBeVisible({ timeout: 60_000 });
});
