// The lint rules that hold the architecture's arrows bite: each forbidden import is caught where it would stand.
import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { test } from 'node:test';
import { ESLint } from 'eslint';
import { FLOORS } from './floors.mjs';
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
  [
    'places know no shell',
    'web/src/app/places/wheel/findings-panel.ts',
    "import { Everywhere } from '../../shell/everywhere';\nnew Everywhere();\n",
  ],
  [
    'parts know no place',
    'web/src/app/parts/section-playing.ts',
    "import { Hands } from '../places/shelf/hands';\nnew Hands();\n",
  ],
  ['keys know no study', 'web/src/app/keys/keys.ts', "import { OpenStudy } from '../study';\nnew OpenStudy();\n"],
  ['words are texts alone', 'web/src/app/words/wheel.ts', "import { Notice } from '../ui/notice';\nnew Notice();\n"],
  ['sound knows no screen', 'web/src/app/sound/engine.ts', "import { Notice } from '../ui/notice';\nnew Notice();\n"],
])
  test(what, async () => assert.equal((await caught(file, code, IMPORTS)).length, 1));

const FLOOR = 'core/floors';
for (const [what, file, code] of [
  [
    'the ground knows no solver',
    'core/src/cycle/check.ts',
    "import { fitCycle } from '../solve/fit-cycle/index.js';\nfitCycle;\n",
  ],
  [
    'a solver makes no sentence',
    'core/src/solve/fit-cycle/score.ts',
    "import { listed } from '../../words/en/index.js';\nlisted([]);\n",
  ],
  ['a reading makes no sentence', 'core/src/reading/read-section.ts', "export * from '../words/en/index.js';\n"],
  ['neighbours have an order too', 'core/src/script/parse.ts', "import { lay } from '../round/lay.js';\nlay;\n"],
  [
    'a folder that is no floor is named first',
    'core/src/cycle/check.ts',
    "import { odd } from '../odds/index.js';\nodd;\n",
  ],
])
  test(what, async () => assert.equal((await caught(file, code, FLOOR)).length, 1));
test('downward, and within a folder, all is open', async () =>
  assert.deepEqual(
    await caught(
      'core/src/solve/fit-cycle/score.ts',
      "import { cycleLength } from '../../cycle/index.js';\nimport { blocksOf } from './blocks.js';\ncycleLength;\nblocksOf;\n",
      FLOOR,
    ),
    [],
  ));
test('every folder of core stands on a floor, and every floor has its folder', () => {
  const folders = (at) =>
    readdirSync(join(ROOT, 'core/src', at), { withFileTypes: true }).flatMap((e) =>
      e.isDirectory() ? [join(at, e.name), ...folders(join(at, e.name))] : [],
    );
  const holding = folders('').filter(
    (f) => !/^testing\b/.test(f) && readdirSync(join(ROOT, 'core/src', f)).some((name) => name.endsWith('.ts')),
  );
  assert.deepEqual(holding.sort(), [...FLOORS].sort());
});
for (const part of ['core/src', 'web/src'])
  test(`no files of ${part} import each other in a circle, types and lazy imports counted`, () => {
    const root = join(ROOT, part);
    const files = readdirSync(root, { recursive: true }).filter(
      (f) => f.endsWith('.ts') && !f.endsWith('.spec.ts') && !/(^|\/)testing\//.test(f),
    );
    const known = new Set(files);
    const importsOf = (file) =>
      [
        ...readFileSync(join(root, file), 'utf8').matchAll(
          /(?:\bfrom\s+|\bimport\s*\(\s*|\bnew URL\(\s*|^import\s+)['"](\.[^'"]*)['"]/gm,
        ),
      ].flatMap((m) => {
        const path = relative(root, resolve(root, dirname(file), m[1])).replace(/\.js$/, '');
        return [`${path}.ts`, `${path}/index.ts`].filter((f) => known.has(f));
      });
    const graph = new Map(files.map((f) => [f, importsOf(f)]));
    assert.ok([...graph.values()].flat().length > files.length);
    const done = new Set();
    const walk = (file, path) => {
      if (path.includes(file)) return [...path.slice(path.indexOf(file)), file];
      if (done.has(file)) return null;
      for (const next of graph.get(file) ?? []) {
        const circle = walk(next, [...path, file]);
        if (circle) return circle;
      }
      done.add(file);
      return null;
    };
    for (const file of files) assert.equal(walk(file, []), null);
  });

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
