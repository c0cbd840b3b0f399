// The guide in the application is docs/guide.md, whole, and what the application can't show stops the build.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import { guideOf } from './guide.mjs';
import { ROOT } from './steps.mjs';

const text = (block) => (block.items ?? [block.text]).map((pieces) => pieces.map((p) => p.text).join('')).join(' ');

test('headings, paragraphs, lists with the number they begin with, and how pieces stand out', () =>
  assert.deepEqual(guideOf('# A & B\n\nPress _Play_, `p i` **now**\nor “later”.\n\n3. one\n   more\n4. two\n\n- x'), [
    { kind: 'heading', depth: 1, text: [{ text: 'A & B' }] },
    {
      kind: 'paragraph',
      text: [
        { text: 'Press ' },
        { text: 'Play', as: 'em' },
        { text: ', ' },
        { text: 'p i', as: 'code' },
        { text: ' ' },
        { text: 'now', as: 'strong' },
        { text: ' or “later”.' },
      ],
    },
    { kind: 'list', from: 3, items: [[{ text: 'one more' }], [{ text: 'two' }]] },
    { kind: 'list', from: null, items: [[{ text: 'x' }]] },
  ]));
test('the guide is read whole: every word of it is in a block', () => {
  const guide = readFileSync(join(ROOT, 'docs/guide.md'), 'utf8');
  const shown = guideOf(guide).map(text).join(' ');
  for (const word of guide.replace(/[`*_\\]/g, ' ').match(/\p{L}{3,}/gu)) assert.ok(shown.includes(word), word);
});
test('a picture or a table is refused', () => {
  assert.throws(() => guideOf('![x](y.png)'), /does not show/);
  assert.throws(() => guideOf('| a |\n| - |\n| b |'), /table, which the application does not show/);
});
