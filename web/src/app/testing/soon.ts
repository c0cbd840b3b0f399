import { vi } from 'vitest';

/** Long enough for a machine that does other work beside the tests; what never comes fails after it. */
const LONGEST_WAIT = 15_000;

/** Waits until a check holds. */
export const soon = (check: () => unknown): Promise<unknown> => vi.waitFor(check, { timeout: LONGEST_WAIT });
