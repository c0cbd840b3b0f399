import { expect, listen, notNow, open, reload, sounds, test } from './player.js';

/** Minutes go by for the page; the sound goes on in its own time. */
test('twenty minutes are planned by one key and played with the pedal alone; next day the check is due, a miss brings it back', async ({
  player,
}) => {
  await player.clock.install();
  await reload(player);
  await player.keyboard.press('4');
  const today = player.getByRole('region', { name: 'Today' });
  await expect(today).toBeVisible();
  await player.keyboard.press('w');
  const blocks = today.getByRole('list', { name: 'Blocks of today' }).getByRole('listitem');
  await expect(blocks.first()).toContainText('Warm up');
  await expect(blocks.nth(1)).toContainText('Does it hold?');
  await expect(blocks.nth(1)).toContainText('one pass, cold');
  const minutes = await blocks.locator('.min').allTextContents();
  expect(minutes.reduce((sum, t) => sum + parseFloat(t), 0)).toBe(20);
  const count = await blocks.count();

  // The pedal begins, goes on from what is silent, and marks; nothing else is touched.
  const pedal = () => player.keyboard.press('PageDown');
  const line = player.locator('app-plan-line');
  await pedal();
  await expect(line).toContainText(`1 of ${count} · Warm up`);
  await pedal();
  await expect(line).toContainText('Does it hold?');
  await expect(player.locator('.cold')).toContainText('cold');
  // The pass is marked when it is over.
  await expect(async () => {
    await pedal();
    await expect(line).toContainText(`3 of ${count}`, { timeout: 300 });
  }).toPass();
  await expect(line).toContainText('Right hand alone');
  await expect(blocks.nth(1)).toContainText('done');
  // Time goes by: what comes next is announced, and then comes by itself.
  await expect(async () => {
    await player.clock.fastForward(12_000);
    await expect(today).toContainText('Done for today', { timeout: 400 });
  }).toPass({ intervals: [200] });
  // All that is left was played; running late, some of it may have been left out.
  await expect(blocks.filter({ hasNotText: /done|not clean/ })).toHaveCount(0);
  expect(await blocks.count()).toBeGreaterThan(count - 3);

  // Each block that sounded has its line, and the check is known as one.
  await player.keyboard.press('6');
  const log = player.getByRole('table');
  await expect(log.getByRole('row').filter({ hasText: 'cold' })).not.toHaveCount(0);
  await expect(log.getByRole('row').filter({ hasText: 'Open strings' }).first()).toContainText('Lantern Stair');

  // The next day it has a gap of three days; missed then, it is due the day after.
  await player.keyboard.press('4');
  await today.getByRole('button', { name: 'Put the plan away' }).click();
  const due = player.getByRole('button', { name: 'Check it: Lantern Stair, Rasgueado' });
  await expect(due).toHaveCount(0);
  await player.clock.fastForward(73 * 3_600_000);
  await reload(player);
  await player.keyboard.press('4');
  await expect(due).toBeVisible();
  await due.click();
  await player.keyboard.press('Space');
  await expect(async () => {
    await player.keyboard.press('PageUp');
    await expect(player.getByText('Written to the logbook')).toBeVisible({ timeout: 300 });
  }).toPass();
  await expect(due).toHaveCount(0);
  await player.clock.fastForward(25 * 3_600_000);
  await reload(player);
  await player.keyboard.press('4');
  await expect(due).toBeVisible();
  await expect(today).toBeVisible();
  // What was missed comes first in what is planned.
  await player.keyboard.press('w');
  await expect(blocks.filter({ hasText: 'missed when it was asked for cold' })).not.toHaveCount(0);
});

test('by mouse: other minutes, a block taken up, skipped, paused, and gone on with after a new start', async ({
  player,
}) => {
  await player.keyboard.press('4');
  const today = player.getByRole('region', { name: 'Today' });
  await today.getByRole('button', { name: /^Other/ }).click();
  await today.getByRole('spinbutton').fill('2');
  await today.getByRole('button', { name: 'Plan', exact: true }).click();
  await expect(today.getByRole('alert')).toContainText('from 3 to 180');
  await today.getByRole('spinbutton').fill('12');
  await today.getByRole('button', { name: 'Plan', exact: true }).click();
  const blocks = today.getByRole('list', { name: 'Blocks of today' }).getByRole('listitem');
  await expect(blocks.first()).toContainText('Warm up');
  await today.getByRole('button', { name: 'Start' }).click();
  await expect(player.locator('app-plan-line')).toContainText('Warm up');
  await today.getByRole('button', { name: 'Skip' }).click();
  await expect(blocks.first()).toContainText('skipped');
  await today.getByRole('button', { name: 'Take up: Together' }).click();
  await expect(player.locator('app-plan-line')).toContainText('Together');
  await today.getByRole('button', { name: 'Tense' }).click();
  await expect(today.getByRole('button', { name: 'Tense' })).toHaveAttribute('aria-pressed', 'true');
  // After a click Space means the plan still.
  await player.keyboard.press('Space');
  await expect(player.locator('app-plan-line')).not.toContainText('Together');
  await player.keyboard.press('Space');
  await expect(player.locator('app-plan-line')).toContainText('Together');
  await today.getByRole('button', { name: 'Pause' }).click();
  await expect(player.locator('app-plan-line')).not.toContainText('Together');
  await reload(player);
  await player.keyboard.press('4');
  await expect(blocks.first()).toContainText('skipped');
  await today.getByRole('button', { name: /Start|Go on with it/ }).click();
  await expect(player.locator('app-plan-line')).toContainText('Together');
});

test('by touch on a phone: ten minutes are one tap, Start brings the stage into view, and each pass is marked', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({
    ...{ baseURL, hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } },
  });
  const phone = await context.newPage();
  const complaints: string[] = [];
  listen(phone, complaints);
  await open(phone);
  await notNow(phone);
  await phone.getByRole('link', { name: 'Practise' }).tap();
  // What one came for is in view: so many minutes, and what is open by itself.
  await expect(phone.getByRole('button', { name: '10 min' })).toBeInViewport({ ratio: 1 });
  await expect(phone.getByRole('button', { name: /^Begin/ })).toBeInViewport({ ratio: 1 });
  await phone.getByRole('button', { name: '10 min' }).tap();
  const today = phone.getByRole('region', { name: 'Today' });
  await today.getByRole('button', { name: /^Start/ }).tap();
  const line = phone.locator('app-plan-line');
  await expect(line.getByText('Warm up')).toBeInViewport();
  await phone.getByRole('button', { name: 'Next', exact: true }).tap();
  await expect(line).toContainText('Does it hold?');
  await sounds(phone);
  await expect(async () => {
    await phone.getByRole('button', { name: 'Clean', exact: true }).tap();
    await expect(line).not.toContainText('Does it hold?', { timeout: 300 });
  }).toPass();
  expect(complaints).toEqual([]);
  await context.close();
});
