import { keep } from './practise-logbook-shelf';
import { letters } from './letters';
import { neck } from './neck';
import { shell } from './shell';
import { weave } from './weave';
import { wheel } from './wheel';

/** Every text of the interface that core does not say itself. Another language gets files of the same shape. */
export const words = { ...shell, ...wheel, ...neck, ...letters, ...weave, ...keep };
export type Words = typeof words;
