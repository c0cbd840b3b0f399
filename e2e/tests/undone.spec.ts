import { choose, expect, leaveFields, ofShelf, ofStudy, saved, test } from './player.js';
import type { Page } from '@playwright/test';

/** What is kept of studies, sessions, hands, cycles and cells, without when and how often it was saved. */
const kept = (page: Page): Promise<string> =>
  page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((done, failed) => {
      const asked = indexedDB.open('ruffle-wheel');
      asked.onsuccess = () => done(asked.result);
      asked.onerror = () => failed(new Error(asked.error?.message));
    });
    const inOrder = (_: string, value: unknown): unknown =>
      value !== null && typeof value === 'object' && !Array.isArray(value)
        ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
        : value;
    const rows: string[] = [];
    for (const table of ['studies', 'log', 'profiles', 'cycles', 'cells']) {
      const all = await new Promise<Record<string, unknown>[]>((done, failed) => {
        const asked = db.transaction(table).objectStore(table).getAll();
        asked.onsuccess = () => done(asked.result as Record<string, unknown>[]);
        asked.onerror = () => failed(new Error(asked.error?.message));
      });
      for (const row of all) rows.push(`${table} ${JSON.stringify(row['study'] ?? row, inOrder)}`);
    }
    db.close();
    return rows.sort().join('\n');
  });

interface Act {
  readonly what: string;
  readonly said: string | RegExp;
  readonly do: (page: Page) => Promise<void>;
}
const act = (what: string, said: Act['said'], act: Act['do']): Act => ({ what, said, do: act });
const press =
  (...keys: string[]): Act['do'] =>
  async (page) => {
    await leaveFields(page);
    for (const k of keys) await page.keyboard.press(k);
  };
/** Fills a field and leaves it. */
const fill =
  (label: string | RegExp, text: string): Act['do'] =>
  async (page) => {
    const field = page.getByLabel(label, { exact: typeof label === 'string' }).and(page.locator('input, textarea'));
    await field.first().fill(text);
    await field.first().press('Tab');
  };
const click =
  (name: string | RegExp): Act['do'] =>
  (page) =>
    page
      .getByRole('button', { name, exact: typeof name === 'string' })
      .first()
      .click();
const tab =
  (name: string, then: Act['do']): Act['do'] =>
  async (page) => {
    await page.getByRole('tab', { name, exact: true }).click();
    await then(page);
  };
const inTurn =
  (...acts: Act['do'][]): Act['do'] =>
  async (page) => {
    for (const a of acts) await a(page);
  };

/** The list of sections under the form is opened. */
const sections: Act['do'] = (page) =>
  page.locator('app-form-panel details').evaluate((d: HTMLDetailsElement) => void (d.open = true));

/** What changes what is kept, place by place, with what is said of it as it is taken back. */
const ACTS: Readonly<Record<string, readonly Act[]>> = {
  '1': [
    act('a stroke by key', 'stroke 1 of “Rasgueado”', press('ArrowRight', 'm')),
    act('a mark', 'stroke 1 of “Rasgueado”', press('ArrowRight', '!')),
    act('a rest', 'stroke 1 of “Rasgueado”', press('ArrowRight', '.')),
    act('faster', 'tempo of “Rasgueado”', press(']')),
    act('tempo typed', 'tempo of “Rasgueado”', fill(/Counts a minute/, '150')),
    act(
      'another cycle',
      /cycle/,
      tab('Cycle', (p) => choose(p, 'Accent cycle', 'Seguiriya')),
    ),
    act(
      'a shape',
      /shapes/,
      tab(
        'Shape',
        inTurn(
          click('New shape'),
          fill('Name', 'Low C'),
          fill('Frets 6 to 1', 'x-3-2-0-1-0'),
          click(/^Keep, at the end/),
        ),
      ),
    ),
    act('a shape removed', /shapes/, tab('Shape', click(/^Remove /))),
    act('a chain taken', /hand script/, tab('Fit', click(/^Take over: 1/))),
    act(
      'a line taken',
      /hand script/,
      tab('Line', inTurn(fill('Line by strings', '3 3 2 2 1 1'), click(/^Take over/))),
    ),
    act(
      'an own cycle',
      /Pier Five/,
      tab('Cycle', inTurn(click('Make an own cycle from this'), fill('Name', 'Pier Five'), click('Keep cycle'))),
    ),
  ],
  '2': [
    act('a shape written on the neck', /shapes/, press('ArrowDown', '3', 'Enter')),
    act('a capo', 'tuning and capo', (p) => choose(p, 'Capo', '2')),
    act('a row of shapes', /shapes/, tab('Row', inTurn(fill('Chords in order', 'Am7 D7'), click('Take over: 1')))),
    act('a shape found', /shapes/, tab('Find', inTurn(fill(/^Chord symbol/, 'E7b9'), click(/^Add: E7b9/)))),
    act(
      'a melody',
      /hand script/,
      tab('Melody', inTurn(fill('Melody by note names', 'e4 f4 g4 a4'), click('Take over: 1'))),
    ),
  ],
  '3': [
    act('a stroke in the Weave', /stroke/, press('Home', 'g')),
    act('a bar again', /hand script/, press('Home', 'r')),
    act('a form', /form/, tab('Form', fill('Form', 'Rasgueado Falseta'))),
    act('a chart', /chart of “Rasgueado”/, async (p) => {
      await press('h')(p);
      const chart = p.getByRole('textbox', { name: 'Chart: which chord when' });
      await expect(chart).toBeFocused();
      await p.keyboard.press('Control+a');
      await p.keyboard.type('"F♯ open" | %');
      await p.keyboard.press('Tab');
    }),
    act('a section added', /section/, tab('Form', inTurn(sections, click('Add a section')))),
    act('a section copied', /section/, tab('Form', inTurn(sections, click(/^Copy Rasgueado/)))),
    act('a section later', 'order of the sections', tab('Form', inTurn(sections, click(/^Later: Rasgueado/)))),
    act('a section deleted', /section/, tab('Form', inTurn(sections, click(/^Delete Falseta/)))),
  ],
  '7': [
    act('a copy', 'Salt Rope 2', (p) => ofStudy(p, 'Salt Rope', 'Copy')),
    act('a study deleted', 'Salt Rope deleted', (p) => ofStudy(p, 'Salt Rope', 'Delete')),
    act('a finger slower', /Taken back: Figures of /, fill('i', '320')),
    act('a hand more', 'New hand', click('New hand')),
    act('a hand of another name', /Figures of/, fill('Name', 'Vega')),
    act('a hand deleted', /Hand deleted/, click('Delete this hand')),
    act('an own cell', /Cell Lantern roll/, async (p) => {
      await p.getByRole('button', { name: 'New cell' }).click();
      await p.locator('app-cells').getByLabel('Name', { exact: true }).fill('Lantern roll');
      await p.locator('app-cells').getByLabel('Hand script', { exact: true }).fill('id iu md id');
      await p.getByRole('button', { name: 'Keep cell' }).click();
    }),
    act('the demo removed', /The demo is removed/, (p) => ofShelf(p, 'Remove the demo')),
    act('everything cleared', 'Everything cleared', async (p) => {
      await ofShelf(p, 'Clear everything');
      await p.getByRole('dialog').getByRole('button', { name: 'Clear everything' }).click();
    }),
  ],
  '6': [act('a session deleted', /Taken back: Line deleted/, click(/^Delete/))],
};

for (const [place, acts] of Object.entries(ACTS))
  test(`each act is taken back exactly, and said: place ${place}`, async ({ player: page }) => {
    test.setTimeout(180_000);
    page.setDefaultTimeout(15_000);
    await leaveFields(page);
    await page.keyboard.press(place);
    // A place comes part by part; its keys are there with its heading.
    await expect(page.locator('main h1').first()).toBeVisible();
    await saved(page);
    for (const { what, said, do: doIt } of acts)
      await test.step(what, async () => {
        const before = await kept(page);
        await doIt(page);
        await expect(async () => expect(await kept(page), what).not.toBe(before)).toPass({ timeout: 10_000 });
        await leaveFields(page);
        await page.keyboard.press('Control+z');
        await expect(page.locator('mat-snack-bar-container').filter({ hasText: said }).last(), what).toBeVisible();
        await expect(async () => expect(await kept(page), what).toBe(before)).toPass({ timeout: 10_000 });
      });
  });
