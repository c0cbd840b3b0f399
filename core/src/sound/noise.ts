/** Repeatable noise in −1…1: a linear congruence, so that the same plan always renders the same samples. */
export function noiseSource(seed: number): () => number {
  let state = (seed * 2_654_435_761) >>> 0 || 1;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2_147_483_648 - 1;
  };
}
