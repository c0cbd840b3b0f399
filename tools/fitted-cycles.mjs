// Writes docs/fitted-cycles.md: what the shipped cells make of every shipped cycle at its usual tempo.
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format, resolveConfig } from 'prettier';
import { CELLS, CYCLES, DEFAULT_PROFILE, explainFit, fitCell, fitCycle, fitScript } from '@ruffle-wheel/core';

const rows = CYCLES.map((cycle) => {
  const cells = CELLS.filter((c) => c.family === cycle.family).map(fitCell);
  const request = { cycle, cells, profile: DEFAULT_PROFILE, bpm: cycle.tempo.usual, k: 1 };
  const [best] = fitCycle(request).answers;
  const { script, stepsPerCount } = fitScript(request, best.steps);
  const [met, ...others] = explainFit(request, best);
  const rest = others.filter((line) => /turns back without|late|Silent/.test(line));
  return `| ${cycle.name}${cycle.school ? ` (${cycle.school})` : ''} | ${cycle.tempo.usual} | ${stepsPerCount} | \`${script.replace(/\|/g, '\\|')}\` | ${[met, ...rest].join(' ')} |`;
});
export const PAGE = new URL('../docs/fitted-cycles.md', import.meta.url);
const options = await resolveConfig(PAGE);
export const page = await format(
  `# Fitted cycles

What *Fit* makes of every shipped cycle from the shipped cells of its family, at its usual tempo, for the hand that nobody
has measured yet: the cheapest chain under the costs of \`core/src/solve/fit-cycle/weights.ts\` in the school *Balanced*.
\`node tools/fitted-cycles.mjs\` writes this page.

A chain puts the lean of a cell on each accent: a roll lands on it, a marked stroke meets it. Strokes are as dense as the
style has them at the tempo, cells with basses keep their length, and the thumb keeps its pace.

| cycle | tempo | steps a count | chain | what meets the accents |
|---|---|---|---|---|
${rows.join('\n')}
`,
  { ...options, parser: 'markdown' },
);
if (process.argv[1] === fileURLToPath(import.meta.url)) writeFileSync(PAGE, page);
