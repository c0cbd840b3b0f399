import type { Page } from '@playwright/test';
import { choose, open, test } from './player.js';

/** Bars of sixteen strokes, as many as a long section has. */
const BARS = 64;
const ROUNDS = 5;
const PLACES = { 1: 'Wheel', 2: 'Neck', 3: 'Weave', 4: 'Practise', 6: 'Logbook', 7: 'Shelf' };

const median = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;
const say = (what: string, longest: readonly number[]) =>
  console.log(`${what.padEnd(46)} median ${median(longest)} ms, worst ${Math.max(...longest)} ms  (under 50)`);

/** From now on the longest task since it was last asked for; 0 when none took 50 ms. */
async function watch(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    const tasks: number[] = [];
    (window as unknown as { tasks: number[] }).tasks = tasks;
    new PerformanceObserver((l) => l.getEntries().forEach((e) => tasks.push(Math.round(e.duration)))).observe({
      entryTypes: ['longtask'],
    });
  });
  return () =>
    page.evaluate(() => Math.max(0, ...(window as unknown as { tasks: number[] }).tasks.splice(0, Infinity)));
}

test('how long the page does not answer, by what the player does', async ({ page }) => {
  test.setTimeout(300_000);
  const opened: Record<string, number[]> = {};
  for (let round = 0; round < ROUNDS; round++) {
    // A new page each time: the first opening of a place is the longest.
    await open(page);
    const longest = await watch(page);
    for (const key of ['2', '3', '4', '6', '7', '1', '2', '1']) {
      await page.keyboard.press(key);
      await page.waitForTimeout(1_200);
      (opened[PLACES[key as unknown as keyof typeof PLACES]] ??= []).push(await longest());
    }
  }
  for (const [place, tasks] of Object.entries(opened)) say(`${place} opened, longest task`, tasks);

  await choose(page, 'Study', 'Last Boat South');
  const longest = await watch(page);
  const bar = (n: number) =>
    Array.from({ length: 16 }, (_, i) =>
      i % 4 === 0 ? 'p:b' : i % 4 === 3 ? `i:2f${(n % 4) + 1}=${(n % 4) + 1}` : 'm:3',
    ).join(' ');
  await page.getByRole('textbox', { name: 'Hand script' }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(Array.from({ length: BARS }, (_, n) => bar(n)).join(' '));
  await page.waitForTimeout(3_000);
  say(`${BARS} bars pasted`, [await longest()]);
  const keys: number[] = [];
  for (let n = 0; n < 30; n++) {
    await page.keyboard.type(' p');
    await page.waitForTimeout(300);
    keys.push(await longest());
  }
  say(`a keystroke in ${BARS} bars`, keys);
  await page.keyboard.press('Escape');
  await page.keyboard.press('3');
  await page.waitForTimeout(2_000);
  await longest();
  const scrolled: number[] = [];
  for (let n = 0; n < 12; n++) {
    await page.locator('cdk-virtual-scroll-viewport').evaluate((e) => (e.scrollTop += 600));
    await page.waitForTimeout(400);
    scrolled.push(await longest());
  }
  say(`the Weave scrolled, ${BARS} bars`, scrolled);
});

const NINE = 9;
test('from the key to the first sounds handed to the mixer, the first time and after', async ({ browser, baseURL }) => {
  test.setTimeout(300_000);
  const first: number[] = [];
  const after: number[] = [];
  for (let round = 0; round < NINE; round++) {
    const context = await browser.newContext({ baseURL });
    const page = await context.newPage();
    await page.addInitScript(() => {
      const times = { pressed: 0, handed: 0 };
      (window as unknown as { times: typeof times }).times = times;
      window.addEventListener('keydown', () => Object.assign(times, { pressed: performance.now(), handed: 0 }), true);
      const send = Object.getOwnPropertyDescriptor(MessagePort.prototype, 'postMessage')?.value as (
        ...told: unknown[]
      ) => void;
      MessagePort.prototype.postMessage = new Proxy(send, {
        apply: (own, port, told: unknown[]) => {
          const sounds = (told[0] as { kind?: string } | null)?.kind === 'sounds';
          if (sounds && !times.handed) times.handed = performance.now();
          return Reflect.apply(own, port, told);
        },
      });
    });
    await open(page);
    await page.waitForTimeout(1_500);
    for (const list of [first, after]) {
      await page.keyboard.press(' ');
      const handed = await page.waitForFunction(() => {
        const { times } = window as unknown as { times: { pressed: number; handed: number } };
        return times.handed ? times.handed - times.pressed : null;
      });
      list.push(Math.round((await handed.jsonValue()) ?? Infinity));
      await page.keyboard.press(' ');
      await page.waitForTimeout(500);
    }
    await context.close();
  }
  const said = (what: string, list: readonly number[], limit: number) =>
    console.log(`${what.padEnd(46)} median ${median(list)} ms, worst ${Math.max(...list)} ms  (under ${limit})`);
  said('Space to the mixer, the first time', first, 150);
  said('Space to the mixer, after that', after, 80);
});
