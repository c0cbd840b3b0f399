import { choose, expect, newStudy, tabTo, test, sounds } from './player.js';

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
  await expect(page.getByRole('combobox', { name: 'Drill' })).toHaveText(/^Change alone: /);
  await keyboard.press('Escape');
  await keyboard.press('n');
  await expect(page.getByRole('combobox', { name: 'Drill' })).toHaveText(/^Change with every group: /);
  expect(Date.now() - begun).toBeLessThan(120_000);
});

test('the neck follows the music, shapes are walked through by keys, and one is written and undone', async ({
  player: page,
}) => {
  await page.keyboard.press('2');
  const here = page.locator('.card[aria-current]');
  await expect(here).toContainText('F♯ open');
  await page.keyboard.press('ArrowRight');
  await expect(here).toContainText('G 6');
  const neck = page.getByRole('img', { name: /^G 6: .*From F♯ open: Finger 1 slides along/ });
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
  await expect(here).toContainText('Em add 9');
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
  await sounds(page);
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
  await expect(first.getByRole('row', { name: /^String 5 / }).getByRole('cell')).toHaveCount(16);
  await expect(first.getByRole('row', { name: /^Right hand p[ima] / })).toBeVisible();
  await tabTo(page, 'Show and hear: 1');
  await keyboard.press('Enter');
  await sounds(page);
  await keyboard.press('Enter');
  await tabTo(page, 'Take over: 1');
  await keyboard.press('Enter');
  await keyboard.press('Escape');
  await keyboard.press('Space');
  await keyboard.press('1');
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText(/^p[ima]:5f0\+\df\d(=\d)? /);
  expect(Date.now() - begun).toBeLessThan(180_000);
});

test('a passage is heard in an easier key before it is taken, with its capo, by keys', async ({ player: page }) => {
  const { keyboard } = page;
  await newStudy(page);
  await keyboard.press('2');
  await expect(page).toHaveTitle('Neck · Ruffle Wheel');
  await keyboard.press('m');
  const melody = page.getByLabel('Melody by note names');
  await expect(melody).toBeFocused();
  await keyboard.type('[eb3~ bb3] c4 db4 (Ab7) eb4 db4 c4 bb3');
  await expect(page.locator('app-melody-panel section')).toHaveCount(3);
  await page.locator('app-key-ranking summary').focus();
  await keyboard.press('Enter');
  const best = page.locator('app-key-ranking .shape').first();
  await expect(best).toBeVisible();
  const said = (await best.textContent()) ?? '';
  await tabTo(page, /^Hear: /);
  await keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Stop (Space)' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Back: / })).toBeFocused();
  await keyboard.press('Enter');
  await tabTo(page, /^Take: /);
  await keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: 'Capo' })).toHaveText(/capo (\d)/.exec(said)?.[1] ?? '0');
  if (said.includes('As it stands')) await expect(melody).toHaveValue('[eb3~ bb3] c4 db4 (Ab7) eb4 db4 c4 bb3');
  else await expect(melody).not.toHaveValue(/eb3~ bb3/);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Space');
});

test('what can’t be played is said where it is, and five thousand notes never stop the page', async ({
  player: page,
}) => {
  const { keyboard } = page;
  await keyboard.press('2');
  await keyboard.press('m');
  const melody = page.getByLabel('Melody by note names');
  await expect(melody).toBeFocused();
  const alert = page.locator('app-melody-panel [role=alert]');
  for (const [text, said] of [
    ['e4 e7', 'Step 2: E7 is not on any string up to fret 12'],
    ['[e4/1 f4/1]', 'Step 1 puts two notes on one string'],
    ['[f2 c#3 g3 c#5]', 'Step 1: no fingers hold these notes together'],
    ['(Amaj9q)', 'not known as a chord. Near it'],
    ['e4/7', 'is no note'],
  ] as const) {
    await melody.fill(text);
    await expect(alert.first()).toContainText(said);
  }
  const tune = ['e4', 'f4', 'g4', 'a4', 'b4', 'c5', 'b4', 'a4'];
  const notes = (n: number) => Array.from({ length: n }, (_, i) => tune[(i * 3) % 8]).join(' ');
  await melody.fill(notes(5_001));
  await expect(alert.first()).toContainText('5000 is the most');
  await melody.fill(notes(5_000));
  await expect(page.getByRole('progressbar')).toBeVisible();
  // The page goes on meanwhile: another tab opens, and the work is dropped with its panel's text.
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('progressbar')).toBeHidden();
  await melody.fill('e4 f4');
  await expect(page.locator('app-melody-panel section').first()).toContainText('points');
});

test('strings are tuned by name, a warning stands by what breaks, and undo brings them back', async ({
  player: page,
}) => {
  await page.keyboard.press('2');
  await choose(page, 'Tuning', 'Own …');
  const strings = page.getByLabel('Strings 6 to 1');
  await strings.fill('D A D F# A');
  await strings.press('Enter');
  await expect(page.locator('app-tuning-fields [role=alert]')).toContainText('this names 5');
  await strings.fill('E A D G B A4');
  await strings.press('Enter');
  await expect(page.locator('app-tuning-fields [role=status]')).toContainText('String 1 may break');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(page.locator('app-tuning-fields [role=status]')).toHaveCount(0);
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: 'Block chords (B)' })).toHaveAttribute('aria-pressed', 'true');
  await sounds(page);
  await page.keyboard.press('b');
  await page.keyboard.press('Space');
});
