import { type Instrument, pitchName } from '../../instrument/index.js';

/**
 * Tuning and capo in words, from the thickest string on, as a reader who shows no more than words must have them.
 * @example instrumentText({ tuning: STANDARD_TUNING, capo: 3 }) // 'Tuning E2 A2 D3 G3 B3 E4, capo 3'
 */
export const instrumentText = ({ tuning, capo }: Instrument): string =>
  `Tuning ${tuning.map((midi) => pitchName(midi)).join(' ')}, ${capo ? `capo ${capo}` : 'no capo'}`;
/** Whether words are these. */
export const isInstrumentText = (text: string): boolean => /^Tuning (?:\S+ ){5}\S+, (?:no capo|capo \d+)$/.test(text);
