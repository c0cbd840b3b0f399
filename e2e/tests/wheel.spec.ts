import { choose, expect, leaveFields, saved, test, writeScript, ofStudy } from './player.js';

test('a script with five faults shows five, each underlined at its place, and a fix mends one', async ({
  player: page,
}) => {
  await writeScript(page, 'ed ii ad im:23 md a* id p:54 iu }');
  const faults = page.locator('.faults li');
  await expect(faults).toHaveCount(5);
  await expect(page.locator('.cm-content .fault')).toHaveText(['ii', 'im:23', 'a*', 'p:54', '}']);
  await page.getByRole('button', { name: 'Write im:32' }).click();
  await expect(faults).toHaveCount(4);
  await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText('ed ii ad im:32 md a* id p:54 iu }');
});

test('an empty wheel teaches, strokes go in by key, and undo goes back through all of it', async ({ player: page }) => {
  const script = page.getByRole('textbox', { name: 'Hand script' });
  await writeScript(page, ' ');
  const starts = page.locator('.empty button');
  await expect(starts).toHaveCount(3);
  await leaveFields(page);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('i');
  await page.keyboard.press('d');
  await page.keyboard.press('!');
  await expect(script).toHaveText(/^\. id! \. \./);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('p');
  await page.keyboard.press('g');
  await expect(script).toHaveText(/^\. id! p\* \./);
  await expect(page.locator('.stitch')).toHaveCount(2);
  for (let n = 0; n < 5; n++) await page.keyboard.press('Control+z');
  await expect(starts).toHaveCount(3);
  await page.keyboard.press('Control+Shift+z');
  await expect(page.locator('.stitch')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await starts.first().click();
  await expect(script).toHaveText('id iu [ed ad md id iu]:4 id iu [ed ad md id iu]:4 {id iu}x6');
  await expect(page.getByText('Comes round every turn')).toBeVisible();
});

test('the hand’s pendulum, planting and the better start are said in sentences', async ({ player: page }) => {
  await writeScript(page, 'id iu id iu . iu id iu');
  await page.getByRole('button', { name: /^The hand/ }).click();
  await expect(page.getByText('Ghost down at 2.')).toBeVisible();
  await writeScript(page, 'p:4 i:3 a:1 m:2');
  await expect(page.getByRole('heading', { name: 'Plant p i a at once' })).toBeVisible();
  await expect(page.getByText(/m on .* is not planted/)).toBeVisible();
});

test('a harmonic without a node is told; the way to the nearest is looked for when asked, taken, and undone', async ({
  player: page,
}) => {
  await writeScript(page, 'p:5 i:3f6o m:2f12o p:6');
  const script = page.getByRole('textbox', { name: 'Hand script' });
  const heading = page.getByRole('heading', { name: 'A harmonic where no node lies' });
  const card = page.locator('app-finding-card', { has: heading });
  await expect(card).toContainText('none lies over fret 6, the nearest is over 5');
  await card.getByRole('button', { name: 'What would end it' }).focus();
  await page.keyboard.press('Enter');
  // The question goes with its answer, and the focus is on the first way out.
  await expect(card.getByRole('button', { name: 'Touch string 3 over fret 5' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(script).toHaveText(/i:3f5o/);
  await expect(heading).toHaveCount(0);
  await leaveFields(page);
  await page.keyboard.press('Control+z');
  await expect(script).toHaveText(/i:3f6o/);
});

test('after a choice with the pointer the keys are the place’s; by keys they stay with the choice', async ({
  player: page,
}) => {
  // Whose hand is judged for stands beside the ceiling, and is changed there.
  const ceiling = await page.locator('.ceiling').innerText();
  await choose(page, 'Whose hand is judged for', 'Tadeo');
  await expect(page.locator('.ceiling')).not.toHaveText(ceiling);
  await expect(page.locator('mat-select.hand')).toContainText('for Tadeo');
  const study = page.getByRole('combobox', { name: 'Study', exact: true });
  await choose(page, 'Study', 'Salt Rope');
  await expect(study).toHaveText('Salt Rope');
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Stop (Space)' })).toBeVisible();
  await page.keyboard.press('Space');
  await study.focus();
  await page.keyboard.press('ArrowDown');
  await expect(study).toHaveText('Slack Water');
  await expect(study).toBeFocused();
});

test('a slot can be chosen with the pointer, on the wheel and on the line', async ({ player: page }) => {
  await page.locator('app-strip .cell').nth(3).click();
  await expect(page.locator('.hint')).toContainText('md');
  await page.locator('app-wheel-drawing .pad').nth(2).click({ force: true });
  await expect(page.locator('.hint')).toContainText('ad');
});

test('cycles by family and school, and an own cycle made, kept and deleted', async ({ player: page }) => {
  await page.getByRole('tab', { name: 'Cycle' }).click();
  await page.getByRole('button', { name: /12 3 7 8 10/ }).click();
  await expect(page.getByText(/The third accent comes late/).first()).toBeVisible();
  await choose(page, 'Accent cycle', 'Seguiriya');
  await expect(page.locator('app-wheel-drawing .count.strong')).toHaveCount(5);
  await page.getByRole('button', { name: 'Make an own cycle from this' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Pier Five');
  await page.getByLabel('Counts', { exact: true }).fill('5');
  await page.getByLabel('Groups', { exact: true }).fill('3+1');
  await expect(page.getByText(/The groups add up to 4 counts; the turn has 5/)).toBeVisible();
  await page.getByLabel('Groups', { exact: true }).fill('3+2');
  await page.getByRole('textbox', { name: 'Accents' }).fill('1 4!8 5.5!6');
  await page.getByRole('button', { name: 'Keep cycle' }).click();
  await expect(page.locator('app-wheel-drawing .count:not(.and)')).toHaveText(['1', '2', '3', '4', '5']);
  await expect(page.locator('app-wheel-drawing .count.and')).toHaveText('and');
  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Cycle' }).click();
  await expect(page.getByRole('combobox', { name: 'Accent cycle', exact: true })).toHaveText(/Pier Five/);
  await page.getByRole('button', { name: 'Delete own cycle' }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Edit this cycle' })).toBeVisible();
});

test('a shape is written in text, faults named; the chart calls it by its name, and it is removed with undo', async ({
  player: page,
}) => {
  await page.getByRole('tab', { name: 'Shape' }).click();
  await page.getByRole('button', { name: 'New shape' }).click();
  await page.getByLabel('Name', { exact: true }).fill('C low');
  await page.getByLabel('Frets 6 to 1').fill('x-3-2-0-1');
  await expect(page.getByText(/names six strings from 6 to 1/)).toBeVisible();
  await page.getByLabel('Frets 6 to 1').fill('x-3-2-0-1-0');
  await page.getByLabel('Fingers 6 to 1').fill('x-3-2-0-1-0');
  await page.getByRole('button', { name: 'Keep, at the end of the chart' }).click();
  await page.getByLabel('Chart: which chord when').fill('"C low" | % | Am7');
  await expect(page.locator('.found')).toContainText('Am7');
  // Leaving the field keeps the shape that was found.
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'Edit Am7' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Held now: C low' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove C low' }).click();
  await expect(page.getByRole('heading', { name: 'Held now: C low' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Held now: C low' })).toBeVisible();
});

test('keys move the tempo, tap it, and ? shows them all', async ({ player: page }) => {
  const tempo = page.getByRole('spinbutton', { name: /Counts a minute/ });
  await leaveFields(page);
  await page.keyboard.press('[');
  await expect(tempo).toHaveValue('176');
  for (let n = 0; n < 4; n++) {
    await page.keyboard.press('Enter');
    await page.waitForTimeout(400);
  }
  await expect(tempo).not.toHaveValue('176');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  // Opened and closed with the pointer, the keys are the place’s: Space plays.
  await page.getByRole('button', { name: 'Keys (?)' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: /^Stop/ })).toBeVisible();
  await page.keyboard.press(' ');
  await tempo.fill('999');
  await tempo.press('Enter');
  await expect(tempo).toHaveValue('400');
});

test('with less motion asked for, the marker steps instead of gliding', async ({ player: page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.reload();
  await expect(page.getByRole('heading', { name: /^Ceiling/ })).toBeVisible();
  await page.keyboard.press('c');
  await page.keyboard.press('Space');
  const seen = new Set<number>();
  for (let n = 0; n < 12; n++) {
    const transform = await page.locator('app-wheel-drawing .hand').getAttribute('transform');
    seen.add(Number(/[\d.]+/.exec(transform ?? '')?.[0] ?? 0));
    await page.waitForTimeout(60);
  }
  for (const degrees of seen) expect(degrees % 15).toBeCloseTo(0, 3);
  expect(seen.size).toBeGreaterThan(1);
});

test('undo and redo say what they did, by key and by button', async ({ player: page }) => {
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('p');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Taken back: stroke 1 of “Rasgueado”').last()).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByText('Done again: stroke 1 of “Rasgueado”').last()).toBeVisible();
  await page.getByRole('button', { name: 'Undo (Ctrl+Z)' }).click();
  await page.keyboard.press(']');
  await page.getByRole('button', { name: 'Undo (Ctrl+Z)' }).click();
  await expect(page.getByText('Taken back: tempo of “Rasgueado”').last()).toBeVisible();
  // Elsewhere it says where.
  await page.keyboard.press(']');
  await choose(page, 'Section', 'Falseta');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Taken back: tempo of “Rasgueado”').last()).toBeVisible();
  // A deletion is taken back by the same button.
  await page.keyboard.press('7');
  await ofStudy(page, 'Salt Rope', 'Delete');
  await page.getByRole('button', { name: 'Undo (Ctrl+Z)' }).click();
  await expect(page.getByRole('heading', { name: 'Salt Rope' })).toBeVisible();
});
