// Everything that must hold, from nothing installed to the built application used in a browser.
// Each check and each test counts; the last line sums them up.
import { readdirSync } from 'node:fs';
import { build, chromium, install, npmRun, ROOT, run } from './steps.mjs';

await install();
const browser = await chromium();
let passed = 0;
let failed = 0;
const COLOUR = new RegExp(`${String.fromCharCode(27)}\\[[0-9;]*m`, 'g');
const plain = (text) => text.replace(COLOUR, '');
const count = (text, pattern) => [...plain(text).matchAll(pattern)].reduce((sum, m) => sum + Number(m[1]), 0);

async function check(what, step) {
  console.log(`\n== ${what}`);
  const { code } = await step();
  if (code === 0) passed++;
  else {
    failed++;
    console.error(`${what}: failed`);
  }
  return code === 0;
}

/** A suite that says how many of its tests passed and failed; one that ends badly without saying so counts as one failure. */
async function suite(what, step, good, bad) {
  console.log(`\n== ${what}`);
  const { code, text } = await step();
  const ok = count(text, good);
  const wrong = count(text, bad);
  passed += ok;
  failed += code !== 0 && wrong === 0 ? 1 : wrong;
  if (ok === 0) {
    failed++;
    console.error(`${what}: no test ran`);
  }
}
const GOOD = /Tests\s.*?(\d+) passed/g;
const BAD = /Tests\s+(\d+) failed/g;

const core = await check('Build of core', () => npmRun('build', 'core'));
await check('Demo data through the import door', () => run(process.execPath, ['demo/write.mjs']));
await check('Lint', () => npmRun('lint'));
await check('Types', () => npmRun('typecheck'));
await suite(
  'Tools',
  () =>
    run(process.execPath, [
      '--test',
      '--test-reporter=tap',
      ...readdirSync(`${ROOT}/tools`).flatMap((name) => (name.endsWith('.spec.mjs') ? [`tools/${name}`] : [])),
    ]),
  /^# pass (\d+)/gm,
  /^# fail (\d+)/gm,
);
await suite('Core', () => npmRun('test', 'core'), GOOD, BAD);
await suite('Web', () => npmRun('test', 'web'), GOOD, BAD);
const built = core && (await check('Production build', async () => ({ code: await build() })));
if (built) {
  const env = { ...process.env, CHROMIUM_PATH: browser, CI: '1' };
  const playwright = () => run('npx', ['playwright', 'test', '--project', 'player'], { cwd: `${ROOT}/e2e`, env });
  await suite('End to end', playwright, /^\s+(\d+) passed/gm, /^\s+(\d+) failed/gm);
}
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
