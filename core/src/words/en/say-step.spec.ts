import { describe, expect, it } from 'vitest';
import { readStep } from '../../script/index.js';
import { MARKS } from '../../stroke/index.js';
import { MARK_SAID, sayStep } from './index.js';

const said = (text: string) => sayStep(readStep(text).step!, [4, 3, 2]);

describe('a step in words', () => {
  it.each([
    ['ima:t!', 'index, middle and ring pluck the chord’s treble set 4 3 2, with an accent'],
    ['p:b', 'thumb plucks the chord’s bass string'],
    ['p:f', 'thumb plucks the chord’s fifth in the bass'],
    ['p:n', 'thumb plucks a note that leads on to the next bass'],
    ['p', 'thumb plucks the chord’s bass string'],
    ['i', 'index plucks its home string 3'],
    [
      'pima',
      'thumb, index, middle and ring pluck the chord’s bass string and their home strings 3 2 1, the thumb leaving outward, never into i',
    ],
    ['id', 'index strums down the strings of the chord'],
    ['eu:1234,', 'little finger strums up strings 1 2 3 4, softly'],
    ['id:b3x', 'index strums down 3 strings from the chord’s bass on, muted by the left hand'],
    ['m:2_', 'middle plucks string 2, as a rest stroke, landing on the next string'],
    ['p:5*m', 'thumb plucks string 5, with a golpe by m'],
    ['p:5*', 'thumb plucks string 5, with a golpe'],
    [
      'pi:5f0~+2f3=4',
      'thumb and index pluck strings 5 open (left to ring) and 2 at fret 3 with finger 4, the thumb leaving outward, never into i',
    ],
    ['?:3', 'a finger to be worked out plucks string 3'],
    ['Pd:3', 'the plectrum goes down and rests on the next string, string 3'],
    ['Pw', 'the plectrum goes down and leaps off, the strings of the chord'],
    ['L:2f3=4', 'the left hand alone sounds string 2 at fret 3 with finger 4'],
    ['L:2', 'the left hand alone sounds string 2'],
    ['(u)', 'a ghost: the hand goes up and misses the strings on purpose'],
    ['G', 'a golpe: the ring finger taps the soundboard'],
    ['S!', 'a slap: the flat hand falls on the strings, with an accent'],
    ['.', 'silence'],
    ['-', 'the stroke before goes on sounding'],
  ])('%s: %s', (text, words) => expect(said(text)).toBe(words));
  it('every mark has its words', () => {
    for (const m of MARKS) expect(said(`i:3${m}`)).toBe(`index plucks string 3, ${MARK_SAID[m]}`);
  });
  it('where no chord is known its treble set has no numbers', () =>
    expect(sayStep(readStep('ima:t').step!)).toBe('index, middle and ring pluck the chord’s treble set'));
});
