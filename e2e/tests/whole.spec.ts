import { AxeBuilder } from '@axe-core/playwright';
import { readdirSync } from 'node:fs';
import { connect } from 'node:net';
import { gzipSync } from 'node:zlib';
import { choose, expect, leaveFields, open, test } from './player.js';

const PLACES = [
  ['Wheel', '1'],
  ['Neck', '2'],
  ['Weave', '3'],
  ['Practise', '4'],
  ['Logbook', '6'],
  ['Shelf', '7'],
] as const;

const SIZES = [
  [1280, 800],
  [1024, 768],
  [390, 844],
] as const;
/** Panels of the Weave, with something that stands in each of them. */
const WEAVE_TABS = {
  Chart: '.cm-content',
  Comping: 'app-comp-panel section',
  Bass: 'app-bass-panel li',
  Form: '.order li',
  Conflicts: 'app-conflicts-panel .answers',
  Keys: 'app-keys-panel li',
  Files: 'app-files-out button',
};
const TABS = ['Findings', 'Accents', 'Fit', 'Line', 'Drills', 'Shape', 'Cycle'];

for (const theme of ['light', 'dark'] as const) {
  for (const [name, key] of PLACES)
    test(`axe finds no fault: ${name}, ${theme}`, async ({ player: page }) => {
      test.setTimeout(120_000);
      await page.emulateMedia({ colorScheme: theme });
      await page.keyboard.press(key);
      await expect(page).toHaveTitle(`${name} · Ruffle Wheel`);
      // A place comes part by part.
      await expect(page.locator('main h1')).toHaveCount(1);
      await clean(page);
    });
  test(`axe finds no fault of any weight: everything beside the wheel, ${theme}`, async ({ player: page }) => {
    test.setTimeout(420_000);
    await page.emulateMedia({ colorScheme: theme });
    for (const tab of TABS) {
      await page.getByRole('tab', { name: tab }).click();
      if (tab === 'Line') {
        await page.getByLabel('Line by strings').fill('33322211a1');
        await expect(page.getByRole('button', { name: /Note 9/ })).toBeVisible();
      }
      await clean(page, '.side');
    }
    await page.keyboard.press('Escape');
    await page.keyboard.press('2');
    await expect(page).toHaveTitle('Neck · Ruffle Wheel');
    await page.keyboard.press('f');
    await expect(page.getByLabel('Chord symbol')).toBeFocused();
    await page.keyboard.type('E7b9');
    await expect(page.getByRole('heading', { name: 'Easier, and what is lost' })).toBeVisible();
    await clean(page, '.side');
    await page.getByRole('tab', { name: 'Row' }).click();
    await page.getByLabel('Chords in order').fill('Am7 D7');
    await expect(page.getByRole('button', { name: 'Take over: 1' })).toBeVisible();
    await clean(page, '.side');
    await page.getByRole('tab', { name: 'Melody' }).click();
    await page.getByLabel('Melody by note names').fill('e4 f4 g4 [e3 g4] a4');
    await expect(page.getByRole('button', { name: 'Take over: 1' })).toBeVisible();
    await clean(page, '.side');
  });
  test(`axe finds no fault of any weight: everything beside the weave, ${theme}`, async ({ player: page }) => {
    test.setTimeout(240_000);
    await page.emulateMedia({ colorScheme: theme });
    await choose(page, 'Study', 'Harbour Lamps');
    await page.keyboard.press('3');
    for (const [tab, shown] of Object.entries(WEAVE_TABS)) {
      await page.getByRole('tab', { name: tab }).click();
      await expect(page.locator('.side').locator(shown).first()).toBeVisible();
      await clean(page, '.side');
    }
  });
}

/** axe finds nothing on a desk, a tablet and a phone. */
async function clean(page: import('@playwright/test').Page, part?: string) {
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    const axe = new AxeBuilder({ page });
    const { violations } = await (part ? axe.include(part) : axe).analyze();
    const found = violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
    expect({ width, found }).toEqual({ width, found: [] });
  }
  await page.setViewportSize({ width: 1280, height: 800 });
}

/** The first script chooses the language and then fetches the program: by this name. */
const startOf = (main: string): string => /\.then\(.*import\("\.\/(chunk-[A-Z0-9]+\.js)"\)/s.exec(main)?.[1] ?? '';

test('the initial download stays under 205 kB compressed, and places are lazy', async ({ page, request }) => {
  const text = async (path: string) => (await request.get(`/${path}`)).text();
  const html = await text('');
  const files = new Set([...html.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((m) => m[1] ?? ''));
  const main = [...files].find((f) => f.startsWith('main-')) ?? '';
  files.add(startOf(await text(main)));
  let bytes = gzipSync(html).length;
  // What a file imports is fetched with it; what it fetches later is not.
  for (const file of files) {
    const code = await text(file);
    bytes += gzipSync(code).length;
    for (const m of code.matchAll(/(?:^|[;}\s])(?:import|export)(?:[^"'();]*from)?"\.\/(chunk-[A-Z0-9]+\.js)"/g))
      files.add(m[1] ?? '');
  }
  expect(files.size).toBeGreaterThan(10);
  expect(bytes).toBeLessThan(205_000);
  const asked: string[] = [];
  page.on('request', (r) => asked.push(new URL(r.url()).pathname));
  await page.goto('/shelf');
  await expect(page.getByRole('heading', { name: 'Lantern Stair' })).toBeVisible();
  const before = asked.length;
  await page.keyboard.press('6');
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
  expect(asked.slice(before).some((p) => /chunk-.*\.js$/.test(p))).toBe(true);
  expect(asked.filter((p) => !p.startsWith('/'))).toEqual([]);
});

test('each worker stays within its budget', async ({ player: page, request }) => {
  await page.getByRole('tab', { name: 'Fit' }).click();
  await expect(page.getByRole('heading', { name: 'Best chains' })).toBeVisible();
  const budgets: Record<string, number> = { reading: 104_000, solver: 108_000, keeper: 125_000, exchange: 220_000 };
  for (const worker of page.workers()) {
    const name = await worker.evaluate(() => (globalThis as unknown as { name: string }).name);
    const bytes = gzipSync(await (await request.get(worker.url())).body()).length;
    expect(bytes, name).toBeLessThan(budgets[name] ?? 0);
  }
  expect(page.workers().length).toBeGreaterThan(1);
});

test('the server is strict: policy, health, compression, caching by hash, plain 404', async ({ request }) => {
  const index = await request.get('/', { headers: { accept: 'text/html' } });
  const policy = index.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("script-src 'self';");
  expect(policy).toContain("object-src 'none'");
  expect(policy).not.toContain('unsafe-eval');
  expect(policy).not.toContain('blob:');
  expect(index.headers()['cache-control']).toBe('no-cache');
  expect(await (await request.get('/health')).json()).toEqual({ ok: true });
  const main = /src="(main-[A-Z0-9]+\.js)"/.exec(await index.text())?.[1] ?? '';
  // The first script chooses the language and fetches the rest.
  const start = startOf(await (await request.get(`/${main}`)).text());
  const script = await request.get(`/${start}`, { headers: { 'accept-encoding': 'gzip' } });
  expect(script.headers()['cache-control']).toContain('immutable');
  expect(script.headers()['content-encoding']).toBe('gzip');
  expect((await request.get('/nothing.js')).status()).toBe(404);
  expect((await request.get('/nowhere', { headers: { accept: 'text/html' } })).status()).toBe(404);
  const odd = await request.get('/%E0%A4%A');
  expect([odd.status(), await odd.text()]).toEqual([400, 'Bad request']);
  expect((await request.get(`/${main}.map`)).status()).toBe(404);
  expect(index.headers()['permissions-policy']).toContain('camera=()');
  // One rule on frames, said twice.
  expect([index.headers()['x-frame-options'], policy.includes("frame-ancestors 'none'")]).toEqual(['DENY', true]);
  expect((await request.get('/practise', { headers: { accept: 'text/html' } })).status()).toBe(200);
  // Folders are no addresses; what is there can only be read.
  expect((await request.get('/demo', { maxRedirects: 0 })).status()).toBe(404);
  for (const known of ['/', '/wheel', '/health', `/${main}`, '/demo/residency.json']) {
    const sent = await request.post(known, { data: 'x' });
    expect([known, sent.status(), sent.headers()['allow']]).toEqual([known, 405, 'GET, HEAD']);
  }
  expect((await request.put('/nowhere', { data: 'x' })).status()).toBe(404);
  expect((await request.head('/wheel')).status()).toBe(200);
});

test('fonts and the worklet are cached by the hash in their names', async ({ request }) => {
  const media = readdirSync('../web/dist/browser/media');
  for (const kind of [/^mixer\.worklet-[A-Z0-9]{8}\.js$/, /\.otf$/, /\.woff$/]) {
    const name = media.find((f) => kind.test(f)) ?? String(kind);
    const file = await request.get(`/media/${name}`);
    const { 'cache-control': cache, 'content-type': type } = file.headers();
    expect([name, file.status(), cache]).toEqual([name, 200, 'public, max-age=31536000, immutable']);
    if (name.endsWith('.js')) expect(type).toContain('javascript');
  }
});

test('a request that never comes whole is closed', async ({ baseURL }) => {
  const { port } = new URL(baseURL ?? '');
  const began = Date.now();
  const socket = connect(Number(port), '127.0.0.1');
  socket.write('GET / HTTP/1.1\r\nHost: localhost\r\nX-Half: ');
  await new Promise((resolve) =>
    socket
      .on('close', resolve)
      .on('error', () => undefined)
      .resume(),
  );
  expect(Date.now() - began).toBeGreaterThan(5_000);
  expect(Date.now() - began).toBeLessThan(20_000);
});

test('an address in other letters is the place it means', async ({ page }) => {
  await page.goto('/Shelf');
  await expect(page).toHaveURL(/\/shelf$/);
  await expect(page.getByRole('heading', { name: 'Lantern Stair' })).toBeVisible();
});

test('after an update of the program the page asks to be loaded anew', async ({ page }) => {
  await open(page);
  // The parts of this page's program are gone, and the server begins with another script.
  await page.route(/chunk-.*\.js$/, (route) => route.fulfill({ status: 404, body: 'Not found' }));
  await page.route(/\/index\.html$/, async (route) => {
    const text = await (await route.fetch()).text();
    await route.fulfill({ body: text.replace(/main-[A-Z0-9]{8}\.js/g, 'main-NEWBUILD.js'), contentType: 'text/html' });
  });
  await page.keyboard.press('6');
  await expect(page.getByText('There is a new version of the program')).toBeVisible();
  await expect(page.getByText('Check the connection')).toHaveCount(0);
  await page.unroute(/chunk-.*\.js$/);
  await page.getByRole('button', { name: 'Reload', exact: true }).click();
  await expect(page).toHaveTitle('Logbook · Ruffle Wheel');
});

for (const [width, height] of [
  [1024, 768],
  [390, 844],
] as const)
  test(`nothing is wider than the window at ${width}x${height}`, async ({ player: page }) => {
    await page.setViewportSize({ width, height });
    for (const [name, key] of PLACES) {
      await leaveFields(page);
      await page.keyboard.press(key);
      await expect(page).toHaveTitle(`${name} · Ruffle Wheel`);
      const wide = await page.evaluate(() => {
        const main = document.querySelector('main');
        return Math.max(
          document.documentElement.scrollWidth - innerWidth,
          (main?.scrollWidth ?? 0) - (main?.clientWidth ?? 0),
        );
      });
      expect(wide, name).toBeLessThanOrEqual(1);
    }
  });
