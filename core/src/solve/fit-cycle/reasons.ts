import { roomOf, type Timing } from '../../player/index.js';
import { type AccentMeeting, layOnCycle } from '../../round/index.js';
import { handLoad } from '../../right-hand/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { blocksOf, DEFAULT_LENGTHS } from './blocks.js';
import { joinCost } from './cost.js';
import type { FitAnswer, FitRequest } from './model.js';
import { fitScript } from './script.js';

/** Why a chain costs what it costs: what meets the accents, what each joint asks of the hand, how it closes. */
export interface FitFacts {
  /** Accents of the turn in their order; `by` is null where nothing sounds. */
  readonly meetings: readonly AccentMeeting[];
  /** Places in the turn, in ticks, before which a finger has to come back in too little time. */
  readonly turnsBack: readonly number[];
  readonly seamTurnsBack: boolean;
  /** A finger comes back late somewhere. */
  readonly late: boolean;
  readonly differentCells: number;
  /** Highest tempo at which no finger of this hand is late. */
  readonly ceiling: number | null;
  /** How much room the tempo leaves under it; null where nothing sets one. */
  readonly room: Timing | null;
}
export function fitFacts(request: FitRequest, answer: FitAnswer): FitFacts {
  const { script, stepsPerCount } = fitScript(request, answer.steps);
  const { pattern } = parseScript(script, { stepsPerCount });
  const layout = layOnCycle(pattern, request.cycle);
  const blocks = answer.steps.map((link) => {
    const i = request.cells.findIndex((c) => c.id === link.cell);
    const cell = request.cells[i];
    return cell
      ? blocksOf(cell, i, request.lengths ?? DEFAULT_LENGTHS).blocks.find((b) => b.length === link.length)
      : undefined;
  });
  let at = 0;
  const turnsBack: number[] = [];
  blocks.forEach((b, i) => {
    at += b?.length ?? 0;
    const next = blocks[i + 1];
    if (next && b && (joinCost(request, b, next, at).joint ?? 0) > 0) turnsBack.push(at);
  });
  const { ceiling } = handLoad(flatten(pattern), request.bpm, request.profile);
  return {
    meetings: layout.meetings.filter((m) => m.turn === 0),
    turnsBack,
    seamTurnsBack: answer.cost.seam > 0,
    late: answer.cost.late > 0,
    differentCells: new Set(answer.steps.map((s) => s.cell)).size,
    ceiling,
    room: ceiling === null ? null : roomOf(request.bpm / ceiling),
  };
}
