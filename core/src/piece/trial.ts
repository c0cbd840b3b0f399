import { renameInChart } from '../chart/index.js';
import type { AccentCycle } from '../cycle/index.js';
import type { Shape } from '../left-hand/index.js';
import type { NamedCell } from '../script/index.js';
import { type Command, inOrder } from './command.js';
import { sectionOf } from './changing.js';
import type { Study } from './model.js';
import { setBars, setCell, setChart, setCycle, setStart, setWords } from './section-commands.js';
import { putShape, shapeToPut } from './shape-commands.js';
import { nameCell, setCapo } from './study-commands.js';

/** What is shown and heard in place of what is written, before it is kept. */
export interface Trial {
  readonly script: string;
  readonly stepsPerCount: number;
  readonly start: number;
  /** Another chart, or none, under what is tried out. */
  readonly chart?: string;
  /** Other words under its counts, or none. */
  readonly words?: string;
  /** Shapes that it calls and the study does not know yet. */
  readonly shapes?: readonly Shape[];
  /** Cells that it calls and the study does not know yet. */
  readonly cells?: readonly NamedCell[];
  /** The cycle in other groups. */
  readonly cycle?: AccentCycle;
  /** Another capo place. */
  readonly capo?: number;
  /** Another number of bars, or as many as its texts make. */
  readonly bars?: number | null;
}

/** The commands of which a trial is made; its chart calls shapes by the names that the study gives them. */
function commandsOf(study: Study, section: string, trial: Trial): Command {
  const cycle = trial.cycle ?? sectionOf(study, section)?.cycle;
  let chart = trial.chart;
  let after = study;
  const shapes = (trial.shapes ?? []).flatMap((shape): Command[] => {
    const own = shapeToPut(after, shape);
    if (chart !== undefined && cycle) chart = renameInChart(chart, shape.name, own.name, cycle);
    if (after.shapes.includes(own)) return [];
    const command = putShape(own);
    after = command(after);
    return [command];
  });
  return inOrder(
    ...shapes,
    ...(trial.cells ?? []).map(nameCell),
    ...(trial.capo === undefined ? [] : [setCapo(trial.capo)]),
    ...(trial.cycle ? [setCycle(section, trial.cycle)] : []),
    setCell(section, trial.script, trial.stepsPerCount),
    setStart(section, trial.start),
    ...(chart === undefined ? [] : [setChart(section, chart)]),
    ...(trial.words === undefined ? [] : [setWords(section, trial.words)]),
    ...(trial.bars === undefined ? [] : [setBars(section, trial.bars)]),
  );
}
/** What is tried out becomes the section: all of it, or nothing of it. */
export const keepTrial = (section: string, trial: Trial): Command =>
  Object.assign((study: Study) => commandsOf(study, section, trial)(study), {
    refusal: (study: Study) => commandsOf(study, section, trial).refusal?.(study) ?? null,
  });
