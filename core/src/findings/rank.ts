import type { Finding, FindingCode, Tone } from './model.js';

/**
 * Every finding in its rank: what can't be read, held or played in time, how the accents are carried, what sounds
 * otherwise than it is called, and then what there is to know, in the order in which a player asks.
 */
export const FINDINGS: readonly FindingCode[] = [
  'script unread',
  'chart unread',
  'out of reach',
  'ceiling',
  'change late',
  'finger away',
  'accents weak',
  'accents missed',
  'held over',
  'no node',
  'open rings on',
  'plectrum ways',
  'rest stroke lands',
  'finger repeated',
  'flicks plucked',
  'string muted',
  'tone unheard',
  'name not borne out',
  'barre',
  'what sounds',
  'comes round',
  'accents met',
  'accents carried',
  'another start',
  'pendulum',
  'plants',
  'thumb anchor',
  'string unstruck',
  'block',
];
/** Codes that only say how the pattern lies on its cycle and what the hand does; the others can stand against the music. */
const ONLY_SAID: ReadonlySet<FindingCode> = new Set([
  'accents weak',
  'accents missed',
  'pendulum',
  'comes round',
  'accents met',
  'accents carried',
  'another start',
  'plants',
  'block',
  'what sounds',
  'thumb anchor',
  'finger repeated',
  'rest stroke lands',
  'plectrum ways',
  'string unstruck',
]);
/** What comes late is said before what is to be watched, and both before what only is so. */
const URGENCY: Record<Tone, number> = { late: 0, watch: 1, plain: 2, good: 2 };
/** A ceiling that is near stands against nothing: the music goes. */
const ONLY_LATE: ReadonlySet<FindingCode> = new Set(['ceiling']);

/** Whether a finding stands against the music as it is written. */
export const isAgainst = ({ code, tone }: Finding): boolean =>
  !ONLY_SAID.has(code) && (tone === 'late' || (tone === 'watch' && !ONLY_LATE.has(code)));

/** How grave a finding is: the lower, the graver. */
export const rank = ({ code, tone }: Pick<Finding, 'code' | 'tone'>): number =>
  URGENCY[tone] * FINDINGS.length + FINDINGS.indexOf(code);

/** Findings in their rank; of equals what comes first in the music, as it was found. */
export const ranked = (found: readonly Finding[]): Finding[] => [...found].sort((a, b) => rank(a) - rank(b));
