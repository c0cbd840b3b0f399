/** Figures of a fact in their order; what it has not is ''. */
export type Figures = readonly [string, string, string, string, ...string[]];
/** A sentence for every code. */
export type Sentences<Code extends string> = Record<Code, (about: Figures) => string>;
/** The figures that are there. */
export const present = (about: readonly string[]): string[] => about.filter((a) => a !== '');
