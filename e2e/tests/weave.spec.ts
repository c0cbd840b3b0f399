import { choose, expect, leaveFields, newStudy, saved, sounds, test, writeScript } from './player.js';

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

test('what is struck is what is seen: dead strings, released ones, taps and levels', async ({ player: page }) => {
  await writeScript(page, "idx iux id^ iu' G (d) @p p:5_ i:2f12o");
  // The band of what is held is broken while the hand lies on the strings or has let go.
  await expect(page.locator('app-wheel-drawing .free').first()).toBeAttached();
  await expect(page.locator('app-wheel-drawing .beside').first()).toBeAttached();
  await page.keyboard.press('3');
  const system = page.locator('app-stave-system').first();
  const said =
    /^Bar 1\..* i down, dead: .* i down, the left hand lets go: .* golpe; .* ghost down; .* level p, p, rest stroke: /;
  await expect(system.getByRole('img', { name: said })).toBeVisible();
  await expect(system.locator('.fret').filter({ hasText: '×' }).first()).toBeVisible();
  await expect(system.locator('.fret').filter({ hasText: '12°' }).first()).toBeVisible();
  await expect(system.locator('.stitch.tap').first()).toBeVisible();
  await expect(system.locator('.stitch.ghost').first()).toBeAttached();
  const first = system.locator('.stitch');
  await expect(first.nth(0).locator('.beside')).toHaveCount(1);
  await expect(first.nth(2).locator('.beside')).toHaveCount(1);
  // The strings are named where the section begins.
  await expect(system.locator('.string-name')).toHaveText(['E', 'A', 'D', 'G', 'B', 'E']);
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
  await expect(page.locator('app-form-panel .order li b')).toHaveText(['Rasgueado', 'Rasgueado', 'Falseta']);
  await page.getByRole('button', { name: /^\d+ Falseta/ }).click();
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

test('sixteen bars of symbols become an accompaniment with a walking bass, by keys alone', async ({ player: page }) => {
  await choose(page, 'Study', 'Harbour Lamps');
  await choose(page, 'Section', 'Bass in fifths');
  await leaveFields(page);
  await page.keyboard.press('3');
  await page.keyboard.press('h');
  await expect(page.getByRole('textbox', { name: 'Chart: which chord when' })).toBeFocused();
  await page.keyboard.type('{Am7 | D7 | Gmaj7 | Cmaj7 | F#m7b5 | B7 | Em7 | E7}x2');
  await page.keyboard.press('Escape');
  await page.keyboard.press('o');
  const panel = page.locator('app-comp-panel');
  await expect(panel.getByRole('combobox', { name: 'Figure' })).toBeFocused();
  const take = panel.getByRole('button', { name: 'Take over: 1' });
  await expect(take).toBeVisible();
  // The bass walks: down from "root and fifth in turn".
  await panel.getByRole('combobox', { name: 'Bass', exact: true }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(panel.getByRole('combobox', { name: 'Leads on by' })).toBeVisible();
  await expect(panel.locator('section').first()).toContainText('Am7');
  await page.keyboard.press('Control+Enter');
  const script = page.getByRole('textbox', { name: 'Hand script' });
  await expect(script).toContainText('ima:t');
  await expect(page.locator('.says')).toContainText('of 16');
  await expect(page.getByRole('img', { name: /^Bar 1\. Am7\. 1 p/ })).toBeVisible();
  await saved(page);
  // What stands against it, and other basses under it.
  await leaveFields(page);
  await page.keyboard.press('b');
  await expect(page.locator('app-bass-panel ol li').first()).toContainText('Root');
  await leaveFields(page);
  await page.keyboard.press('x');
  await expect(page.locator('app-conflicts-panel')).toContainText(/Nothing stands against|bar \d/);
  for (let n = 0; n < 3; n++) await page.keyboard.press('Control+z');
});

test('a piece with endings is heard from end to end, and the page goes along', async ({ player: page }) => {
  await choose(page, 'Study', 'Last Boat South');
  await leaveFields(page);
  await page.keyboard.press('c');
  await page.keyboard.press('3');
  await page.keyboard.press('f');
  await page.getByRole('textbox', { name: 'Form' }).fill('{Marcato [1 Close] [2 "Thumb 3-3-2"]}x2');
  await expect(page.locator('.order li b')).toHaveText(['Marcato', 'Close', 'Marcato', 'Thumb 3-3-2']);
  await expect(page.getByRole('combobox', { name: 'Section' })).toHaveText('Thumb 3-3-2');
  await expect(page.getByRole('img', { name: /Ending of pass 2\./ })).toBeVisible();
  await page.getByRole('button', { name: 'Play the whole' }).press('Enter');
  await sounds(page);
  await expect(page.locator('.order li.here b')).toHaveText('Marcato');
  await expect(page.locator('.order li.here b')).toHaveText('Close', { timeout: 15_000 });
  await expect(page.locator('header')).toContainText('Close');
  await page.getByRole('button', { name: 'Stop', exact: true }).press('Enter');
  await page.getByRole('button', { name: 'From here: bar 7' }).press('Enter');
  await expect(page.locator('.order li.here b')).toHaveText('Thumb 3-3-2', { timeout: 15_000 });
  await page.keyboard.press('Escape');
});

test('a slur has its bow, and chosen bars go round and to Practise', async ({ player: page }) => {
  await choose(page, 'Study', 'Harbour Lamps');
  await writeScript(page, "p':5 - i:2f1=1 L:2f3=3 p:5 - - - | p:b - ima:t - p:b - ima:t -");
  await leaveFields(page);
  await page.keyboard.press('c');
  await page.keyboard.press('3');
  await expect(page.locator('.slur')).toHaveCount(2);
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('v');
  await page.keyboard.press('v');
  await expect(page.locator('p.range')).toContainText('Bar 2');
  await expect(page.locator('rect.range')).toHaveCount(1);
  await page.keyboard.press('Space');
  await sounds(page);
  await expect(page.locator('.says')).toContainText('Bar 2 of 4');
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Practise them' }).press('Enter');
  await expect(page).toHaveTitle('Practise · Ruffle Wheel');
  await expect(page.getByRole('combobox', { name: /Drill|What/ })).toHaveText(/Bar 2 alone/);
});

test('a falseta is told string by string, fingered for both hands and heard apart, by keys alone', async ({
  player: page,
}) => {
  await choose(page, 'Study', 'Salt Rope');
  await leaveFields(page);
  await page.keyboard.press('3');
  await expect(page.locator('.says')).toContainText('Bar 1 of');
  await page.keyboard.press('t');
  await expect(page.getByRole('textbox', { name: /^As you play it, from bar/ })).toBeFocused();
  // A bar of twelve counts in sixteenths: three held chords, a borrowed finger, a strum to end it.
  await page.keyboard.type('{(Am) p5 3 2 1 (4 1f3) 1 2 3 2 (lift 4) 1 2 3 2}x3 (E7) p6 3 2 1 [61] - d6 - . . . .');
  const panel = page.locator('app-falseta-panel');
  await expect(panel.locator('app-falseta-field')).toContainText('p:5 ?:3 ?:2 ?:1 ?:1f3=4');
  await page.keyboard.press('Control+Enter');
  const script = page.getByRole('textbox', { name: 'Hand script' });
  await expect(script).toContainText('?:1f3=4');
  await expect(page.getByRole('img', { name: /E7 on 10/ }).first()).toBeVisible();
  // Both hands: the first way is taken.
  await expect(panel.locator('app-hand-ways section').first()).toContainText('bar 1, 1');
  await panel.getByRole('combobox', { name: 'What the left hand minds most' }).focus();
  await page.keyboard.press('Control+Enter');
  await expect(script).not.toContainText('?');
  await leaveFields(page);
  await page.keyboard.press('w');
  await expect(page.locator('.apart [aria-pressed=true]')).toHaveText('right hand');
  await page.keyboard.press('Space');
  await sounds(page);
  await page.keyboard.press('Space');
  await saved(page);
});

test('a bar of silence has its counts and its rest: first, in the middle, last, alone, and while one types', async ({
  player: page,
}) => {
  test.setTimeout(120_000);
  await newStudy(page);
  const bar = '{p:b i m a}x6';
  const silence = '{.}x24';
  const rests = page.locator('app-stave-system .signs .vf-notehead, app-stave-system .signs .vf-stavenote');
  for (const script of [
    `${silence} | ${bar} | ${bar}`,
    `${bar} | ${silence} | ${bar}`,
    `${bar} | ${bar} | ${silence}`,
    silence,
    '. . .',
    'zz p i m',
    '. zz',
  ]) {
    await page.keyboard.press('1');
    await expect(page).toHaveTitle('Wheel · Ruffle Wheel');
    await writeScript(page, script);
    await leaveFields(page);
    await page.keyboard.press('3');
    const system = page.locator('app-stave-system').first();
    await expect(system.locator('text.count').first()).toBeVisible();
    await expect(rests.first()).toBeAttached();
    // Counts lie apart, from the first to the last.
    // The systems are drawn once more as the reading of the latest letters comes.
    await expect(async () => {
      const places = await page
        .locator('app-stave-system')
        .evaluateAll((systems) =>
          systems.map((s) => [...s.querySelectorAll('text.count')].map((t) => t.getBoundingClientRect().x)),
        );
      expect(places.length).toBeGreaterThan(0);
      for (const own of places) {
        expect(own.length).toBeGreaterThanOrEqual(12);
        for (let n = 1; n < own.length; n++) expect(own[n]! - own[n - 1]!).toBeGreaterThan(3);
      }
    }).toPass({ timeout: 15_000 });
  }
});
