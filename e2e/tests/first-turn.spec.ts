import { readFile } from 'node:fs/promises';
import { expect, leaveFields, saved, test, writeScript, sounds, markPass, ofShelf } from './player.js';

test('from cycle to logbook: a five-stroke cell read, heard, raised to its ceiling, practised and kept', async ({
  player: page,
}) => {
  test.setTimeout(210_000);
  await writeScript(page, 'ed ad md id iu');
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/practise/);
  await page.keyboard.press('1');
  const findings = page.getByRole('tabpanel');
  await expect(findings.getByRole('heading', { name: 'Comes round after 5 turns' })).toBeVisible();
  await expect(findings.getByText('24 passes of 5 steps (2.5 counts) over 12 counts a turn.')).toBeVisible();
  await findings.getByRole('button', { name: /^Turns and accents/ }).click();
  await expect(findings.getByText('12 e down · 3 a down · 6 m down · 8 a down · 10 e down')).toBeVisible();
  // Each roll lands on the little finger of the next: no accent is weak for that.
  await expect(findings.getByText('All 5 accents meet a strong stroke in every turn.')).toBeVisible();

  await page.getByRole('tab', { name: 'Accents' }).click();
  const rows = page.getByRole('group', { name: 'Accents' }).getByRole('row');
  await expect(rows).toHaveCount(6);
  await expect(rows.nth(2)).toHaveText(/2\s*i ↑\s*i up\s*e ↓\s*e down\s*a ↓\s*a down\s*e ↓\s*e down\s*i ↑\s*i up/);
  await leaveFields(page);
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('img', { name: /turn 2 of 5/ })).toBeVisible();

  await test.step('hear it: the marker follows the sound', async () => {
    await page.keyboard.press('c');
    await page.keyboard.press('Space');
    await sounds(page);
    const hand = page.locator('app-wheel-drawing .hand');
    const first = await hand.getAttribute('transform');
    await expect(hand).not.toHaveAttribute('transform', first ?? '');
    await page.keyboard.press('Space');
    await expect(hand).toHaveCount(0);
  });

  await test.step('raise the tempo until the ceiling is named with its finger', async () => {
    await page.getByRole('tab', { name: 'Findings' }).click();
    await leaveFields(page);
    await expect(page.locator('.ceiling')).toHaveText(/ceiling\s+196 · left/);
    for (let n = 0; n < 26; n++) await page.keyboard.press(']');
    await expect(findings.getByRole('heading', { name: 'No room at 392: i is late' })).toBeVisible();
    await expect(page.locator('.ceiling.over')).toBeVisible();
  });

  await test.step('hold another shape', async () => {
    await page.getByRole('tab', { name: 'Shape' }).click();
    await page.getByLabel('Chart: which chord when').fill('"Em add 9"');
    await expect(page.getByRole('heading', { name: 'Held now: Em add 9' })).toBeVisible();
    await expect(page.getByRole('img', { name: /^Em add 9: string 6 open, string 5 fret 2 finger 1/ })).toBeVisible();
  });

  await test.step('run passes up the ladder in stand view, with keys only', async () => {
    await leaveFields(page);
    await page.keyboard.press('4');
    // Fast, so that a pass of five turns is over soon; not so soon that a slow machine is too late for the first key.
    for (const [field, value] of [
      ['From', '252'],
      ['To', '280'],
      ['Step', '8'],
      ['Clean passes each', '1'],
    ] as const) {
      await page.getByLabel(field, { exact: true }).fill(value);
      await page.getByLabel(field, { exact: true }).press('Enter');
    }
    await expect(page.getByText('Begin at 252')).toBeVisible();
    await leaveFields(page);
    await page.keyboard.press('v');
    await expect(page.locator('.place.stand')).toBeVisible();
    await page.keyboard.press('Space');
    await expect(page.getByRole('button', { name: 'Stop and write down (Space)' })).toBeVisible();
    // Nothing is over yet: no mark.
    await page.keyboard.press('PageDown');
    await expect(page.getByText('A pass is marked once, when it has come round.')).toBeVisible();
    await expect(page.locator('.mark')).toHaveCount(0);
    await markPass(page, 'PageDown');
    await expect(page.locator('.stage .tempo')).toHaveText('260');
    await markPass(page, 'PageUp');
    await markPass(page, 'PageUp');
    await expect(page.locator('.stage .tempo')).toHaveText('252');
    // The last was marked by mistake.
    await page.keyboard.press('Backspace');
    await expect(page.locator('.stage .tempo')).toHaveText('260');
    await page.keyboard.press('Space');
    await expect(page.getByText(/Written to the logbook: .* 2 passes, 252 held/)).toBeVisible();
    await page.keyboard.press('v');
  });

  await test.step('find them in the logbook, and again after a reload', async () => {
    await page.keyboard.press('6');
    const line = page.getByRole('row', { name: /Lantern Stair · Rasgueado .* 252 1 of 2 \(50 %\)/ });
    await expect(line).toHaveCount(1);
    await page.keyboard.press('1');
    await saved(page);
    await page.reload();
    await expect(page.getByRole('textbox', { name: 'Hand script' })).toHaveText('ed ad md id iu');
    await expect(page.getByRole('heading', { name: 'Comes round after 5 turns' })).toBeVisible();
    await page.keyboard.press('6');
    await expect(line).toHaveCount(1);
  });

  await test.step('export everything, clear, import: identical', async () => {
    await page.keyboard.press('7');
    const exportAll = async () => {
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Export everything' }).click();
      return (await download).path();
    };
    const before = await exportAll();
    await ofShelf(page, 'Clear everything');
    await page.getByRole('dialog').getByRole('button', { name: 'Clear everything' }).click();
    await expect(page.getByText('The shelf is empty.')).toBeVisible();
    await page.getByLabel('Import a file').setInputFiles(before);
    await expect(page.getByRole('heading', { name: 'Lantern Stair' })).toBeVisible();
    expect(await readFile(await exportAll(), 'utf8')).toBe(await readFile(before, 'utf8'));
  });
});
