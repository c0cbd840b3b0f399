import type { AccentPlace, Finding, FindingCode, FindingFigures, FindingOf } from '../../findings/index.js';
import { TICKS_PER_COUNT } from '../../time/index.js';
import { sayCeiling } from './ceiling.js';
import { sayFault } from './refused/faults.js';
import type { Said, SaidFinding } from './finding.js';
import {
  sayBarre,
  sayBlock,
  sayFingersAway,
  sayHeldOver,
  sayLateChanges,
  sayMisnamed,
  sayMuted,
  sayNoNode,
  sayOpenRingsOn,
  sayOutOfReach,
  sayUnheard,
  sayUnstruck,
} from './left-hand/left-hand-findings.js';
import { few, placesByTurn } from '../how-much.js';
import { byNumber, listed, ordinal, plural } from './numbers.js';
import { sayMet, sayMotion, WAY } from './strokes.js';

const counts = (ticks: number): string => plural(Math.round((ticks / TICKS_PER_COUNT) * 100) / 100, 'count');
const percent = (n: number): string => `${Math.round(n * 100)} %`;

/** “3 and 6 in turn 2, 10 in turns 1, 3 and 5”: places gathered by the turns they come in. */
const inTurns = (list: readonly AccentPlace[], turns: number): string =>
  placesByTurn(list, turns)
    .map(({ labels, turns: own }) => {
      const places = listed(labels);
      if (!own) return byNumber(turns, places, `${places} in every turn`);
      return `${places} in ${byNumber(own.length, 'turn', 'turns')} ${listed(own.map(String))}`;
    })
    .join('; ');
/** A few places by name, many by their number. */
const MOST_NAMED = 6;
const MOST_SETS = 3;
function places(list: readonly string[]): string {
  const { shown, more } = few(list, MOST_NAMED);
  return more ? `${plural(list.length, 'place')}, first at ${shown[0] ?? ''}` : listed(shown);
}

function sayPendulum({ ghosts, fights, seam }: FindingFigures['pendulum']): Said {
  const lines: string[] = [];
  for (const way of ['d', 'u'] as const)
    if (ghosts[way].length) lines.push(`Ghost ${WAY[way]} at ${places(ghosts[way])}.`);
  if (fights.length) lines.push(`Against the swing: ${places(fights)}.`);
  if (!seam) lines.push('An odd number of swings: each pass begins the other way round.');
  return {
    title: fights.length ? 'The pendulum breaks' : 'The pendulum holds',
    lines: lines.length ? lines : ['Down on the beat, up between, no hole.'],
  };
}
const WHY: Record<NonNullable<FindingFigures['plants']['not']>['why'], string> = {
  strum: 'it strums',
  'same finger': 'that finger plays already in this figure',
  'not rising': 'its string is not thinner than the one before',
  'must ring': 'its string rings on',
};
const PLECTRUM: Record<FindingFigures['plectrum ways']['why'], string> = {
  'up at a change': 'A new string begins with a down stroke, not with an up stroke.',
  'up without a rest': 'An up stroke only answers a rest stroke.',
  'no whip': 'Before a thicker string a whip leaps off; a rest stroke lands the wrong way.',
};
const ofTexts = (title: string, list: readonly FindingOf<'script unread' | 'chart unread'>[]): Said => ({
  title,
  lines: list.map((f) => sayFault(f.figures.fault)),
});
/** A sentence for what is told one by one. */
const SAID: { readonly [C in Exclude<FindingCode, keyof typeof TOGETHER>]: (figures: FindingFigures[C]) => Said } = {
  ceiling: sayCeiling,
  'comes round': ({ passes, turns, steps, length, counts: own, shown }) => ({
    title: byNumber(turns, 'Comes round every turn', `Comes round after ${turns} turns`),
    lines: [
      `${plural(passes, 'pass', 'passes')} of ${plural(steps, 'step')} (${counts(length)}) over ${plural(own, 'count')} a turn.`,
      ...(shown === null ? [] : [`The first ${shown} turns are shown.`]),
    ],
  }),
  'accents met': ({ first, turns }) => ({
    title: byNumber(turns, 'Accents', 'Accents in turn 1'),
    lines: [first.map((m) => `${m.label} ${sayMet(m.by)}`).join(' · ')],
  }),
  'accents weak': ({ weak, all, turns, who }) => ({
    title: `${weak} of ${all} accents fall on a weak stroke`,
    lines: who.map(({ by, places: own }) => `${sayMet(by)} meets ${inTurns(own, turns)}.`),
  }),
  'accents carried': ({ accents }) => ({
    title: 'Every accent is carried',
    lines: [
      `${byNumber(accents, 'Its one accent meets', `All ${accents} accents meet`)} a strong stroke in every turn.`,
    ],
  }),
  'accents missed': ({ missed, turns }) => ({
    title: `Nothing meets ${plural(missed.length, 'accent')}`,
    lines: [`Silent: ${inTurns(missed, turns)}.`],
  }),
  'another start': ({ step, motion, over, turns, given, written }) => ({
    title: `Begin it on its ${ordinal(step)} step${motion ? ` (${sayMotion(motion)})` : ''}`,
    lines: [
      over === 'first turn'
        ? `All starts are equal over ${turns} turns. In turn 1 this gives the accents ${percent(given)} of their weight instead of ${percent(written)}.`
        : `The accents get ${percent(given)} of their weight instead of ${percent(written)}.`,
    ],
  }),
  pendulum: sayPendulum,
  plants: ({ sets, figures, oneByOne, not }) => ({
    title: `Plant ${few(sets, MOST_SETS)
      .shown.map((s) => s.join(' '))
      .join(', then ')} at once`,
    lines: [
      `${plural(figures, 'figure')} in a pass.`,
      ...(oneByOne.length ? [`Or one by one: ${oneByOne.map((j) => `${j.set} as ${j.plays} plays`).join(', ')}.`] : []),
      ...(not ? [`${not.fingers.join(' ')} on ${not.at} is not planted: ${WHY[not.why]}.`] : []),
    ],
  }),
  'what sounds': ({ dead, sounding }) => ({
    title: `Sounding: ${places(sounding)}`,
    lines: [`${places(dead)} ${byNumber(dead.length, 'is', 'are')} dead.`],
  }),
  'rest stroke lands': ({ finger, string, on, next }) => ({
    title: `${finger} comes to rest on string ${on}`,
    lines: [
      next === null
        ? `From string ${string} its rest stroke stops what rings there. Play it free.`
        : `From string ${string} its rest stroke lies where ${next} plays next.`,
    ],
  }),
  'thumb anchor': ({ changes: [first, ...then] }) => ({
    title: ANCHOR[first?.thumb ?? 'lifts'],
    lines: then.length ? [`It ${listed(then.map((c) => `${ANCHORED[c.thumb]} on ${c.label}`))}.`] : [],
  }),
  'flicks plucked': ({ letters }) => ({
    title: `${letters.join(' ')} plucks single strings`,
    lines: [`A letter alone plucks one string. A rasgueado strums: ${letters.map((f) => `${f}d`).join(' ')}.`],
  }),
  block: sayBlock,
  barre: sayBarre,
  'out of reach': sayOutOfReach,
};
/** What the thumb does while the fingers run: from the beginning, and then. */
const ANCHOR = { 'rests on 6': 'The thumb rests on string 6', lifts: 'The thumb is lifted' } as const;
const ANCHORED = { 'rests on 6': 'rests on 6', lifts: 'lifts' } as const;
/** Where several of one code are told together. */
const TOGETHER = {
  'script unread': (list: readonly FindingOf<'script unread'>[]) => ofTexts('The script can’t be read', list),
  'chart unread': (list: readonly FindingOf<'chart unread'>[]) => ofTexts('The chart can’t be read', list),
  'change late': sayLateChanges,
  'finger away': sayFingersAway,
  'finger repeated': (list: readonly FindingOf<'finger repeated'>[]) => ({
    title: 'A finger plays twice in a row',
    lines: list.map(({ figures: f }) => `${f.finger}${f.crossing ? ', at a crossing,' : ''} on ${places(f.labels)}.`),
    hint: 'In a run fingers take turns, at a crossing above all.',
  }),
  'plectrum ways': (list: readonly FindingOf<'plectrum ways'>[]) => ({
    title: 'The plectrum goes against its school',
    lines: list.map(({ figures: f }) => `${PLECTRUM[f.why]} On ${places(f.labels)}.`),
  }),
  'held over': sayHeldOver,
  'no node': sayNoNode,
  'open rings on': sayOpenRingsOn,
  'string unstruck': sayUnstruck,
  'string muted': sayMuted,
  'tone unheard': sayUnheard,
  'name not borne out': sayMisnamed,
};
const isToldTogether = (code: FindingCode): code is keyof typeof TOGETHER => code in TOGETHER;

function told(list: readonly [Finding, ...Finding[]]): SaidFinding {
  const [{ code, tone, place, figures }] = list;
  const said = isToldTogether(code)
    ? (TOGETHER[code] as (list: readonly Finding[]) => Said)(list)
    : (SAID[code] as (figures: Finding['figures']) => Said)(figures);
  const lines = said.hint === undefined ? said.lines : [...said.lines, said.hint];
  return { code, tone, ...said, lines, ...(place.slot === null ? {} : { slot: place.slot }), of: list };
}
/** A finding in sentences. */
export const sayFinding = (f: Finding): SaidFinding => told([f]);
/** Findings in sentences, those of one code together where they are told so. */
export function sayAll(found: readonly Finding[]): SaidFinding[] {
  const lists = new Map<string, [Finding, ...Finding[]]>();
  for (const [n, f] of found.entries()) {
    const key = isToldTogether(f.code) ? f.code : `${n}`;
    const own = lists.get(key);
    if (own) own.push(f);
    else lists.set(key, [f]);
  }
  return [...lists.values()].map(told);
}
