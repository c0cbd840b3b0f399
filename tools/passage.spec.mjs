// Who plays what is read in one place: nothing else in core decides by a note's string whether it is the thumb's.
import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { test } from 'node:test';
import { ROOT } from './steps.mjs';

const CORE = join(ROOT, 'core/src');
/** Files that may speak of bass strings, each with what it says of them. */
const MAY = {
  'stroke/homes.ts': 'names them',
  'solve/finger-line/cost.ts': 'prices a thumb that is away from them',
  'left-hand/bass-notes.ts': 'knows on which of them a chord has its bass',
  'solve/bass-line/cost.ts': 'chooses among them for a bass that is asked for',
  'left-hand/over-shape.ts': 'lets the finger on a bass go over it',
};
const DECIDES = /\b(?:isBassString|BASS_STRINGS?|THINNEST_BASS|THUMB_FROM|SURE_BASS)\b/;
const files = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory()
      ? files(join(folder, e.name))
      : e.name.endsWith('.ts') && !e.name.endsWith('.spec.ts')
        ? [join(folder, e.name)]
        : [],
  );

test('only the reading of a passage decides whose a note is', () => {
  const deciding = files(CORE)
    .map((f) => relative(CORE, f))
    .filter((f) => !f.startsWith('passage/') && !(f in MAY) && DECIDES.test(readFileSync(join(CORE, f), 'utf8')));
  assert.deepEqual(deciding, []);
});
test('it is asked wherever fingers are given', () => {
  for (const asked of [
    'solve/finger-line/taught.ts',
    'solve/finger-line/voiced.ts',
    'solve/finger-line/in-turn.ts',
    'solve/finger-line/homes.ts',
    'right-hand/kind-of-pattern.ts',
  ])
    assert.match(readFileSync(join(CORE, asked), 'utf8'), /readPassage\(/, asked);
});
