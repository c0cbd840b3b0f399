import type { FindingCode, FindingFigures, FindingOf } from '../../../findings/index.js';
import type { HoldingFinger } from '../../../left-hand/index.js';
import type { Said } from '../finding.js';
import { sayFact } from '../refused/facts.js';
import { rightHandMisses, rightHandMoves } from '../right-hand.js';
import { few } from '../../how-much.js';
import { byNumber, listed, plural } from '../numbers.js';
import { sayMotion } from '../strokes.js';
import { sayStrings, sayTones } from './tones.js';

const SHOWN = 4;
/** So many lines, and how many there are more. */
function shown(lines: readonly string[], moreOf: (n: number) => string): string[] {
  const told = few(lines, SHOWN);
  return [...told.shown, ...(told.more ? [moreOf(told.more)] : [])];
}

export const sayBlock = ({ moves, slips }: FindingFigures['block']): Said => ({
  title: slips ? 'The right hand stays behind a chord' : 'The right hand moves with the chords',
  lines: shown(
    moves.map(
      (m) =>
        `${m.from} → ${m.to} on ${m.label}: ${[...rightHandMoves(m.rightHand), ...rightHandMisses(m.rightHand)].join(' ')}`,
    ),
    (n) => `And at ${plural(n, 'change')} more: Neck, Changes.`,
  ),
});
export const fingerName = (finger: HoldingFinger): string => (finger === 'T' ? 'the thumb' : `finger ${finger}`);
const ms = (n: number): string => String(Math.round(n));
type Of<Code extends FindingCode> = readonly FindingOf<Code>[];
export const sayLateChanges = (list: Of<'change late'>): Said => ({
  title: byNumber(list.length, 'A change has no room', `${list.length} changes have no room`),
  lines: shown(
    list.map(
      ({ place, figures: c }) =>
        `${c.from} → ${c.to} on ${place.label}: ${fingerName(c.finger)} has ${ms(c.thereMs)} ms and needs about ${ms(c.neededMs)}.`,
    ),
    (n) => `And ${plural(n, 'change')} more.`,
  ),
});
export const sayFingersAway = (list: Of<'finger away'>): Said => ({
  title: 'A finger is not back in time',
  lines: shown(
    list.map(
      ({ place, figures: f }) =>
        `${f.name}: ${fingerName(f.finger)} is on string ${f.string} fret ${f.fret}, has ${ms(f.thereMs)} ms to be back by ${place.label} and needs about ${ms(f.neededMs)}.`,
    ),
    (n) => `And ${n} more.`,
  ),
});
export const sayNoNode = (list: Of<'no node'>): Said => ({
  title: 'A harmonic where no node lies',
  lines: shown(
    list.map(
      ({ place, figures: f }) =>
        `String ${f.string} on ${place.label}: none lies over fret ${f.fret}, the nearest is over ${f.near}.`,
    ),
    (n) => `And ${n} more.`,
  ),
  hint: 'Write the fret into the stroke: 3f12o.',
});
const moreChords = (n: number): string => `And ${plural(n, 'chord')} more.`;
export const sayMuted = (list: Of<'string muted'>): Said => ({
  title: 'A string is struck that the shape mutes',
  lines: shown(
    list.map(({ place, figures: f }) => `${f.name}: ${sayStrings(f.strings)}, first on ${place.label}.`),
    moreChords,
  ),
  hint: 'It stays dead there. Open it where it is a tone of the chord, or choose a shape that has it.',
});
export const sayUnheard = (list: Of<'tone unheard'>): Said => ({
  title: 'A chord does not show what it is',
  lines: shown(
    list.map(({ figures: f }) => `${f.name}: its ${sayTones(f.tones)} is on no string that is struck.`),
    moreChords,
  ),
  hint: 'Strike one string more, or choose a shape that has it there.',
});
export const sayMisnamed = (list: Of<'name not borne out'>): Said => ({
  title: 'A name that its notes do not bear out',
  lines: shown(
    list.map(({ figures: { name, foreign, lacking } }) =>
      foreign.length
        ? `${name}: what is on ${sayStrings(foreign)} is no tone of it.`
        : `${name}: its ${sayTones(lacking)} is on none of its strings.`,
    ),
    moreChords,
  ),
  hint: 'Call it otherwise, or mend the shape.',
});
export const sayOpenRingsOn = (list: Of<'open rings on'>): Said => ({
  title: 'Open strings ring on where the hand lets go',
  lines: shown(
    list.map(({ place, figures: { name, strings, dead } }) => {
      const way = dead ? 'under dead strokes' : 'after the release';
      return `${name}: ${sayStrings(strings)} ${way}, first on ${place.label}.`;
    }),
    moreChords,
  ),
  hint: 'Lay a free finger on them, or hold the chord without open strings.',
});
export const sayUnstruck = (list: Of<'string unstruck'>): Said => ({
  title: 'Strings of a chord that no stroke meets',
  lines: shown(
    list.map(({ figures: { name, strings, bass } }) => {
      const rest = strings.filter((s) => s !== bass);
      const held = rest.length ? `${sayStrings(rest)} need not be held` : '';
      const below = bass === null ? '' : `its bass on string ${bass} is never struck`;
      return `${name}: ${[below, held].filter(Boolean).join('; ')}.`;
    }),
    moreChords,
  ),
});
export const sayHeldOver = (list: Of<'held over'>): Said => ({
  title: byNumber(list.length, 'A stroke is held over a change', 'Strokes are held over changes'),
  lines: shown(
    list.map(
      ({ place, figures: s }) => `${sayMotion(s.motion)} on ${place.label} goes on into ${s.into || 'open strings'}.`,
    ),
    (n) => `And ${n} more.`,
  ),
  hint: 'As written it ends where the new grip takes its strings. If it belongs to the coming chord already, write > after it; ^ lets it go at once.',
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
export const sayOutOfReach = ({ name, because }: FindingFigures['out of reach']): Said => ({
  title: `${name}: not for this hand`,
  lines: [sayFact(because)],
  hint: 'Neck, Find has easier ones; a capo brings the frets closer.',
});
