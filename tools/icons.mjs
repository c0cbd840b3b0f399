// Draws the application's icons from favicon.svg, in every size that a system asks for. Run after the drawing changes.
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';

const web = fileURLToPath(new URL('../web/public', import.meta.url));
/** A masked icon keeps what stands in its inner four fifths. */
const ICONS = [
  ...[192, 256, 384, 512].map((size) => ({ name: `icon-${size}`, size, share: 0.96, ground: 'transparent' })),
  ...[192, 512].map((size) => ({ name: `maskable-${size}`, size, share: 0.68, ground: '#f7f0e3' })),
  { name: 'touch-180', size: 180, share: 0.8, ground: '#f7f0e3' },
];
const svg = await readFile(join(web, 'favicon.svg'), 'utf8');
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
  args: ['--no-sandbox'],
});
await mkdir(join(web, 'icons'), { recursive: true });
for (const { name, size, share, ground } of ICONS) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  const own = Math.round(size * share);
  await page.setContent(
    `<body style="margin:0;display:grid;place-items:center;height:100vh;background:${ground}">${svg.replace('<svg', `<svg width="${own}" height="${own}"`)}</body>`,
  );
  await writeFile(join(web, 'icons', `${name}.png`), await page.screenshot({ omitBackground: true }));
  await page.close();
}
await browser.close();
