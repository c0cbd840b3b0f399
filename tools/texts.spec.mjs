// The lint rules that keep texts in the dictionaries bite, and let pass what is layout.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ESLint } from 'eslint';
import { ROOT } from './steps.mjs';

const eslint = new ESLint({ cwd: ROOT });
async function told(filePath, code, rule) {
  const [result] = await eslint.lintText(code, { filePath: `${ROOT}/${filePath}` });
  return (result?.messages ?? []).filter((m) => m.ruleId === rule).length;
}
const TEMPLATE = 'web/src/app/places/wheel/fit-panel.html';
for (const [what, html, faults] of [
  ['a text in a template', '<p>Chains</p>', 1],
  ['a text beside an interpolation', '<p>at {{ bpm() }}</p>', 1],
  ['a label in a template', '<input aria-label="Cells" matInput />', 1],
  ['a label put together with a text', `<span [attr.aria-label]="'Way ' + n"></span>`, 1],
  ['a phrase glued of an entry and a figure', '<p>{{ words.way }} {{ n }}</p>', 1],
  ['a figure glued to an entry', '<p>{{ n }} {{ n === 1 ? words.bar : words.bars }}</p>', 1],
  ['a label glued of an entry and a name', `<span [attr.aria-label]="words.open + ' ' + name"></span>`, 1],
  ['an entry with its figure', '<p>{{ words.way(n) }}</p>', 0],
  ['a label and its value', `<span [attr.aria-label]="words.take + ': ' + name"></span>`, 0],
  ['items side by side', '<p>{{ words.way(n) }} · {{ total }}</p>', 0],
  ['signs', '<p>{{ a }} → {{ b }} %</p>', 0],
])
  test(`template: ${what}`, async () => assert.equal(await told(TEMPLATE, html, 'texts/template'), faults));

const CODE = 'web/src/app/places/wheel/fit-panel.ts';
for (const [what, code, faults] of [
  ['a phrase glued in code', 'export const f = (words: { way: string }, n: number) => `${words.way} ${n}`;\n', 1],
  ['a label and its value', 'export const f = (words: { way: string }, n: number) => `${words.way}: ${n}`;\n', 0],
  ['an entry with its figure', 'export const f = (words: { way(n: number): string }) => `${words.way(1)} `;\n', 0],
])
  test(`code: ${what}`, async () => assert.equal(await told(CODE, code, 'texts/code'), faults));

const LANGUAGE = 'core/src/words/en/raise.ts';
for (const [what, code, rule, faults] of [
  ['compares no number', 'export const f = (n: number) => (n === 1 ? "bar" : "bars");\n', 'no-restricted-syntax', 1],
  ['edits no sentence', 'export const f = (t: string) => t.replace("a", "b");\n', 'no-restricted-syntax', 1],
  [
    'calls no solver',
    "import { fitCycle } from '../../solve/fit-cycle/index.js';\nfitCycle;\n",
    '@typescript-eslint/no-restricted-imports',
    1,
  ],
  [
    'knows their types',
    "import type { FitAnswer } from '../../solve/fit-cycle/index.js';\nexport type A = FitAnswer;\n",
    '@typescript-eslint/no-restricted-imports',
    0,
  ],
])
  test(`a language ${what}`, async () => assert.equal(await told(LANGUAGE, code, rule), faults));
