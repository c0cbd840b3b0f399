// The examples in core's doc comments hold: each @example is an expression, and behind // the value it has.
import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import { ROOT } from './steps.mjs';

const doors = ['index.js', 'format/index.js', 'exchange/files/index.js'];
const core = Object.assign({}, ...(await Promise.all(doors.map((d) => import(`../core/dist/${d}`)))));
const src = join(ROOT, 'core/src');
const EXAMPLE = /\* @example (.+?) \/\/ (.+?)\s*(?:\*\/)?$/;

const examples = readdirSync(src, { recursive: true })
  .filter((f) => f.endsWith('.ts') && !f.endsWith('.spec.ts'))
  .flatMap((file) =>
    readFileSync(join(src, file), 'utf8')
      .split('\n')
      .flatMap((line, n) => {
        if (!line.includes('@example')) return [];
        const [, expression, value] = EXAMPLE.exec(line) ?? [];
        return [{ file, line: n + 1, expression, value }];
      }),
  );
const valueOf = (text, known) => new Function(...Object.keys(known), `return (${text});`)(...Object.values(known));

test('there are examples', () => assert.ok(examples.length > 30, `only ${examples.length}`));
for (const { file, line, expression, value } of examples)
  test(`${file}:${line} ${expression}`, async () => {
    assert.ok(expression && value, 'an example is written `@example expression // value` on one line');
    // What core keeps to itself is known to the examples of its own file.
    const known = { ...core, ...(await import(`../core/dist/${file.replace(/\.ts$/, '.js')}`)) };
    assert.deepEqual(valueOf(expression, known), valueOf(value, known));
  });
