// The page of fitted cycles says what is fitted now.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { PAGE, page } from './fitted-cycles.mjs';

test('docs/fitted-cycles.md is current (node tools/fitted-cycles.mjs)', () =>
  assert.equal(readFileSync(PAGE, 'utf8'), page));
