import { describe, expect, it } from 'vitest';
import { TECHNIQUES } from '../../catalogue/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { fact } from '../../fault/index.js';
import { LINE_SCHOOLS, MELODY_SCHOOLS } from '../../solve/finger-line/index.js';
import { FIT_SCHOOLS } from '../../solve/fit-cycle/index.js';
import { FRET_SCHOOLS } from '../../solve/fret-line/index.js';
import {
  listed,
  ordinal,
  plural,
  sayFact,
  sayFitSchool,
  sayFretSchool,
  sayLineSchool,
  sayMotion,
  sayRaise,
} from './index.js';

describe('technique cards', () => {
  it.each(TECHNIQUES.map((t) => [t.name, t] as const))('%s is written in hand script without fault', (_n, t) => {
    const { pattern, faults } = parseScript(t.script, { stepsPerCount: 2 });
    expect(faults).toEqual([]);
    expect(flatten(pattern).events.length).toBeGreaterThan(0);
  });
});

describe('schools', () => {
  it.each([
    ['fitting', FIT_SCHOOLS, sayFitSchool],
    ['right hand', [...LINE_SCHOOLS, ...MELODY_SCHOOLS], sayLineSchool],
    ['left hand', FRET_SCHOOLS, sayFretSchool],
  ] as const)('of the %s are named, and say what they mind', (_of, schools, say) => {
    for (const { id } of schools) expect(say(id).note, id).not.toBe('');
  });
  it('are named in what is said of them, not called by what the program calls them', () => {
    expect(sayRaise({ how: 'school', school: 'fingering', ceiling: 0 } as never)).toBe('Fingered by “Fingering first”');
    expect(sayFact(fact('no finger of the school', 3, 'home'))).toMatch(/^Note 3 can have no finger of “Home strings”/);
    expect(sayFact(fact('pins against the order', 'ami afresh'))).toContain('as “a m i afresh each bar” does');
  });
});

describe('words', () => {
  it('lists, counts and orders as they are said', () => {
    expect(listed(['12', '3', '8'])).toBe('12, 3 and 8');
    expect(plural(1, 'turn') + plural(2, 'turn')).toBe('1 turn2 turns');
    expect([1, 2, 3, 4, 11, 12, 13, 21, 22].map(ordinal).join(' ')).toBe('1st 2nd 3rd 4th 11th 12th 13th 21st 22nd');
  });
  it('says a stroke with its fingers, its way and its golpe', () => {
    const say = (text: string) =>
      flatten(parseScript(text, { stepsPerCount: 2 }).pattern).events.map((e) => sayMotion(e.motion));
    expect(say('ed pim:532 p:5* G S (u)')).toEqual(['e down', 'p i m', 'p with golpe', 'golpe', 'slap', 'ghost up']);
  });
});
