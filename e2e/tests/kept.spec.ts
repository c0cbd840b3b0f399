import { AxeBuilder } from '@axe-core/playwright';
import { readFile } from 'node:fs/promises';
import { chromium, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  expect,
  leaveFields,
  listen,
  newStudy,
  open,
  pressBeforeNews,
  reload,
  saved,
  test,
  writeScript,
  markPass,
  ofStudy,
  ofShelf,
} from './player.js';

const script = (page: Page) => page.getByRole('textbox', { name: 'Hand script' });
const tempo = (page: Page) => page.getByRole('spinbutton', { name: /Counts a minute/ });
/** Storage refuses every write from now on, until `takes` is set. */
const refuse = (page: Page) =>
  page.evaluate(() => {
    const page = globalThis as { takes?: boolean };
    page.takes = false;
    const store = IDBObjectStore.prototype as unknown as Record<string, (...args: unknown[]) => unknown>;
    for (const method of ['put', 'add', 'delete']) {
      const real = store[method];
      store[method] = function (this: unknown, ...args: unknown[]) {
        if (!page.takes) throw new DOMException('no room', 'QuotaExceededError');
        return real?.apply(this, args);
      };
    }
  });
const takeAgain = (page: Page) => page.evaluate(() => ((globalThis as { takes?: boolean }).takes = true));
const exportAll = async (page: Page) => {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export everything' }).click();
  return readFile(await (await download).path(), 'utf8');
};

/** A browser of its own, whose storage outlives it. */
const browserIn = (folder: string, baseURL: string | undefined) =>
  chromium.launchPersistentContext(folder, {
    executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
    baseURL: baseURL ?? '',
    viewport: { width: 1280, height: 800 },
  });

test('an edit survives a reload in the same moment, and one right after it', async ({ player: page }) => {
  for (const wait of [0, 0, 5, 15, 40, 120]) {
    const before = Number(await tempo(page).inputValue());
    await leaveFields(page);
    await page.keyboard.press(']');
    await page.waitForTimeout(wait);
    await page.reload();
    // The ladder's step.
    await expect(tempo(page)).toHaveValue(String(before + 8));
  }
  // Typing too, in the middle of it.
  await script(page).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('ed ad md id');
  await page.reload();
  await expect(script(page)).toHaveText('ed ad md id');
});

test('closing the tab in the moment of an edit loses nothing; the next one has it', async ({
  player: page,
  context,
}) => {
  await writeScript(page, 'ed ad md');
  await page.close({ runBeforeUnload: true });
  const next = await context.newPage();
  await next.goto('/');
  await expect(script(next)).toHaveText('ed ad md');
});

test('a browser that is killed keeps everything that was called saved', async ({ baseURL }) => {
  test.setTimeout(120_000);
  const folder = mkdtempSync(join(tmpdir(), 'ruffle-'));
  const start = () => browserIn(folder, baseURL);
  try {
    for (const text of ['p i m', 'p i m a', 'ed ad']) {
      const context = await start();
      const page = context.pages()[0] ?? (await context.newPage());
      await page.goto('/');
      await writeScript(page, text);
      await saved(page);
      const session = await context.newCDPSession(page);
      await Promise.race([
        session.send('Browser.crash' as never).catch(() => undefined),
        page.waitForTimeout(2_000).catch(() => undefined),
      ]);
      await context.close().catch(() => undefined);
      const again = await start();
      const next = again.pages()[0] ?? (await again.newPage());
      await next.goto('/');
      await expect(script(next)).toHaveText(text);
      await again.close();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('an edit is there after a kill in the moment it was made', async ({ baseURL }) => {
  test.setTimeout(120_000);
  const folder = mkdtempSync(join(tmpdir(), 'ruffle-'));
  const start = () => browserIn(folder, baseURL);
  try {
    const context = await start();
    const page = context.pages()[0] ?? (await context.newPage());
    await page.goto('/');
    await saved(page);
    const before = Number(await tempo(page).inputValue());
    await leaveFields(page);
    // The page hangs right after the key: nothing more of it can be stored by itself.
    await page.evaluate(() => {
      document.addEventListener('keyup', () => {
        const until = performance.now() + 20_000;
        while (performance.now() < until);
      });
    });
    const session = await context.newCDPSession(page);
    void page.keyboard.press(']').catch(() => undefined);
    await new Promise((resolve) => setTimeout(resolve, 250));
    await Promise.race([
      session.send('Browser.crash' as never).catch(() => undefined),
      new Promise((resolve) => setTimeout(resolve, 2_000)),
    ]);
    await context.close().catch(() => undefined);
    const again = await start();
    const next = again.pages()[0] ?? (await again.newPage());
    await next.goto('/');
    await expect(tempo(next)).toHaveValue(String(before + 8));
    await again.close();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('tables that something else holds: it is said who, nothing is called saved, and they open when it lets go', async ({
  page,
  context,
}) => {
  const complaints: string[] = [];
  const holder = await context.newPage();
  await holder.goto('/health');
  await holder.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const asked = indexedDB.open('ruffle-wheel', 1);
        asked.onsuccess = () => {
          (globalThis as { held?: IDBDatabase }).held = asked.result;
          resolve();
        };
      }),
  );
  listen(page, complaints);
  await page.goto('/');
  await expect(page.locator('.saved')).toHaveText('Opening your shelf…');
  await expect(page.getByRole('heading', { name: 'Opening your shelf…' })).toBeVisible();
  await expect(page.getByText('Another tab or window')).toBeVisible();
  await holder.evaluate(() => (globalThis as { held?: IDBDatabase }).held?.close());
  await expect(page.locator('.saved')).toHaveText('Saved');
  await expect(script(page)).toBeVisible();
  expect(complaints).toEqual([]);
});

test('taking back over what another tab has made since is a choice', async ({ player: page, context }) => {
  await leaveFields(page);
  const before = Number(await tempo(page).inputValue());
  await page.keyboard.press(']');
  await saved(page);
  const other = await context.newPage();
  await open(other);
  await writeScript(other, 'ed ad md');
  await saved(other);
  await expect(script(page)).toHaveText('ed ad md');
  await leaveFields(page);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Another tab has changed this study')).toBeVisible();
  await expect(script(other)).toHaveText('ed ad md');
  await page.getByRole('button', { name: 'Show theirs' }).click();
  await expect(script(page)).toHaveText('ed ad md');
  await expect(tempo(page)).toHaveValue(String(before + 8));
});

test('steady typing is stored while it goes on', async ({ player: page, context }) => {
  await script(page).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('p i m a '.repeat(6), { delay: 40 });
  const other = await context.newPage();
  await other.goto('/');
  await expect(script(other)).toContainText('p i m a p i m a p i m a');
});

test('storage that refuses: everything stays here, is said, is in both exports, and is stored when it takes again', async ({
  player: page,
}) => {
  await refuse(page);
  await writeScript(page, 'ed ad md');
  await expect(page.locator('.saved')).toContainText('Not saved: the browser’s storage refuses');
  await newStudy(page);
  await ofStudy(page, 'Salt Rope', 'Copy');
  await page.getByLabel('i', { exact: true }).fill('321');
  await page.getByLabel('i', { exact: true }).press('Enter');
  await page.getByLabel('m', { exact: true }).fill('322');
  await page.getByLabel('m', { exact: true }).press('Enter');
  const text = await exportAll(page);
  for (const kept of ['ed ad md', 'Soleá', 'Salt Rope 2', '"i": 321', '"m": 322']) expect(text).toContain(kept);
  // Leaving is asked about.
  const asked = page.waitForEvent('dialog');
  await page.evaluate(() => setTimeout(() => location.reload()));
  const dialog = await asked;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.dismiss();
  await takeAgain(page);
  await expect(page.locator('.saved')).toHaveText('Saved', { timeout: 40_000 });
  await reload(page);
  await page.keyboard.press('7');
  for (const name of ['Soleá', 'Salt Rope 2']) await expect(page.getByRole('heading', { name })).toBeVisible();
  await expect(page.getByLabel('m', { exact: true })).toHaveValue('322');
});

test('a session in hand is in the logbook after a reload in the middle of it', async ({ player: page }) => {
  await page.keyboard.press('4');
  await expect(page).toHaveTitle('Practise · Ruffle Wheel');
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Stop and write down (Space)' })).toBeVisible();
  await page.keyboard.press('c');
  for (const key of ['PageDown', 'PageDown', 'PageUp'] as const) await markPass(page, key);
  await reload(page);
  await page.keyboard.press('6');
  await expect(page.getByRole('row', { name: /Lantern Stair · Rasgueado .* 2 of 3 \(67 %\)/ })).toHaveCount(1);
});

test('every deletion has its own way back, by key, however many there were', async ({ player: page }) => {
  await page.keyboard.press('7');
  const rows = page.locator('.rows h3');
  await expect(rows).toHaveCount(5);
  await ofStudy(page, 'Salt Rope', 'Delete');
  await ofStudy(page, 'Slack Water', 'Delete');
  await ofStudy(page, 'Lantern Stair', 'Delete');
  await expect(rows).toHaveCount(2);
  for (const n of [3, 4, 5]) {
    await page.keyboard.press('Control+z');
    await expect(rows).toHaveCount(n);
  }
  // The bin outlives the page.
  await ofStudy(page, 'Salt Rope', 'Delete');
  await saved(page);
  await page.reload();
  await page.getByText('Deleted and replaced (1)').click();
  await page.getByRole('button', { name: 'Put back Salt Rope' }).click();
  await expect(rows).toHaveCount(5);
});

test('a file with other versions of own studies asks; the demo data too', async ({ player: page }) => {
  await writeScript(page, 'ed ad md');
  await page.keyboard.press('7');
  await ofShelf(page, 'Bring the demo data back');
  const question = page.getByRole('dialog', { name: 'Your shelf has these otherwise' });
  await expect(question).toContainText('study Lantern Stair');
  await page.keyboard.press('Escape');
  await expect(question).toHaveCount(0);
  await ofShelf(page, 'Bring the demo data back');
  await question.getByRole('button', { name: 'Keep both' }).click();
  await expect(page.getByRole('heading', { name: 'Lantern Stair 2' })).toBeVisible();
  await ofShelf(page, 'Bring the demo data back');
  await question.getByRole('button', { name: 'Replace mine' }).click();
  await page.keyboard.press('1');
  await expect(script(page)).not.toHaveText('ed ad md');
  await page.keyboard.press('7');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('1');
  await expect(script(page)).toHaveText('ed ad md');
});

test('two tabs: settings of both stay, a deletion there is said here, and a choice left open waits', async ({
  player: page,
  context,
}) => {
  const complaints: string[] = [];
  const other = await context.newPage();
  listen(other, complaints);
  await open(other);
  await leaveFields(page);
  await page.getByRole('button', { name: /^Light/ }).click();
  await other.keyboard.press('l');
  await expect(other.locator('html')).toHaveAttribute('data-theme', 'day');
  await other.reload();
  await expect(other.locator('html')).toHaveAttribute('data-theme', 'day');
  await expect(other.getByRole('button', { name: 'Loop (L)' })).toHaveAttribute('aria-pressed', 'false');

  await other.keyboard.press('7');
  await ofStudy(other, 'Lantern Stair', 'Delete');
  await expect(page.getByText('Another tab has deleted this study')).toBeVisible();
  await expect(page.locator('.saved')).toHaveText('Deleted in another tab');
  await page.getByRole('button', { name: 'Keep it', exact: true }).click();
  await saved(page);
  await expect(other.getByRole('heading', { name: 'Lantern Stair' })).toBeVisible();

  // Both are quicker than each other’s news: what the slower one made waits, over a reload too.
  await other.getByRole('button', { name: 'Open Lantern Stair' }).click();
  await pressBeforeNews(page, ']', other, '[');
  const asked = async (p: Page) => (await p.getByText('Another tab has changed this study').count()) > 0;
  await expect(async () => expect((await asked(page)) || (await asked(other))).toBe(true)).toPass();
  const late = (await asked(page)) ? page : other;
  await late.reload();
  await expect(late.getByText('Another tab has changed this study')).toBeVisible();
  await late.getByRole('button', { name: 'Show theirs' }).first().click();
  await late.keyboard.press('7');
  await expect(late.getByText(/^Deleted and replaced/)).toBeVisible();
  expect(complaints).toEqual([]);
});

test('a shelf with damage opens: what is whole is there, what is not is listed, exported and mended', async ({
  player: page,
}) => {
  await saved(page);
  await page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const asked = indexedDB.open('ruffle-wheel');
      asked.onsuccess = () => resolve(asked.result);
      asked.onerror = () => reject(new Error('no database'));
    });
    const transaction = db.transaction(['studies', 'settings'], 'readwrite');
    const studies = transaction.objectStore('studies');
    const get = (id: string) =>
      new Promise<{ id: string; study: object }>((resolve) => {
        const asked = studies.get(id);
        asked.onsuccess = () => resolve(asked.result as never);
      });
    const [rope, water] = [await get('salt-rope'), await get('slack-water')];
    studies.put({ ...rope, savedAt: 'the day before', revision: 'many' });
    studies.put({ ...rope, id: 'elsewhere' });
    studies.put({ ...water, study: { ...water.study, capo: 99 } });
    await new Promise((resolve) => (transaction.oncomplete = resolve));
    db.close();
  });
  await reload(page);
  await page.keyboard.press('7');
  await expect(page.locator('.rows h3')).toHaveCount(4);
  await expect(page.locator('app-unread li')).toHaveCount(2);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export slack-water' }).click();
  expect(await readFile(await (await download).path(), 'utf8')).toContain('"capo": 99');
  await page.getByRole('button', { name: 'Mend slack-water' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Mend' }).click();
  await expect(page.locator('.rows h3')).toHaveCount(5);
  expect(await exportAll(page)).not.toContain('elsewhere');
  await expect(page.getByText(/Exported without what can’t be read.*elsewhere/)).toBeVisible();
  await page.getByRole('button', { name: 'Delete elsewhere' }).click();
  await expect(page.locator('app-unread li')).toHaveCount(0);
  // A revision that was no number makes no conflict.
  await page.getByRole('button', { name: 'Open Salt Rope' }).click();
  await page.keyboard.press(']');
  await saved(page);
});

test('an empty shelf is no blank page', async ({ player: page }) => {
  await page.keyboard.press('7');
  await ofShelf(page, 'Clear everything');
  await page.getByRole('dialog').getByRole('button', { name: 'Clear everything' }).click();
  await saved(page);
  await page.keyboard.press('1');
  await expect(page.getByRole('heading', { name: 'No study is open.' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'No study is open.' })).toBeVisible();
  await page.getByRole('button', { name: 'New study' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Begin' }).click();
  await expect(script(page)).toBeVisible();
});

test('letters typed before a field has the focus are that field’s', async ({ player: page }) => {
  await leaveFields(page);
  await page.keyboard.press('n');
  await page.keyboard.type('221144');
  await expect(page.getByLabel('Line by strings')).toHaveValue('221144');
  await expect(page).toHaveURL(/wheel/);
  await leaveFields(page);
  await page.keyboard.press('2');
  await page.keyboard.type('fAm7');
  await expect(page.getByLabel('Chord symbol')).toHaveValue('Am7');
  await leaveFields(page);
  // The editor of the script comes a moment after its place.
  await page.goto('/shelf');
  await expect(page.getByRole('heading', { name: 'Lantern Stair' })).toBeVisible();
  await page.keyboard.type('1szz ');
  await expect(script(page)).toContainText('zz');
});

test('limits are said where something is added, and nothing of it is kept', async ({ player: page }) => {
  await newStudy(page);
  await page.keyboard.press('1');
  // The place that is coming may still take the focus to itself.
  await expect(async () => {
    await script(page).click();
    await expect(script(page)).toBeFocused({ timeout: 1_000 });
  }).toPass();
  await page.evaluate(() => document.execCommand('insertText', false, 'p '.repeat(10_001)));
  await expect(page.getByText(/20000 letters at most; this would make 20002/)).toBeVisible();
  await expect(script(page)).toHaveText('');
  await leaveFields(page);
  await page.keyboard.press('3');
  await page.keyboard.press('f');
  await page.getByText('Sections: name, add').click();
  for (let n = 0; n < 31; n++) await page.getByRole('button', { name: 'Add a section' }).click();
  await page.getByRole('button', { name: 'Add a section' }).click();
  await expect(page.getByText(/32 sections at most/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Soleá' })).toBeVisible();
  await expect(page.locator('app-unread li')).toHaveCount(0);
});

test('a part of the program that can’t be fetched is said, and fetched again', async ({ page }) => {
  await open(page);
  await page.route(/chunk-.*\.js$/, (route) => route.abort());
  await page.keyboard.press('6');
  await expect(page.getByText('A part of the program could not be fetched')).toBeVisible();
  await page.unroute(/chunk-.*\.js$/);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page).toHaveTitle('Logbook · Ruffle Wheel');
  await expect(page.getByText('A part of the program could not be fetched')).toHaveCount(0);
});

test('a worker that dies is started again; one that can’t be is said', async ({ player: page }) => {
  const workers = page.workers().filter((w) => w.url().includes('worker'));
  expect(workers.length).toBeGreaterThan(0);
  await page.evaluate(() => {
    const worker = Worker.prototype as unknown as Record<string, (...args: unknown[]) => unknown>;
    const real = worker['postMessage'];
    let rejected = false;
    worker['postMessage'] = function (this: Worker, ...args: unknown[]) {
      if (rejected || !JSON.stringify(args[0] ?? '').includes('readAloud')) return real?.apply(this, args);
      rejected = true;
      setTimeout(() => this.dispatchEvent(new ErrorEvent('error', { cancelable: true })));
      return undefined;
    };
  });
  await writeScript(page, 'ed ad md id iu');
  await expect(page.getByRole('heading', { name: 'Comes round after 5 turns' })).toBeVisible();
});

test('without any storage the program works all the same, says so, and exports what is made', async ({ page }) => {
  const complaints: string[] = [];
  listen(page, complaints);
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('not here', 'SecurityError');
    };
  });
  await page.goto('/');
  await expect(page.getByText('Your shelf can’t be read')).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).include('.trouble').analyze();
  expect(violations.map((v) => v.id)).toEqual([]);
  await expect(page.locator('.saved')).toHaveText('Opening your shelf…');
  await writeScript(page, 'ed ad md');
  await expect(page.locator('.saved')).toContainText('Not saved');
  const download = page.waitForEvent('download');
  await page.keyboard.press('Control+s');
  expect(await readFile(await (await download).path(), 'utf8')).toContain('"script": "ed ad md"');
  expect(complaints).toEqual([]);
});
