import type { Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import {
  choose,
  expect,
  leaveFields,
  listen,
  newStudy,
  open,
  saved,
  test,
  pressBeforeNews,
  ofStudy,
  ofShelf,
} from './player.js';

const file = (name: string, text: string | Buffer) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(text),
});

test('hostile, huge, truncated and later files are refused in words, and nothing stored changes', async ({
  player: page,
}) => {
  await page.keyboard.press('7');
  const download = page.waitForEvent('download');
  await ofStudy(page, 'Lantern Stair', 'Export');
  const good = await readFile(await (await download).path(), 'utf8');
  const take = page.getByLabel('Import a file');
  const said = page.getByRole('alert');
  const studies = page.locator('.rows h3');

  await take.setInputFiles(file('cut.json', good.slice(0, good.length / 2)));
  await expect(said).toContainText('breaks off before its end');
  await take.setInputFiles(file('diary.json', 'Dear diary'));
  await expect(said).toContainText('it is no JSON');
  await take.setInputFiles(file('other.json', '{"a":1}'));
  await expect(said).toContainText('no study file of Ruffle Wheel');
  await take.setInputFiles(file('later.json', good.replace(/"version": \d+/, '"version": 9')));
  await expect(said).toContainText('version 9; this Ruffle Wheel reads up to 4');
  await take.setInputFiles(file('faulty.json', good.replace('"capo": 0', '"capo": 77')));
  await expect(said).toContainText('a fault; nothing was taken');
  await said.getByText('What is wrong in the file').click();
  await expect(said).toContainText('studies[0].instrument.capo');
  await expect(studies).toHaveCount(5);

  // 200 MB would be slow to hand over; a file that only says so is refused before it is read.
  await page.evaluate(() => {
    const field = document.querySelector<HTMLInputElement>('input[type=file]');
    const huge = new File(['{}'], 'huge.json');
    Object.defineProperty(huge, 'size', { value: 200 * 1024 * 1024 });
    Object.defineProperty(field, 'files', { value: [huge], configurable: true });
    field?.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await expect(said).toContainText('200 MB; 20 MB is the most');
  await expect(studies).toHaveCount(5);
});

/** The sections that there are to choose from. */
async function sections(page: Page, n: number) {
  await page.getByRole('combobox', { name: 'Section', exact: true }).click();
  await expect(page.getByRole('option')).toHaveCount(n);
  await page.keyboard.press('Escape');
}

/** In the Weave’s form; undone by the notice’s button. */
async function addsSections(page: Page) {
  await leaveFields(page);
  await page.keyboard.press('3');
  await page.keyboard.press('f');
  await page.getByText('Sections: name, add').click();
  await page.getByRole('button', { name: 'Add a section' }).click();
  await sections(page, 5);
  await page.getByLabel('Name of the open section').fill('Cola');
  await page.getByLabel('Name of the open section').press('Enter');
  await page.getByRole('button', { name: 'Delete Cola' }).click();
  await sections(page, 4);
  await leaveFields(page);
  await page.keyboard.press('7');
}
test('script tags in names are shown as the text they are', async ({ player: page }) => {
  await page.keyboard.press('7');
  const download = page.waitForEvent('download');
  await ofStudy(page, 'Lantern Stair', 'Export');
  const good = await readFile(await (await download).path(), 'utf8');
  const name = '<img src=x onerror=alert(1)><script>alert(2)</script>';
  const hostile = good
    .replace('"name": "Lantern Stair"', `"name": ${JSON.stringify(name)}`)
    .replace(/"id": "lantern-stair"/g, '"id": "hostile"');
  await page.getByLabel('Import a file').setInputFiles(file('hostile.json', hostile));
  await expect(page.getByRole('heading', { name })).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Study', exact: true })).toHaveText(name);
  await page.keyboard.press('1');
  await expect(page.locator('img')).toHaveCount(0);
});

test('copy, rename, search, sections', async ({ player: page }) => {
  await page.keyboard.press('7');
  await ofStudy(page, 'Salt Rope', 'Copy');
  await expect(page.getByRole('heading', { name: 'Salt Rope 2' })).toBeVisible();
  await ofStudy(page, 'Salt Rope 2', 'Rename');
  await expect(page.getByLabel('Name of this study')).toBeFocused();
  await page.keyboard.type('Wet Rope');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Wet Rope' })).toBeVisible();
  // What is searched for may stand in the name, in a cycle, or in the name of a section.
  await page.getByLabel('Search studies').fill('rope WET');
  await expect(page.locator('.rows h3')).toHaveText([/Wet Rope/]);
  await page.getByLabel('Search studies').fill('FANDÁNGO');
  await expect(page.locator('.rows h3')).toHaveText([/Slack Water/]);
  await page.getByLabel('Search studies').fill('no such');
  await expect(page.getByText('No study is called so')).toBeVisible();
  await page.getByLabel('Search studies').fill('');
  await addsSections(page);
  await saved(page);
});

test('new, delete with undo, all cleared, demo back', async ({ player: page }) => {
  await page.keyboard.press('7');
  await ofStudy(page, 'Salt Rope', 'Delete');
  await expect(page.getByRole('heading', { name: 'Salt Rope' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Salt Rope' })).toBeVisible();
  await newStudy(page);
  await ofShelf(page, 'Clear everything');
  await page.getByRole('dialog').getByRole('button', { name: 'Clear everything' }).click();
  await expect(page.getByText('The shelf is empty.')).toBeVisible();
  await ofShelf(page, 'Bring the demo data back');
  await expect(page.locator('.rows h3')).toHaveCount(5);
});

test('hands: limits change the figures, the little finger is spelt as the player does', async ({ player: page }) => {
  await page.keyboard.press('7');
  await page.getByLabel('i', { exact: true }).fill('320');
  await page.getByLabel('i', { exact: true }).press('Enter');
  await expect(page.locator('.ceiling')).toHaveText(/ceiling\s+187 · i/);
  await choose(page, 'Little finger is written', 'ch');
  await page.getByLabel('I have read this').uncheck();
  await page.reload();
  await expect(page.locator('.ceiling')).toHaveText(/187/);
  await expect(page.getByLabel('I have read this')).not.toBeChecked();
});

test('two tabs do not overwrite each other silently', async ({ player: page, context }) => {
  const complaints: string[] = [];
  const other = await context.newPage();
  listen(other, complaints);
  await open(other);
  await leaveFields(page);
  await page.keyboard.press(']');
  await saved(page);
  const tempo = (p: typeof page) => p.getByRole('spinbutton', { name: /Counts a minute/ });
  await expect(tempo(other)).toHaveValue('192');

  // Both change it within the same moment: the slower one is asked.
  await pressBeforeNews(page, ']', other, '[');
  const asked = async (p: typeof page) => (await p.getByText('Another tab has changed this study').count()) > 0;
  await expect(async () => expect((await asked(page)) || (await asked(other))).toBe(true)).toPass();
  const late = (await asked(page)) ? page : other;
  await late.getByRole('button', { name: 'Keep mine as a copy' }).click();
  await expect(late.getByRole('combobox', { name: 'Study', exact: true })).toHaveText('Lantern Stair 2');
  expect(complaints).toEqual([]);
});

test('Ctrl+S exports the open study', async ({ player: page }) => {
  const download = page.waitForEvent('download');
  await page.keyboard.press('Control+s');
  expect((await download).suggestedFilename()).toBe('Lantern Stair.ruffle.json');
});

test('the demo goes in one step, with its sessions and hands, and comes back by one', async ({ player: page }) => {
  await newStudy(page);
  await ofShelf(page, 'Remove the demo');
  await expect(page.getByText('The demo is removed.')).toBeVisible();
  await expect(page.locator('.rows h3')).toHaveText([/Soleá/]);
  await page.keyboard.press('6');
  await expect(page.getByText('70 sessions')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByText('70 sessions')).toBeVisible();
  await page.keyboard.press('7');
  await expect(page.locator('.rows h3')).toHaveCount(6);
});
