import { expect, listen, notNow, ofStudy, open, saved, sounds, test } from './player.js';

test('the first screen says what this is, once; the guide opens inside', async ({ page }) => {
  const complaints: string[] = [];
  listen(page, complaints);
  await open(page);
  const welcome = page.getByRole('region', { name: 'Welcome' });
  await expect(welcome).toContainText('works out what each hand does against the compás');
  await welcome.getByRole('button', { name: 'Guide' }).click();
  const guide = page.getByRole('dialog', { name: 'Guide' });
  await expect(guide.getByRole('heading', { name: 'From the demo to the logbook' })).toBeVisible();
  await expect(guide.getByText('Begin one of your own.')).toBeVisible();
  await expect(guide.locator('ol').first()).toHaveAttribute('start', '0');
  await page.keyboard.press('Escape');
  await expect(welcome).toBeVisible();
  await notNow(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: /^Ceiling/ })).toBeVisible();
  await expect(welcome).toHaveCount(0);
  // It stays to be had.
  await page.keyboard.press('?');
  await page.getByRole('dialog').getByRole('button', { name: 'Guide' }).click();
  await expect(guide).toBeVisible();
  expect(complaints).toEqual([]);
});

test('the tour goes on by what is done, by keys; it can be left out and ended', async ({ page }) => {
  const complaints: string[] = [];
  listen(page, complaints);
  await open(page);
  await page.getByRole('button', { name: 'Two-minute tour' }).click();
  const tour = page.getByRole('region', { name: 'Tour' });
  await expect(tour).toContainText('1 of 8');
  // The count-in is playing too.
  await page.keyboard.press(' ');
  await expect(tour).toContainText('2 of 8');
  await sounds(page);
  await page.keyboard.press(' ');
  await page.keyboard.press(']');
  await expect(tour).toContainText('3 of 8');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('m');
  await expect(tour).toContainText('4 of 8');
  await page.keyboard.press('Control+z');
  await expect(tour).toContainText('5 of 8');
  await page.keyboard.press('2');
  await expect(tour).toContainText('6 of 8');
  await tour.getByRole('button', { name: 'Skip this step' }).click();
  await expect(tour).toContainText('7 of 8');
  await page.keyboard.press('4');
  await expect(tour).toContainText('8 of 8');
  await page.keyboard.press('0');
  await page
    .getByRole('dialog', { name: 'New study' })
    .getByRole('button', { name: /Begin|Make/ })
    .click();
  await expect(tour).toHaveCount(0);
  await expect(page.getByText('That was the tour.')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Welcome' })).toHaveCount(0);
  // Again only when it is asked for; and it can be ended at any time.
  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Two-minute tour' }).click();
  await tour.getByRole('button', { name: 'End the tour' }).click();
  await expect(tour).toHaveCount(0);
  expect(complaints).toEqual([]);
});

test('a study goes out as a link and comes in by it, looked at first; a cut one is refused', async ({
  player: page,
  browser,
  baseURL,
}) => {
  await page.keyboard.press('7');
  await ofStudy(page, 'Harbour Lamps', 'Send as a link');
  const link = await page.getByRole('dialog').getByLabel('Link').inputValue();
  expect(link.length).toBeLessThanOrEqual(8_000);
  const context = await browser.newContext({ baseURL });
  const other = await context.newPage();
  const complaints: string[] = [];
  listen(other, complaints);
  await open(other);
  await notNow(other);
  await other.keyboard.press('7');
  await ofStudy(other, 'Harbour Lamps', 'Delete');
  await saved(other);
  await other.goto(link);
  const asked = other.getByRole('dialog', { name: 'A study came with the link' });
  await expect(asked).toContainText('Bossa nova');
  await asked.getByRole('button', { name: 'Take it' }).click();
  await expect(other.getByRole('combobox', { name: 'Study', exact: true })).toHaveText('Harbour Lamps');
  // A reload does not ask again.
  expect(new URL(other.url()).hash).toBe('');
  await other.goto('about:blank');
  await other.goto(link.slice(0, -20));
  await expect(other.getByText('The link is cut or changed')).toBeVisible();
  expect(complaints).toEqual([]);
  await context.close();
});

test('files come in wherever they are dropped, and from the system', async ({ page }) => {
  const complaints: string[] = [];
  listen(page, complaints);
  // As an installed application gets them: the queue keeps them until they are asked for.
  await page.addInitScript(() => {
    const text = '<?xml version="1.0"?><score-partwise><part-list/></score-partwise>';
    const handle = { getFile: () => Promise.resolve(new File([text], 'from-the-system.xml')) };
    Object.defineProperty(window, 'launchQueue', {
      value: { setConsumer: (take: (launch: unknown) => void) => take({ files: [handle] }) },
    });
  });
  await open(page);
  await expect(page.getByRole('dialog')).toContainText('from-the-system.xml');
  await page.keyboard.press('Escape');
  await notNow(page);
  await page.evaluate(() => {
    const files = new DataTransfer();
    files.items.add(new File(['Dear diary'], 'dropped.json'));
    document
      .querySelector('.cm-content')
      ?.dispatchEvent(new DragEvent('drop', { dataTransfer: files, bubbles: true, cancelable: true }));
  });
  await expect(page.getByText('it is no JSON')).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Hand script' })).not.toContainText('Dear');
  expect(complaints).toEqual([]);
});
