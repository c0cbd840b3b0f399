import { choose, expect, leaveFields, reload, saved, test } from './player.js';

test('what the page shows is chosen by key and menu, kept, and the words under the counts go with it', async ({
  player: page,
}) => {
  await page.keyboard.press('3');
  const system = page.locator('app-stave-system').first();
  await expect(system.locator('.fret').first()).toBeVisible();
  await expect(system.locator('.signs .vf-clef')).toBeAttached();
  const words = page.getByRole('textbox', { name: 'Words under the counts' });
  await words.click();
  await page.keyboard.type('. . "la voz" . . lla- ma');
  await page.keyboard.press('Escape');
  await leaveFields(page);
  await expect(system.locator('.word')).toHaveText(['la voz', 'lla-', 'ma']);
  await expect(page.getByRole('img', { name: /Words: la voz on 2, lla- on 5, ma on 6\./ })).toBeVisible();
  // Tablature alone: no clef, the same frets.
  await page.keyboard.press('n');
  await expect(page.locator('mat-snack-bar-container')).toContainText('Page: tablature');
  await expect(system.locator('.signs .vf-clef')).toHaveCount(0);
  await expect(system.locator('.fret').first()).toBeVisible();
  await expect(system.locator('.word')).toHaveCount(3);
  // The right hand alone on six lines: strums go through the strings.
  await page.keyboard.press('n');
  await expect(system.locator('.sweep').first()).toBeAttached();
  await expect(system.locator('.fret')).toHaveCount(0);
  // The rhythm has the frets of each chord once.
  await page.keyboard.press('n');
  await expect(system.locator('.frets-held').first()).toHaveText('2-4-4-3-0-0');
  await expect(system.locator('.sweep')).toHaveCount(0);
  await saved(page);
  await reload(page);
  await page.keyboard.press('3');
  await expect(system.locator('.frets-held').first()).toBeVisible();
  await page.getByRole('button', { name: 'Page: rhythm and chords' }).click();
  await page.getByRole('menuitemradio', { name: 'staff and tablature' }).click();
  await expect(system.locator('.signs .vf-clef')).toBeAttached();
  const frets = await system.locator('.fret').count();
  // Strums on one shape are slashes after the first.
  await page.getByRole('button', { name: 'Page: staff and tablature' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'repeated strums as slashes' }).click();
  await expect.poll(() => system.locator('.fret').count()).toBeLessThan(frets / 2);
  // Fingers of the right hand on their strings, where they pluck.
  await choose(page, 'Study', 'Slack Water');
  await leaveFields(page);
  await page.getByRole('button', { name: 'Page: staff and tablature' }).click();
  await page.getByRole('menuitemradio', { name: 'right hand on six lines' }).click();
  await expect(system.locator('.fret').first()).toHaveText(/^\s*[pimae]\s*$/);
  // The words stand on the Wheel’s strip too.
  await choose(page, 'Study', 'Lantern Stair');
  await leaveFields(page);
  await page.keyboard.press('1');
  await expect(page.locator('app-strip .word')).toHaveText(['la voz', 'lla-', 'ma']);
});
