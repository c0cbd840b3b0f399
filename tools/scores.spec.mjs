// The demo pieces lie in docs as score files: as they would be written now.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { FOLDER, scores } from '../demo/scores.mjs';

for (const { name, bytes } of scores())
  test(`docs/scores/${name} is current (node demo/scores.mjs)`, () =>
    assert.ok(Buffer.from(bytes).equals(readFileSync(new URL(name, FOLDER)))));
