import { placeLabel } from '../../cycle/index.js';
import { layOnCycle } from '../../round/index.js';
import { parseScript } from '../../script/index.js';
import { listed, plural, sayMet } from '../../words/en/index.js';
import { blocksOf, DEFAULT_LENGTHS } from './blocks.js';
import type { FitAnswer, FitRequest } from './model.js';
import { fitScript } from './script.js';

/** Why a chain costs what it costs: what meets the accents, what each joint asks of the hand, how it closes. */
export function explainFit(request: FitRequest, answer: FitAnswer): string[] {
  const { cycle } = request;
  const { script, stepsPerCount } = fitScript(request, answer.steps);
  const layout = layOnCycle(parseScript(script, { stepsPerCount }).pattern, cycle);
  const met = layout.meetings.filter((m) => m.turn === 0 && m.by);
  const lines = [met.length ? `${met.map((m) => `${m.label} ${sayMet(m.by)}`).join(' · ')}.` : 'No accent is met.'];
  const missed = layout.missed.filter((m) => m.turn === 0);
  if (missed.length) lines.push(`Silent: ${listed(missed.map((m) => m.label))}.`);
  const blocks = answer.steps.map((link) => {
    const i = request.cells.findIndex((c) => c.id === link.cell);
    const cell = request.cells[i];
    return cell
      ? blocksOf(cell, i, request.lengths ?? DEFAULT_LENGTHS).blocks.find((b) => b.length === link.length)
      : undefined;
  });
  let at = 0;
  const turns: string[] = [];
  blocks.forEach((b, i) => {
    at += b?.length ?? 0;
    const next = blocks[i + 1];
    if (next && b?.lastWay && b.lastWay === next.firstWay) turns.push(placeLabel(cycle, at));
  });
  const different = new Set(answer.steps.map((s) => s.cell)).size;
  lines.push(
    turns.length
      ? `The hand turns back without a stroke before ${listed([...new Set(turns)])}.`
      : 'The hand is never turned back inside the chain.',
    answer.cost.seam > 0 ? 'At the seam the hand turns back.' : 'It joins its own beginning.',
    ...(answer.cost.late > 0 ? [`At ${request.bpm} a finger is late somewhere: look at the load.`] : []),
    `${plural(different, 'different cell')}.`,
  );
  return lines;
}
