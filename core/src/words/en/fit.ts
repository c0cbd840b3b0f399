import { placeLabel } from '../../cycle/index.js';
import type { FitFacts, FitRequest } from '../../solve/fit-cycle/index.js';
import { listed, plural } from './numbers.js';
import { sayMet } from './strokes.js';

/** Why a chain costs what it costs, in sentences. */
export function sayFit(facts: FitFacts, { cycle, bpm }: Pick<FitRequest, 'cycle' | 'bpm'>): string[] {
  const { meetings, turnsBack, seamTurnsBack, late, differentCells, ceiling, room } = facts;
  const met = meetings.filter((m) => m.by);
  const missed = meetings.filter((m) => !m.by);
  const turns = [...new Set(turnsBack.map((at) => placeLabel(cycle, at)))];
  return [
    met.length ? `${met.map((m) => `${m.label} ${sayMet(m.by)}`).join(' · ')}.` : 'No accent is met.',
    ...(missed.length ? [`Silent: ${listed(missed.map((m) => m.label))}.`] : []),
    turns.length
      ? `The hand turns back without a stroke before ${listed(turns)}.`
      : 'The hand is never turned back inside the chain.',
    seamTurnsBack ? 'At the seam the hand turns back.' : 'It joins its own beginning.',
    ...(late ? [`At ${bpm} a finger is late somewhere: look at the load.`] : []),
    ...(!late && room === 'near' && ceiling !== null
      ? [`Close to what this hand can do: its ceiling is ${Math.floor(ceiling)}.`]
      : []),
    `${plural(differentCells, 'different cell')}.`,
  ];
}
