import { expect, newStudy, tabTo, test } from './player.js';

test('eight bars of symbols become a row of shapes, its hardest change is named and drilled, with keys alone', async ({
  player: page,
}) => {
  const begun = Date.now();
  const { keyboard } = page;
  await newStudy(page);
  await keyboard.press('1');
  const script = page.getByRole('textbox', { name: 'Hand script' });
  await expect(script).toBeVisible();
  await keyboard.press('s');
  await expect(script).toBeFocused();
  await keyboard.type('p:b ima:t p:b ima:t');
  await keyboard.press('Escape');
  await keyboard.press('2');
  await expect(page.getByText('No shape yet')).toBeVisible();
  await keyboard.press('r');
  await expect(page.getByLabel('Chords in order')).toBeFocused();
  await keyboard.type('Am7 D7 Gmaj7 Cmaj7 F#m7b5 B7 Em7 E7');
  await tabTo(page, 'Take over: 1');
  await keyboard.press('Enter');
  await expect(page.locator('.card')).toHaveCount(8);
  await expect(page.locator('.card b')).toHaveText(['Am7', 'D7', 'Gmaj7', 'Cmaj7', 'F#m7b5', 'B7', 'Em7', 'E7']);
  await keyboard.press('Escape');
  await keyboard.press('h');
  const hardest = page.locator('app-changes-panel section').first();
  await expect(hardest).toContainText(/fingers? really moves?|leaves its string/);
  await expect(hardest.locator('.link')).toBeFocused();
  await keyboard.press('Tab');
  await expect(hardest.getByRole('button', { name: /^Drill: / })).toBeFocused();
  await keyboard.press('Enter');
  await expect(page).toHaveURL(/practise/);
  await expect(page.getByRole('combobox', { name: 'Drill' })).toHaveValue(/^Change alone: /);
  await keyboard.press('Escape');
  await keyboard.press('n');
  await expect(page.getByRole('combobox', { name: 'Drill' })).toHaveValue(/^Change with every group: /);
  expect(Date.now() - begun).toBeLessThan(120_000);
});

test('the neck follows the music, shapes are walked through by keys, and one is written and undone', async ({
  player: page,
}) => {
  await page.keyboard.press('2');
  const here = page.locator('.card[aria-current]');
  await expect(here).toContainText('F♯ open');
  await page.keyboard.press('ArrowRight');
  await expect(here).toContainText('G add 9');
  const neck = page.getByRole('img', { name: /^G add 9: .*From F♯ open: Finger 1 slides along/ });
  await expect(neck).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('3');
  await expect(page.getByRole('heading', { name: 'Written on the neck' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(here).toContainText('3-x-5-4-0-3');
  await page.keyboard.press('Control+z');
  await expect(here).toContainText('3-x-5-4-0-0');
  await page.keyboard.press('c');
  await page.keyboard.press('Space');
  await expect(here).toContainText('Em 9');
  await page.keyboard.press('Space');
});

test('a chord is found, filtered by keys, heard and put into the row; unknown ones come with what is near', async ({
  player: page,
}) => {
  await page.keyboard.press('2');
  await expect(page).toHaveTitle('Neck · Ruffle Wheel');
  await page.keyboard.press('f');
  await expect(page.getByLabel('Chord symbol')).toBeFocused();
  await page.keyboard.type('H7');
  await expect(page.getByRole('alert')).toContainText('Near it: B7');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('E7b9');
  await tabTo(page, /^Hear: E7b9 /);
  await page.keyboard.press('Enter');
  await expect(page.locator('.play.sounding')).toBeVisible();
  await page.keyboard.press('Enter');
  await tabTo(page, /^Add: E7b9 /);
  await page.keyboard.press('Enter');
  await expect(page.locator('.card')).toHaveCount(6);
  await expect(page.locator('.card').last()).toContainText('E7b9');
  await expect(page.getByRole('heading', { name: 'Easier, and what is lost' })).toBeVisible();
});

test('a sixteen-note falseta over two basses is fingered for both hands, heard and taken over, with keys alone', async ({
  player: page,
}) => {
  const begun = Date.now();
  const { keyboard } = page;
  await newStudy(page);
  await keyboard.press('2');
  await expect(page).toHaveTitle('Neck · Ruffle Wheel');
  await keyboard.press('m');
  await expect(page.getByLabel('Melody by note names')).toBeFocused();
  await keyboard.type('[a2~ e4] d4 c4 b3 a3 b3 c4 d4 [e2~ e4] d4 c4 b3 g#3 b3 d4 e4');
  const first = page.locator('app-melody-panel section').first();
  await expect(first.getByRole('row', { name: /^Fret / }).getByRole('cell')).toHaveCount(16);
  await expect(first.getByRole('row', { name: /^Right p / })).toBeVisible();
  await tabTo(page, 'Show and hear: 1');
  await keyboard.press('Enter');
  await expect(page.locator('.play.sounding')).toBeVisible();
  await keyboard.press('Enter');
  await tabTo(page, 'Take over: 1');
  await keyboard.press('Enter');
  await keyboard.press('Escape');
  await keyboard.press('Space');
  await keyboard.press('1');
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText(/^p[ima]:5\d /);
  expect(Date.now() - begun).toBeLessThan(180_000);
});
