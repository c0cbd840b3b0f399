import { expect, leaveFields, reload, saved, test, writeScript } from './player.js';

test('chart and both hands are written, worked out, walked through and kept, with keys alone', async ({
  player: page,
}) => {
  await test.step('a chart is typed; its symbol gets a shape that is kept when the field is left', async () => {
    await page.keyboard.press('h');
    const chart = page.getByLabel('Chart: which chord when');
    await expect(chart).toBeFocused();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('Am | ');
    // What is offered is asked for, and taken only by choosing it.
    await page.keyboard.press('Control+ ');
    await expect(page.getByRole('option', { name: /"Em add 9"/ })).toContainText('0-2-4-0-0-0');
    await page.keyboard.type('"Em');
    await expect(page.getByRole('listbox').getByRole('option')).toHaveCount(1);
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.keyboard.type(':6 Am:6');
    await expect(page.locator('.found')).toContainText('Am');
    await expect(page.getByRole('img', { name: /Shapes: Am\.$/ })).toBeVisible();
    await page.keyboard.press('Tab');
    await expect(page.getByRole('button', { name: 'Edit Am' })).toBeVisible();
    await expect(page.getByText('turn 1 of 2').first()).toBeVisible();
  });
  await test.step('fingers left open are worked out and written in by K', async () => {
    await page.keyboard.press('Escape');
    await writeScript(page, '?:3 ?:2 L:2f3=4 id^ p:f idx @p p:b . i:1f3=1 - - m:2');
    await leaveFields(page);
    await expect(page.locator('app-wheel-drawing .worked-out')).toHaveCount(4);
    await page.keyboard.press('k');
    await expect(page.locator('app-wheel-drawing .worked-out')).toHaveCount(0);
    await expect(page.getByRole('textbox', { name: 'Hand script' })).toContainText(/^[pima]:3 [pima]:2 L:2f3=4/);
    await expect(page.locator('app-strip .hold.released').first()).toBeVisible();
  });
  await test.step('the neck is walked note by note over the shape; the borrowed finger is said', async () => {
    await page.keyboard.press('2');
    await expect(page.getByRole('heading', { name: 'Am', exact: true })).toBeVisible();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.getByRole('heading', { name: /^Am · Note 1 of / })).toBeVisible();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.getByText(/^Finger 1 leaves string 2 for string 1 fret 3; string 2 is open until/)).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('heading', { name: 'Am', exact: true })).toBeVisible();
  });
  await test.step('all of it is there tomorrow', async () => {
    await saved(page);
    await reload(page);
    await page.keyboard.press('1');
    await expect(page.getByRole('textbox', { name: 'Hand script' })).toContainText('L:2f3=4 id^ p:f idx @p p:b');
    await page.getByRole('tab', { name: 'Shape' }).click();
    await expect(page.getByLabel('Chart: which chord when')).toHaveText('Am | "Em add 9":6 Am:6');
  });
});
