import { type Cell, CELLS } from '../../catalogue/index.js';
import { directionOf } from '../../stroke/index.js';
import { flatten, parseScript, printScript } from '../../script/index.js';
import { gcd, STEPS_PER_COUNT, TICKS_PER_COUNT } from '../../time/index.js';
import type { FitCell, FitLink, FitRequest } from './model.js';

/**
 * A cell as something to build from: where it leans, and how long it lasts as it is learned. Strums go at the pace of
 * the style; a cell with basses and chords has its length in counts.
 * @example fitCell(CELLS[2]).lean // 'landing'
 */
export function fitCell({ script, stepsPerCount, lean }: Pick<Cell, 'script' | 'stepsPerCount' | 'lean'>): FitCell {
  const { pattern } = parseScript(script, { stepsPerCount });
  const { events, length } = flatten(pattern);
  const shipped = lean ?? CELLS.find((c) => c.script === script)?.lean;
  const strums = events.every((e) => directionOf(e.motion) !== null);
  return { id: script, script, ...(shipped ? { lean: shipped } : {}), ...(strums ? {} : { natural: length }) };
}

/**
 * A chain as hand script: each cell bare where a stroke fills a step, in brackets over the steps it lasts where it does
 * not, the same cell several times in a row as a repeat. Counts are cut so that as few as can be stand in brackets.
 */
export function fitScript(
  request: Pick<FitRequest, 'cells'>,
  links: readonly FitLink[],
): { script: string; stepsPerCount: number } {
  const step = links.reduce((g, l) => gcd(g, l.length), TICKS_PER_COUNT / 2);
  const written = STEPS_PER_COUNT.filter((n) => Number.isInteger((step * n) / TICKS_PER_COUNT)).map((stepsPerCount) =>
    writtenIn(request, links, stepsPerCount),
  );
  const fewest = Math.min(...written.map((w) => w.brackets));
  const { script, stepsPerCount } = written.find((w) => w.brackets === fewest) ?? writtenIn(request, links, 16);
  return { script, stepsPerCount };
}
function writtenIn({ cells }: Pick<FitRequest, 'cells'>, links: readonly FitLink[], stepsPerCount: number) {
  const parts: { text: string; times: number }[] = [];
  for (const link of links) {
    const source = cells.find((c) => c.id === link.cell)?.script ?? '';
    const { pattern } = parseScript(source, { stepsPerCount: 1 });
    const steps = (link.length * stepsPerCount) / TICKS_PER_COUNT;
    const written = printScript(pattern);
    const bare = flatten(pattern).slots.length === steps && flatten(pattern).length === steps * TICKS_PER_COUNT;
    const text = bare ? written : `[${written}]${steps === 1 ? '' : `:${steps}`}`;
    const last = parts.at(-1);
    if (last?.text === text) last.times++;
    else parts.push({ text, times: 1 });
  }
  const brackets = parts.filter((p) => p.text.startsWith('[')).length;
  const script = parts.map((p) => (p.times === 1 ? p.text : `{${p.text}}x${p.times}`)).join(' ');
  return { script, stepsPerCount, brackets };
}
