import { expect, reload, test } from './player.js';

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

test('by mouse and touch: other minutes, a block taken up, skipped, paused, and gone on with after a new start', async ({
  player,
}) => {
  await player.keyboard.press('4');
  const today = player.getByRole('region', { name: 'Today' });
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
  await today.getByRole('button', { name: 'Pause' }).click();
  await expect(player.locator('app-plan-line')).not.toContainText('Together');
  await reload(player);
  await player.keyboard.press('4');
  await expect(blocks.first()).toContainText('skipped');
  await today.getByRole('button', { name: /Start|Go on with it/ }).click();
  await expect(player.locator('app-plan-line')).toContainText('Together');
});
