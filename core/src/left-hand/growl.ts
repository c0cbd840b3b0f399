import { midi, type Midi } from '../time/index.js';

/** Below this pitch (E3) neighbours blur. */
export const MUD_BELOW = midi(52);
/** Semitones from which on two low notes stand clear of each other. */
export const CLEAR = 5;

/**
 * Whether a note growls over one below it: both low, a third or less apart.
 * @example growls(midi(43), midi(47)) // true
 * @example growls(midi(43), midi(48)) // false
 */
export const growls = (lower: Midi | number, upper: Midi | number): boolean =>
  upper < MUD_BELOW && upper > lower && upper - lower < CLEAR;
