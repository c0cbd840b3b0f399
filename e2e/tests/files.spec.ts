import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { choose, expect, leaveFields, saved, test, ofShelf, ofStudy } from './player.js';

const panel = (page: Page) => page.locator('app-files-panel');
async function toFiles(page: Page, study: string, section: string) {
  await choose(page, 'Study', study);
  await choose(page, 'Section', section);
  await leaveFields(page);
  await page.keyboard.press('3');
  await expect(page.locator('.says')).toContainText('Bar 1 of');
  await page.keyboard.press('y');
  await expect(panel(page)).toContainText('Save the file');
}
/** Saves what is chosen, by the key. @returns its name and its bytes */
async function save(page: Page) {
  const download = page.waitForEvent('download');
  await panel(page).getByRole('button', { name: 'Save the file' }).press('Enter');
  const file = await download;
  return { name: file.suggestedFilename(), bytes: await readFile(await file.path()), path: await file.path() };
}
const dialog = (page: Page) => page.getByRole('dialog');

test('a section goes out in every format, and its losses are said before', async ({ player: page }) => {
  test.setTimeout(90_000);
  await toFiles(page, 'Slack Water', 'Shore');
  const stand = await save(page);
  expect(stand.name).toBe('Slack Water Shore.pdf');
  expect(stand.bytes.subarray(0, 5).toString()).toBe('%PDF-');
  // Its letters are its own fonts’, and there is music in it.
  expect(stand.bytes.includes('/FontFile2')).toBe(true);
  expect(stand.bytes.length).toBeGreaterThan(30_000);
  await choose(page, 'As', 'Practice sheet (PDF)');
  await choose(page, 'Paper', 'Letter');
  const sheet = await save(page);
  expect(sheet.name).toBe('Slack Water Shore practice sheet.pdf');
  expect(sheet.bytes.toString('latin1')).toMatch(/\/MediaBox \[0 0 612\.? 792\.?\]/);
  await choose(page, 'As', 'MusicXML');
  const score = await save(page);
  expect(score.name).toBe('Slack Water Shore.musicxml');
  expect(score.bytes.toString()).toContain('<rehearsal>Shore</rehearsal>');
  await choose(page, 'As', 'MIDI');
  await expect(panel(page)).toContainText('Strings, frets and fingers of');
  expect((await save(page)).bytes.subarray(0, 4).toString()).toBe('MThd');
  await choose(page, 'As', 'Practice track (WAV)');
  await panel(page).getByRole('spinbutton', { name: 'Times round' }).fill('1');
  const wav = await save(page);
  expect([wav.name, wav.bytes.subarray(0, 4).toString()]).toEqual(['Slack Water Shore.wav', 'RIFF']);
  await choose(page, 'As', 'Tablature in plain text');
  await expect(panel(page)).toContainText('Left fingers of');
  await expect(panel(page).locator('pre')).toContainText('Slack Water');
  expect((await save(page)).name).toBe('Slack Water Shore.txt');
});

test('a whole piece goes out as a score and comes in again, as a study and into another; each is taken back', async ({
  player: page,
}) => {
  await toFiles(page, 'Harbour Lamps', 'Comping');
  await choose(page, 'What is written', 'The whole form');
  await choose(page, 'As', 'MusicXML, compressed');
  await expect(panel(page)).toContainText('It holds everything that is written here.');
  const { bytes } = await save(page);
  const file = { name: 'quay.mxl', mimeType: 'application/octet-stream', buffer: bytes };
  const read = () => panel(page).getByLabel('Read a score file…').last().setInputFiles(file);
  await read();
  await expect(dialog(page)).toContainText('Everything was understood.');
  await expect(dialog(page)).toContainText('Out to sea Bossa nova');
  await expect(dialog(page).getByRole('button', { name: 'A study of its own' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: 'Study' })).toContainText('Harbour Lamps');
  await expect(page.locator('.says')).toContainText('Bar 1 of 2');
  await saved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('combobox', { name: 'Section' })).toContainText('Comping');
  await choose(page, 'Study', 'Salt Rope');
  await leaveFields(page);
  await page.keyboard.press('y');
  await read();
  await dialog(page).getByRole('button', { name: 'Behind the sections of Salt Rope' }).press('Enter');
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByRole('combobox', { name: 'Section' })).toContainText('Bass in fifths');
  await leaveFields(page);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('combobox', { name: 'Section' })).not.toContainText('Bass in fifths');
  await saved(page);
});

test('files from elsewhere come in on the Shelf, or are refused in words; the log goes and comes as a table', async ({
  player: page,
}) => {
  await page.keyboard.press('7');
  await expect(page.getByRole('heading', { name: 'Lantern Stair' })).toBeVisible();
  const field = page.getByLabel('Import a file').last();
  const give = (name: string, text: string) =>
    field.setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  await give('tune.txt', ['e', 'B', 'G', 'D', 'A', 'E'].map((s) => `${s}|-0---2---3---5---|`).join('\n'));
  await expect(dialog(page)).toContainText('24 notes');
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toBeHidden();
  await give('bomb.xml', '<!DOCTYPE a [<!ENTITY b "c">]><score-partwise>&b;</score-partwise>');
  await expect(dialog(page)).toContainText('declares entities of its own');
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toBeHidden();
  const download = page.waitForEvent('download');
  await ofShelf(page, 'Log as a table');
  const table = await readFile(await (await download).path(), 'utf8');
  expect(table).toMatch(/^session,started,minutes,/);
  const [head, first] = table.split('\r\n');
  await give('log.csv', `${head}\r\n${first?.replace(/^[^,]+/, 'another')}`);
  await expect(page.getByText('1 session came in')).toBeVisible();
  await give('log.csv', 'a,b\n1,2');
  await expect(page.getByRole('alert')).toContainText('has no column started');
  await ofStudy(page, 'Salt Rope', 'Files');
  await expect(dialog(page)).toContainText('For the stand');
  await page.keyboard.press('Escape');
});
