import type { DataFault } from '../fault/index.js';
import type { Study } from './model.js';

/**
 * A gesture as a pure function. Commands never throw; one that has nothing to change, or would make what no
 * stored row may hold, returns the study itself.
 */
export interface Command {
  (study: Study): Study;
  /** Why it changes nothing, in words; null when nothing stands against it. */
  readonly refusal?: (study: Study) => DataFault | null;
}

/** A command that is refused, in words, where `ask` finds a reason. */
export const refusable = (change: (study: Study) => Study, ask: (study: Study) => DataFault | null): Command =>
  Object.assign((study: Study) => (ask(study) ? study : change(study)), { refusal: ask });

/** Several commands as one: all of them, or none when one of them is refused. */
export function inOrder(...commands: readonly Command[]): Command {
  const run = (study: Study): { study: Study; fault: DataFault | null } => {
    let now = study;
    for (const command of commands) {
      const fault = command.refusal?.(now) ?? null;
      if (fault) return { study, fault };
      now = command(now);
    }
    return { study: now, fault: null };
  };
  return Object.assign((study: Study) => run(study).study, { refusal: (study: Study) => run(study).fault });
}

/** A command that finds out by trying whether it is refused. */
export function asCommand(
  change: (study: Study) => Study | DataFault,
  first: (study: Study) => DataFault | null = () => null,
): Command {
  const tried = (study: Study): Study | DataFault => first(study) ?? change(study);
  return refusable(
    (study) => {
      const done = tried(study);
      return 'code' in done ? study : done;
    },
    (study) => {
      const done = tried(study);
      return 'code' in done ? done : null;
    },
  );
}
