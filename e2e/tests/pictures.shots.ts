import { fileURLToPath } from 'node:url';
import { leaveFields, test, writeScript } from './player.js';

const path = (name: string) => fileURLToPath(new URL(`../../docs/screenshots/${name}.png`, import.meta.url));

// One picture of each main view from the demo data, retaken by `npm run shots`.
test('pictures of every place', async ({ player: page }) => {
  const shot = (name: string) => page.waitForTimeout(350).then(() => page.screenshot({ path: path(name) }));
  await shot('wheel');
  await writeScript(page, 'ed ad md id iu');
  await page.getByRole('tab', { name: 'Accents' }).click();
  await shot('wheel-accents');
  await writeScript(page, 'ed ii ad im:23 md a* id p:54 iu }');
  await shot('wheel-faults');
  await page.getByRole('combobox', { name: 'Study', exact: true }).selectOption({ label: 'Last Boat South' });
  await page.getByRole('tab', { name: 'Shape' }).click();
  await shot('wheel-shape');
  await page.getByRole('combobox', { name: 'Study', exact: true }).selectOption({ label: 'Harbour Lamps' });
  await page.getByRole('tab', { name: 'Cycle' }).click();
  await shot('wheel-cycle');
  await leaveFields(page);
  await page.keyboard.press('4');
  await shot('practise');
  await page.keyboard.press('c');
  await page.keyboard.press('Space');
  for (const key of ['PageDown', 'PageDown', 'PageUp', 'PageDown']) await page.keyboard.press(key);
  await page.keyboard.press('v');
  await page.waitForTimeout(1200);
  await shot('practise-stand');
  await page.keyboard.press('Space');
  await page.keyboard.press('v');
  await page.keyboard.press('6');
  await shot('logbook');
  await page.keyboard.press('7');
  await shot('shelf');
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.keyboard.press('1');
  await page.getByRole('combobox', { name: 'Study', exact: true }).selectOption({ label: 'Slack Water' });
  await leaveFields(page);
  await shot('wheel-stage');
});
