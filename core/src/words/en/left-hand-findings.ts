import type { FindingFigures } from '../../findings/index.js';
import { sayFact } from './facts.js';
import { sayRightHand } from './right-hand.js';
import { listed, plural, sayMotion } from './strokes.js';
import { sayStrings, sayTones } from './tones.js';

interface Said {
  readonly title: string;
  readonly lines: readonly string[];
}
const SHOWN = 4;
/** So many lines, and how many there are more. */
const shown = (lines: readonly string[], more: (n: number) => string): string[] =>
  lines.length > SHOWN ? [...lines.slice(0, SHOWN), more(lines.length - SHOWN)] : [...lines];
/** The title says it already. */
const MOVES = /^The right hand moves: /;

export const sayBlock = ({ moves, slips }: FindingFigures['block']): Said => ({
  title: slips ? 'The right hand stays behind a chord' : 'The right hand moves with the chords',
  lines: shown(
    moves.map((m) => `${m.from} → ${m.to} on ${m.label}: ${sayRightHand(m.rightHand).join(' ').replace(MOVES, '')}`),
    (n) => `And at ${plural(n, 'change')} more: Neck, Changes.`,
  ),
});
const PLURAL = new Intl.PluralRules('en');
const LATE: Partial<Record<Intl.LDMLPluralRule, string>> = { one: 'A change has no room' };
const fingerName = (finger: number | string): string => (finger === 'T' ? 'the thumb' : `finger ${finger}`);
export const sayLateChanges = ({ changes }: FindingFigures['change late']): Said => ({
  title: LATE[PLURAL.select(changes.length)] ?? `${changes.length} changes have no room`,
  lines: shown(
    changes.map(
      (c) =>
        `${c.from} → ${c.to} on ${c.at}: ${fingerName(c.finger)} has ${Math.round(c.thereMs)} ms and needs about ${Math.round(c.neededMs)}.`,
    ),
    (n) => `And ${plural(n, 'change')} more.`,
  ),
});
const chords = (lines: readonly string[], remedy: string): string[] => [
  ...shown(lines, (n) => `And ${plural(n, 'chord')} more.`),
  remedy,
];
export const sayMuted = ({ chords: list }: FindingFigures['string muted']): Said => ({
  title: 'A string is struck that the shape mutes',
  lines: chords(
    list.map((c) => `${c.name}: ${sayStrings(c.about)}, first on ${c.first}.`),
    'Write p:b and ima:t, and the fingers take the strings that sound; or choose a shape that has them.',
  ),
});
export const sayUnheard = ({ chords: list }: FindingFigures['tone unheard']): Said => ({
  title: 'A chord does not show what it is',
  lines: chords(
    list.map((c) => `${c.name}: its ${sayTones(c.about)} is on no string that is struck.`),
    'Strike one string more, or choose a shape that has it there.',
  ),
});
export const sayMisnamed = ({ chords: list }: FindingFigures['name not borne out']): Said => ({
  title: 'A name that its notes do not bear out',
  lines: chords(
    list.map(({ name, foreign, lacking }) =>
      foreign.length
        ? `${name}: what is on ${sayStrings(foreign)} is no tone of it.`
        : `${name}: its ${sayTones(lacking)} is on none of its strings.`,
    ),
    'Call it otherwise, or mend the shape.',
  ),
});
export const sayHeldOver = ({ strokes }: FindingFigures['held over']): Said => ({
  title: strokes.length === 1 ? 'A stroke is held over a change' : 'Strokes are held over changes',
  lines: [
    ...shown(
      strokes.map((s) => `${sayMotion(s.motion)} on ${s.at} goes on into ${s.into || 'open strings'}.`),
      (n) => `And ${n} more.`,
    ),
    'If it belongs to the coming chord already, write > after it; if it ends there, ^ lets it go.',
  ],
});
const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;
export function sayBarre({ names, strings, ms, staminaMs, bpm, over }: FindingFigures['barre']): Said {
  const who = `${listed(names)}, over ${plural(strings, 'string')}`;
  const held = ms === null ? '' : `: ${seconds(ms)} at ${bpm}`;
  const title =
    ms === null
      ? 'The barre is never let go'
      : over
        ? 'A barre is held longer than this hand can'
        : `Barre held ${seconds(ms)} at most`;
  const lines = [`${who}${held}; this hand’s is ${seconds(staminaMs)}.`];
  if (over) lines.push('Let it go between, keep it to few minutes at a time, and stop at pain.');
  return { title, lines };
}
export function sayOutOfReach({ name, because, instead }: FindingFigures['out of reach']): Said {
  const lost = instead?.lost.length ? `, without ${listed(instead.lost.map(sayFact))}` : '';
  return {
    title: `${name}: not for this hand`,
    lines: [
      sayFact(because),
      instead
        ? `Instead: ${instead.chord} ${instead.frets}${lost}.`
        : 'Neck, Find has easier ones; a capo brings the frets closer.',
    ],
  };
}
