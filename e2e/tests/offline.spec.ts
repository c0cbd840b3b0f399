import { cp, mkdtemp, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createHash } from 'node:crypto';
import { expect, listen, open, sounds, test } from './player.js';

test.use({ serviceWorkers: 'allow' });

// Built, and without types.
const { createApp } = (await import(String('../../server/dist/app.js'))) as {
  createApp: (root: string) => { listen: (port: number) => Server };
};
/** A server of its own, that a test can stop, of a copy of the built application that it can change. */
async function served(root: string): Promise<{ readonly address: string; readonly server: Server }> {
  const server = createApp(root).listen(0);
  await new Promise((ready) => server.once('listening', ready));
  return { address: `http://localhost:${(server.address() as AddressInfo).port}`, server };
}
const stop = (server: Server) =>
  new Promise<void>((stopped) => {
    server.close(() => stopped());
    server.closeAllConnections();
  });
async function copyOfTheApplication() {
  const root = await mkdtemp(join(tmpdir(), 'ruffle-wheel-'));
  await cp(join(import.meta.dirname, '../../web/dist/browser'), root, { recursive: true });
  return root;
}
/** Until everything that the program is made of lies in the browser. */
const kept = (page: import('@playwright/test').Page) =>
  expect(async () => {
    const all = await page.evaluate(async () => {
      const { hashTable } = (await (await fetch('ngsw.json')).json()) as { hashTable: Record<string, string> };
      const names = new Set<string>();
      for (const name of await caches.keys())
        for (const r of await (await caches.open(name)).keys()) names.add(new URL(r.url).pathname);
      return Object.keys(hashTable).filter((path) => !names.has(path));
    });
    expect(all).toEqual([]);
  }).toPass({ timeout: 60_000, intervals: [500] });

test('after the first load every place, a reload, a new study and the sound need no network', async ({ browser }) => {
  test.setTimeout(180_000);
  const { address, server } = await served(await copyOfTheApplication());
  const context = await browser.newContext({ baseURL: address, serviceWorkers: 'allow' });
  const page = await context.newPage();
  const complaints: string[] = [];
  listen(page, complaints);
  await open(page);
  await kept(page);
  await stop(server);
  await page.reload();
  await expect(page.getByRole('combobox', { name: 'Study', exact: true })).toHaveText('Lantern Stair');
  await expect(page.getByRole('heading', { name: /^Ceiling/ })).toBeVisible();
  await page.keyboard.press('Space');
  await sounds(page);
  await page.keyboard.press('Space');
  for (const [key, place] of [
    ['2', 'Neck'],
    ['3', 'Weave'],
    ['4', 'Practise'],
    ['6', 'Logbook'],
    ['7', 'Shelf'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page).toHaveTitle(`${place} · Ruffle Wheel`);
    await expect(page.locator('main h1')).toHaveCount(1);
  }
  await page.keyboard.press('3');
  for (const tab of ['Falseta', 'Comping', 'Bass', 'Form', 'Conflicts', 'Keys', 'Files']) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    await expect(page.getByRole('tabpanel').locator('[data-coming]')).toHaveCount(0);
  }
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /Save the file/ }).click();
  expect((await download).suggestedFilename()).toMatch(/^Lantern/);
  await page.keyboard.press('Escape');
  await page.keyboard.press('0');
  await expect(page.getByRole('dialog', { name: 'New study' })).toBeVisible();
  expect(complaints).toEqual([]);
  await context.close();
});

test('a new version is offered, not while something sounds, and comes with the reload', async ({ browser }) => {
  test.setTimeout(180_000);
  const root = await copyOfTheApplication();
  const { address, server } = await served(root);
  const context = await browser.newContext({ baseURL: address, serviceWorkers: 'allow' });
  const page = await context.newPage();
  await open(page);
  await kept(page);
  // The next build: another icon.
  const icon = join(root, 'favicon.svg');
  const drawn = (await readFile(icon, 'utf8')).replace('#a3233b', '#a3233c');
  await writeFile(icon, drawn);
  const table = join(root, 'ngsw.json');
  const manifest = JSON.parse(await readFile(table, 'utf8')) as {
    timestamp: number;
    hashTable: Record<string, string>;
  };
  manifest.timestamp += 1;
  manifest.hashTable['/favicon.svg'] = createHash('sha1').update(drawn).digest('hex');
  await writeFile(table, JSON.stringify(manifest));
  await page.keyboard.press('Space');
  await sounds(page);
  await page.evaluate(async () => {
    const { active } = await navigator.serviceWorker.ready;
    active?.postMessage({ action: 'CHECK_FOR_UPDATES', nonce: 1 });
  });
  const offer = page.getByText('A new version of the program is here.', { exact: false });
  await page.waitForTimeout(3_000);
  await expect(offer).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Stop/ })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(offer).toBeVisible();
  await page.getByRole('button', { name: 'Reload' }).click();
  await expect(offer).toHaveCount(0);
  await expect(page.getByRole('heading', { name: /^Ceiling/ })).toBeVisible();
  expect(await page.evaluate(async () => (await (await fetch('favicon.svg')).text()).includes('#a3233c'))).toBe(true);
  await context.close();
  await stop(server);
});

test('it can be installed: a manifest with icons that are as large as they say', async ({ page, request }) => {
  const manifest = (await (await request.get('/manifest.webmanifest')).json()) as {
    icons: { src: string; sizes: string; type: string; purpose: string }[];
    start_url: string;
    display: string;
  };
  expect(manifest).toMatchObject({ display: 'standalone', start_url: '/wheel' });
  await page.goto('/');
  for (const { src, sizes, type } of manifest.icons) {
    const answer = await request.get(src);
    expect(answer.headers()['content-type']).toContain(type);
    if (sizes === 'any') continue;
    const size = await page.evaluate(async (at) => {
      const image = new Image();
      image.src = at;
      await image.decode();
      return `${image.naturalWidth}x${image.naturalHeight}`;
    }, src);
    expect(size).toBe(sizes);
  }
  expect(manifest.icons.some((i) => i.purpose === 'maskable')).toBe(true);
});

test('from another device over plain http it says what it can’t do, and works', async ({ browser }) => {
  const server = createApp(join(import.meta.dirname, '../../web/dist/browser')).listen(0);
  await new Promise((ready) => server.once('listening', ready));
  const page = await browser.newPage({
    baseURL: `http://another-device.test:${(server.address() as AddressInfo).port}`,
  });
  await page.goto('/');
  await expect(page.getByRole('alert').filter({ hasText: 'plain http from another device' })).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Study', exact: true })).toHaveText('Lantern Stair');
  await page.getByRole('button', { name: 'Close' }).click();
  // An own study is made and kept.
  await page.keyboard.press('0');
  const dialog = page.getByRole('dialog', { name: 'New study' });
  await dialog.getByRole('option', { name: 'Soleá', exact: true }).click();
  await dialog.getByRole('option', { name: 'Nothing' }).click();
  await dialog.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('combobox', { name: 'Study', exact: true })).toHaveText('Soleá');
  await page.close();
  await stop(server);
});
