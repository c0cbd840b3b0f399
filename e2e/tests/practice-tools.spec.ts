import { readFile } from 'node:fs/promises';
import { choose, expect, listen, notNow, open, reload, saved, sounds, test } from './player.js';

test('half speed and silent bars by key while it plays; what keeps time is there tomorrow', async ({ player }) => {
  await player.keyboard.press('4');
  const under = player.locator('.stage .under');
  await player.keyboard.press('Space');
  await sounds(player);
  await player.keyboard.press('u');
  await expect(under).toContainText(/of \d+/);
  await player.keyboard.press('f');
  await player.keyboard.press('Space');
  const panel = player.locator('app-time-panel');
  await panel.scrollIntoViewIfNeeded();
  await expect(panel).toContainText('In silent bars nothing sounds');
  await panel.getByRole('button', { name: 'Foot' }).click();
  await choose(player, 'Palmas', /second pair/);
  await panel.getByRole('slider').press('ArrowRight');
  await expect(panel).toContainText('Swing 51');
  await saved(player);
  await player.keyboard.press('Escape');
  await reload(player);
  await player.keyboard.press('4');
  await panel.scrollIntoViewIfNeeded();
  await expect(panel.getByRole('button', { name: 'Foot' })).toHaveAttribute('aria-pressed', 'true');
  await expect(panel).toContainText('3 bars heard, 1 silent');
  await expect(panel).toContainText('Swing 51');
  // Half speed is for now.
  await expect(under).toContainText('counts a minute');
  await expect(under).not.toContainText(/of \d+/);
});

test('steps go out as a file, come in again beside what was deleted, and a week is one page', async ({ player }) => {
  await player.keyboard.press('4');
  const panel = player.locator('app-course-panel');
  await panel.scrollIntoViewIfNeeded();
  await panel.getByRole('button', { name: 'Make steps of what is open' }).click();
  const steps = panel.getByRole('list', { name: 'Steps with gates' }).getByRole('listitem');
  await expect(steps).not.toHaveCount(0);
  const n = await steps.count();
  await panel.getByText('For a student, or for a teacher').click();
  const download = async (name: string) => {
    const [file] = await Promise.all([player.waitForEvent('download'), panel.getByRole('button', { name }).click()]);
    return { name: file.suggestedFilename(), path: await file.path() };
  };
  const file = await download('Save as a file');
  expect(file.name).toBe('Lantern Stair steps.ruffle.json');
  const week = await download('A week as a page');
  expect(week.name).toBe('Lantern Stair week.pdf');
  const bytes = await readFile(week.path, 'latin1');
  expect(bytes.startsWith('%PDF')).toBe(true);
  expect(bytes.match(/\/Type \/Page\b/g)).toHaveLength(1);
  await panel.getByRole('button', { name: 'Delete these steps' }).click();
  await expect(steps).toHaveCount(0);
  await player.getByRole('link', { name: 'Shelf' }).click();
  await player
    .locator('input[type=file]')
    .first()
    .setInputFiles({
      name: 'steps.ruffle.json',
      mimeType: 'application/json',
      buffer: await readFile(file.path),
    });
  await expect(player.getByText(/1 course/)).toBeVisible();
  await player.getByRole('link', { name: 'Practise' }).click();
  await panel.scrollIntoViewIfNeeded();
  await expect(steps).toHaveCount(n);
});

test('a set is put together, begun by the pedal, and says what comes next', async ({ player }) => {
  await player.keyboard.press('4');
  const panel = player.locator('app-set-panel');
  await panel.scrollIntoViewIfNeeded();
  await choose(player, 'Add a study', 'Harbour Lamps');
  await choose(player, 'Add a study', 'Salt Rope');
  await panel.getByRole('button', { name: 'Earlier in the set: Salt Rope' }).click();
  await expect(panel.getByRole('listitem').first()).toContainText('Salt Rope');
  await panel.getByRole('button', { name: 'Get the set ready' }).click();
  await expect(player.getByText(/2 pieces, .* min/)).toBeVisible();
  await player.keyboard.press('PageDown');
  await expect(player.locator('app-plan-line')).toContainText('1 of 3 · The form');
  await sounds(player);
  await expect(player.locator('.part')).toContainText('part 1 of');
  await player.keyboard.press('v');
  await player.keyboard.press('ArrowRight');
  await expect(player.locator('app-plan-line')).toContainText('Next Harbour Lamps, at');
  await player.keyboard.press('PageDown');
  await expect(player.locator('.what')).toContainText('Harbour Lamps');
  await player.keyboard.press('Space');
});

test('by mouse a click and then Space means playing; by touch on a phone a set is put together and begun', async ({
  player,
  browser,
  baseURL,
}) => {
  await player.getByRole('link', { name: 'Practise' }).click();
  const foot = player.locator('app-time-panel').getByRole('button', { name: 'Foot' });
  await foot.click();
  await player.keyboard.press('Space');
  await sounds(player);
  await expect(foot).toHaveAttribute('aria-pressed', 'true');
  await player.keyboard.press('Space');

  const context = await browser.newContext({
    ...{ baseURL, hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } },
  });
  const phone = await context.newPage();
  const complaints: string[] = [];
  listen(phone, complaints);
  await open(phone);
  await notNow(phone);
  await phone.getByRole('link', { name: 'Practise' }).tap();
  await phone.locator('app-time-panel').getByRole('button', { name: 'Half speed' }).tap();
  await phone.getByRole('combobox', { name: 'Add a study' }).tap();
  await phone.getByRole('option', { name: 'Salt Rope' }).tap();
  await phone.getByRole('button', { name: 'Get the set ready' }).tap();
  const begin = phone.getByRole('button', { name: /^Begin/ });
  await expect(begin).toBeInViewport({ ratio: 1 });
  await begin.tap();
  await expect(phone.locator('app-plan-line')).toContainText('1 of 1 · The form');
  await expect(phone.locator('.part')).toBeInViewport();
  await expect(phone.locator('.stage .under')).toContainText('of 84');
  expect(complaints).toEqual([]);
  await context.close();
});
