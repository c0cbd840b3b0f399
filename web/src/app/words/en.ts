import { keep } from './practise-logbook-shelf';
import { letters } from './letters';
import { neck } from './neck';
import { shell } from './shell';
import { wheel } from './wheel';

/**
 * Texts of the interface that core does not say itself. Another language gets files of the same shape. A place that brings
 * its own file (`weave.ts`) takes its words from there.
 */
export const words = { ...shell, ...wheel, ...neck, ...letters, ...keep };
export type Words = typeof words;
