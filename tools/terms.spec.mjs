// One word for one thing: no text of the page uses a retired word, and the glossary stands in docs/words.md.
import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import ts from 'typescript';
import { ROOT } from './steps.mjs';

const read = (file) => readFileSync(join(ROOT, file), 'utf8');
const glossary = read('web/src/app/words/en/glossary.ts');
const listIn = (name) => {
  const [, list = ''] = new RegExp(`${name}[^\\[=]*(?:=|:)\\s*(\\[[\\s\\S]*?\\n {0,2}\\])`).exec(glossary) ?? [];
  return [...list.matchAll(/\['([^']+)', '([^']+)'/g)].map(([, word, meant]) => [word, meant]);
};
const terms = listIn('terms');
/** The table's last column has what a word took the place of. */
const retired = [...read('docs/words.md').matchAll(/^\| ([^|]+?) +\|[^|]+\| ([^|]*?) *\|$/gm)]
  .slice(2)
  .flatMap(([, meant, list]) => list.split(', ').map((word) => [word, meant]))
  .filter(([word]) => word !== '');

/** Texts that are shown: what stands in a dictionary as a value, keys and ids apart. */
function shown(file) {
  const source = ts.createSourceFile(file, read(file), ts.ScriptTarget.Latest, true);
  const found = [];
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node) || ts.isElementAccessExpression(node)) return;
    if (ts.isPropertyAssignment(node)) return visit(node.initializer);
    if (ts.isCaseClause(node)) return node.statements.forEach(visit);
    if (ts.isBinaryExpression(node) && /^(===|!==)$/.test(node.operatorToken.getText())) return;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) found.push(node.text);
    if (ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node)) found.push(node.text);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}
const files = ['web/src/app/words/en', 'core/src/words/en'].flatMap((folder) =>
  readdirSync(join(ROOT, folder), { recursive: true })
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.spec.ts') && f !== 'glossary.ts')
    .map((f) => `${folder}/${f}`),
);

test('there are terms and retired words to look for', () => {
  assert.ok(terms.length > 15, String(terms.length));
  assert.ok(retired.length > 3, String(retired.length));
  assert.ok(files.length > 30);
});
for (const [word, meant] of retired)
  test(`no text says ${word}: it is ${meant}`, () => {
    const wrong = files.flatMap((f) =>
      shown(f)
        .filter((text) => new RegExp(`\\b${word}s?\\b`, 'i').test(text))
        .map((text) => `${f}: ${text}`),
    );
    assert.deepEqual(wrong, []);
  });
test('every term stands in docs/words.md', () => {
  const table = read('docs/words.md');
  for (const [term] of terms) assert.match(table, new RegExp(`^\\| ${term} +\\|`, 'm'));
});
test('a retired word in a dictionary would be found', () =>
  assert.ok(shown('web/src/app/words/en/wheel.ts').some((t) => /\bsteps?\b/.test(t))));
