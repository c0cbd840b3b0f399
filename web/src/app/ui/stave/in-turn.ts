import type { Steps } from './draw-system';

let line: Promise<unknown> = Promise.resolve();
/** So long in one turn of the page, in ms, or one step where that takes longer. */
const AT_ONCE_MS = 10;
const turn = () => new Promise((resolve) => setTimeout(resolve));
/**
 * What is drawn step by step, one after another, with a pause for the page between.
 * @param wanted asked before each turn: what nobody wants any more is left as it is
 */
export function inTurn<T>(begin: () => Steps<T>, wanted: () => boolean, done: (made: T) => void) {
  line = line
    .then(async () => {
      let steps: Steps<T> | null = null;
      for (;;) {
        await turn();
        if (!wanted()) return;
        const until = performance.now() + AT_ONCE_MS;
        steps ??= begin();
        let step = steps.next();
        while (!step.done && performance.now() < until) step = steps.next();
        if (step.done) return done(step.value);
      }
    })
    // One system that fails keeps no other from being drawn, and is not passed over in silence.
    .catch((e: unknown) =>
      setTimeout(() => {
        throw e;
      }),
    );
}
