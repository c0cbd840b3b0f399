// The lint rules that hold the architecture's arrows bite: each forbidden import is caught where it would stand.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ESLint } from 'eslint';
import { ROOT } from './steps.mjs';

const eslint = new ESLint({ cwd: ROOT });
async function caught(filePath, code, rule) {
  const [result] = await eslint.lintText(code, { filePath: `${ROOT}/${filePath}` });
  return (result?.messages ?? []).filter((m) => m.ruleId === rule).map((m) => m.message);
}
const IMPORTS = 'no-restricted-imports';

for (const [what, file, code] of [
  ['core imports no framework', 'core/src/time/tap.ts', "import { signal } from '@angular/core';\nsignal(0);\n"],
  ['core imports nothing of Node', 'core/src/time/tap.ts', "import { join } from 'node:path';\njoin('a');\n"],
  [
    'places never import each other',
    'web/src/app/places/wheel/findings-panel.ts',
    "import { Hands } from '../shelf/hands';\nnew Hands();\n",
  ],
  [
    'ui never imports study',
    'web/src/app/ui/strip/strip.ts',
    "import { OpenStudy } from '../../study';\nnew OpenStudy();\n",
  ],
  [
    'study knows no place',
    'web/src/app/study/collection.ts',
    "import { Hands } from '../places/shelf/hands';\nnew Hands();\n",
  ],
  ['sound knows no screen', 'web/src/app/sound/engine.ts', "import { Notice } from '../ui/notice';\nnew Notice();\n"],
])
  test(what, async () => assert.equal((await caught(file, code, IMPORTS)).length, 1));

test('core touches no DOM global', async () =>
  assert.equal(
    (await caught('core/src/time/tap.ts', 'export const w = window;\n', 'no-restricted-globals')).length,
    1,
  ));
test('what is allowed passes', async () =>
  assert.deepEqual(
    await caught(
      'web/src/app/places/wheel/findings-panel.ts',
      "import { OpenStudy } from '../../study';\nnew OpenStudy();\n",
      IMPORTS,
    ),
    [],
  ));
