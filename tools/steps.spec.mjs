import assert from 'node:assert/strict';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { test } from 'node:test';
import { ROOT, run, stampOf } from './steps.mjs';

test('a stamp changes with the content of a file, and only with it', () => {
  const folder = mkdtempSync(join(ROOT, 'node_modules', 'stamp-'));
  try {
    const path = relative(ROOT, folder);
    writeFileSync(join(folder, 'a.txt'), 'one');
    const first = stampOf([path]);
    writeFileSync(join(folder, 'a.txt'), 'one');
    assert.equal(stampOf([path]), first);
    writeFileSync(join(folder, 'a.txt'), 'two');
    assert.notEqual(stampOf([path]), first);
  } finally {
    rmSync(folder, { recursive: true });
  }
});
test('a step gives its exit code and all that it said', async () => {
  const { code, text } = await run(process.execPath, ['-e', 'console.log("said"); process.exit(3)'], { quiet: true });
  assert.equal(code, 3);
  assert.match(text, /said/);
});
test('a command that is not there is a failed step, not a crash', async () => {
  assert.equal((await run('no-such-command-here', [], { quiet: true })).code, 1);
});
