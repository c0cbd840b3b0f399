import type { Conflict, ConflictCode, Remedy, RemedyCode } from '../../reading/index.js';
import { sayFact } from './facts.js';
import { sayFault } from './faults.js';
import { type Figures, present } from './sentences.js';
import { sayStrings, sayTones } from './tones.js';

const who = (finger: string): string => (finger === 'T' ? 'the thumb' : `finger ${finger}`);

const SAID: Record<Exclude<ConflictCode, 'script unread' | 'chart unread'>, (about: Figures, c: Conflict) => string> = {
  'out of reach': ([name], { because }) => `${name} is not for this hand: ${because ? sayFact(because) : ''}`,
  'change late': ([from, to, finger, there, needed]) =>
    `${from} → ${to}: no room, ${who(finger)} has ${there} ms and needs about ${needed}.`,
  'finger late': ([ceiling, tempo]) => `The right hand’s ceiling is ${ceiling}; it is to play at ${tempo}.`,
  'finger away': ([finger, string, fret, name, there, needed]) =>
    `${name}: ${who(finger)} is on string ${string} fret ${fret} and has ${there} ms to be back; it needs about ${needed}.`,
  'held over': ([from, into]) => `A stroke on ${from || 'open strings'} is held on into ${into || 'open strings'}.`,
  'string muted': ([name, ...muted]) =>
    `${name}: ${sayStrings(present(muted))} ${present(muted).length > 1 ? 'are' : 'is'} struck, and the shape mutes ${present(muted).length > 1 ? 'them' : 'it'}.`,
  'tone unheard': ([name, ...unheard]) => `${name}: its ${sayTones(present(unheard))} is on no string that is struck.`,
  'name not borne out': ([name, foreign, ...lacking]) =>
    foreign
      ? `${name}: what is on ${sayStrings(foreign.split(' '))} is no tone of it.`
      : `${name}: its ${sayTones(present(lacking))} is on none of its strings.`,
};
/**
 * What stands against the piece at one place.
 * @example sayConflict({ code: 'held over', about: ['Am7', 'D7'], section: 's', at: 0, bar: 0, label: '1', remedies: [] }) // 'A stroke on Am7 is held on into D7.'
 */
export function sayConflict(c: Conflict): string {
  if (c.code === 'script unread' || c.code === 'chart unread')
    return `${c.code === 'script unread' ? 'Script' : 'Chart'}: ${c.fault ? sayFault(c.fault) : ''}`;
  const [a = '', b = '', d = '', e = '', ...rest] = c.about.map(String);
  return SAID[c.code]([a, b, d, e, ...rest], c);
}

const REMEDIES: Record<RemedyCode, (about: Figures) => string> = {
  push: () => 'Push: it takes the coming chord (>)',
  'let go': () => 'Let it go at the change (^)',
  slower: ([bpm]) => `Play it at ${bpm}`,
  'other shape': ([name, frets]) => `${name} as ${frets}`,
  'as it would work': ([fix]) => (fix ? `Write ${fix}` : 'Take it out'),
};
/** @example sayRemedy({ code: 'slower', about: [92], change: { bpm: 92 } }) // 'Play it at 92' */
export function sayRemedy({ code, about }: Remedy): string {
  const [a = '', b = '', c = '', d = '', ...rest] = about.map(String);
  return REMEDIES[code]([a, b, c, d, ...rest]);
}
